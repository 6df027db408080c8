const MOMENT = new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeStyle: "short" });
const DAY = new Intl.DateTimeFormat("en-GB", { dateStyle: "medium" });

/** A moment in the owner's own time zone. */
export function moment(iso: string): string {
  return MOMENT.format(new Date(iso));
}

/** A day, which belongs to no time zone. */
export function day(iso: string): string {
  return DAY.format(new Date(`${iso}T12:00:00`));
}
