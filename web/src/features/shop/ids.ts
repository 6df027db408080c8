/** Tells what a name is as an id. */
export function idOf(name: string): string {
  return freeId(name, []);
}

/** An id from a name: lower-case letters and digits joined by hyphens, different from the ids that are taken. */
export function freeId(name: string, taken: string[]): string {
  const base =
    name
      .toLowerCase()
      .normalize("NFKD")
      .replace(/\p{M}/gu, "")
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, 50)
      .replace(/-+$/, "") || "line";
  let id = base;
  for (let number = 2; taken.includes(id); number += 1) id = `${base}-${number}`;
  return id;
}
