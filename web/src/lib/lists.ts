/** Tells what stands between commas; empty parts are left out. */
export function between(text: string): string[] {
  return text
    .split(",")
    .map((part) => part.trim())
    .filter(Boolean);
}

/** A list with an item put in at a place. */
export function putIn<Item>(list: Item[], place: number, item: Item): Item[] {
  return [...list.slice(0, place), item, ...list.slice(place)];
}
