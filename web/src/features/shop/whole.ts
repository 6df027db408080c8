/** A whole number, or none; anything else goes as it was typed, for the server to refuse. */
export function wholeOrNone(text: string): number | null {
  if (text === "") return null;
  return /^\d+$/.test(text) ? Number(text) : (text as unknown as number);
}

/** A number as a field shows it; nothing where there is none. */
export const shownWhole = (value: number | null | undefined) =>
  value === null || value === undefined ? "" : String(value);
