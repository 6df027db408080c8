/** How a curve is drawn: colour and dash together tell it from every other one. */
export interface Stroke {
  color: string;
  dash: string;
}

const COLORS = 7;
const DASHES = ["", "7 4", "2 3", "10 3 2 3", "1 4"];

/** A stroke for each key; a key keeps its stroke as long as the keys are the same. */
export function strokesFor(keys: string[]): Map<string, Stroke> {
  return new Map(
    [...keys].sort().map((key, place) => [
      key,
      {
        color: `var(--curve-${(place % COLORS) + 1})`,
        dash: DASHES[(place + Math.floor(place / COLORS)) % DASHES.length] ?? "",
      },
    ]),
  );
}
