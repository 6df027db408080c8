import { putIn } from "../../lib/lists";
import type { Composed, Tender } from "../draft";

/** A checkout without a shared set: its conditions are written into the tenders that used it. */
export function withoutSet(before: Composed, id: string): Composed {
  return {
    ...before,
    tenders: before.tenders.map((tender) =>
      tender.shared.includes(id) ? writtenIn(before, tender, id) : tender,
    ),
    shared_conditions: before.shared_conditions.filter((set) => set.id !== id),
  };
}

/** A tender with the conditions of a shared set as its own, using the set no more. */
export function writtenIn(before: Composed, tender: Tender, id: string): Tender {
  const set = before.shared_conditions.find((entry) => entry.id === id);
  return {
    ...tender,
    conditions: [...tender.conditions, ...(set?.conditions ?? [])],
    shared: tender.shared.filter((entry) => entry !== id),
  };
}

/** A checkout in which the conditions of a tender are a shared set under a name, which the tender uses. */
export function sharedFrom(before: Composed, tender: string, name: string, id: string): Composed {
  const conditions = before.tenders.find((entry) => entry.id === tender)?.conditions ?? [];
  if (conditions.length === 0) return before;
  return {
    ...before,
    shared_conditions: [...before.shared_conditions, { id, name, conditions }],
    tenders: before.tenders.map((entry) =>
      entry.id === tender ? { ...entry, conditions: [], shared: [...entry.shared, id] } : entry,
    ),
  };
}

/** The tenders as they stand on the page: those without a heading first, then heading by heading. */
export function inPlace(composed: Composed): Tender[] {
  const places = [null, ...composed.headings.map((heading) => heading.id)];
  return places.flatMap((place) => composed.tenders.filter((tender) => (tender.heading ?? null) === place));
}

/** The tenders with one moved to where another stands on the page; it goes under the heading of that one. */
export function movedTo(composed: Composed, id: string, over: string): Composed {
  const list = inPlace(composed);
  const from = list.findIndex((tender) => tender.id === id);
  const to = list.findIndex((tender) => tender.id === over);
  const [moved, target] = [list[from], list[to]];
  if (!moved || !target) return composed;
  const without = list.filter((tender) => tender.id !== id);
  const heading = target.heading ?? null;
  return { ...composed, tenders: [...without.slice(0, to), { ...moved, heading }, ...without.slice(to)] };
}

/** A checkout with a tender that was removed put back where it stood, without what is gone since. */
export function putBack(now: Composed, held: Composed, tender: Tender): Composed {
  const headed = now.headings.some((heading) => heading.id === tender.heading);
  const sets = new Set(now.shared_conditions.map((set) => set.id));
  const back: Tender = {
    ...tender,
    heading: headed ? (tender.heading ?? null) : null,
    shared: tender.shared.filter((id) => sets.has(id)),
  };
  const place = held.tenders.findIndex((entry) => entry.id === tender.id);
  return { ...now, tenders: putIn(now.tenders, place, back) };
}
