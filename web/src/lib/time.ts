const MOMENT = new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeStyle: "short" });
const DAY = new Intl.DateTimeFormat("en-GB", { dateStyle: "medium" });

/** A moment in the owner's own time zone. */
export function moment(iso: string): string {
  return MOMENT.format(new Date(iso));
}

const NEAR = new Intl.DateTimeFormat("en-GB", { weekday: "short", day: "numeric", month: "short" });
const FAR = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", year: "numeric" });
const SOON = 50 * 86_400_000;

/** A day in short: with its weekday while it is near, with its year when it is far. */
export function shortDay(iso: string): string {
  const at = new Date(`${iso}T12:00:00`);
  return (Math.abs(at.getTime() - Date.now()) < SOON ? NEAR : FAR).format(at).replace(",", "");
}

/** A day, which belongs to no time zone. */
export function day(iso: string): string {
  return DAY.format(new Date(`${iso}T12:00:00`));
}
