import { drawn } from "../../lib/money";
import type { Ranked } from "./queries";

export interface Column {
  key: string;
  name: string;
  align: "left" | "right";
  /** True if the column stands in the view of costs or in that of terms. */
  view: "costs" | "terms" | "both";
}

export const COLUMNS: Column[] = [
  { key: "cost", name: "cost", align: "right", view: "both" },
  { key: "percent", name: "of order", align: "right", view: "costs" },
  { key: "earns", name: "earns", align: "right", view: "costs" },
  { key: "arrives", name: "arrives", align: "left", view: "costs" },
  { key: "certain", name: "certain", align: "left", view: "costs" },
  { key: "reversible", name: "reversible", align: "left", view: "costs" },
  { key: "month", name: "a month", align: "right", view: "costs" },
  { key: "reach", name: "reach", align: "left", view: "terms" },
  { key: "recurring", name: "repeats", align: "left", view: "terms" },
  { key: "effort", name: "effort", align: "left", view: "terms" },
  { key: "terms", name: "terms", align: "left", view: "terms" },
  { key: "card_data", name: "card data", align: "left", view: "terms" },
];

/** A fact of a route by its key. */
export function factOf(entry: Ranked, key: string) {
  return entry.facts.find((fact) => fact.key === key);
}

function sortValue(entry: Ranked, key: string): number | string {
  if (key === "cost") return drawn(entry.cost);
  if (key === "percent") return Number(entry.effective_percent ?? Number.POSITIVE_INFINITY);
  if (key === "earns") return entry.earns ? -drawn(entry.earns) : Number.POSITIVE_INFINITY;
  if (key === "month") return entry.month ? drawn(entry.month.cost) : Number.POSITIVE_INFINITY;
  if (key === "reach") return -Number(factOf(entry, key)?.sort ?? 0);
  if (key === "effort") return Number(factOf(entry, key)?.sort ?? 0);
  return factOf(entry, key)?.sort ?? "";
}

/** The ranking by one of its columns; what is equal stays in the sequence of cost. */
export function sorted(ranked: Ranked[], key: string): Ranked[] {
  return [...ranked].sort((one, other) => {
    const [a, b] = [sortValue(one, key), sortValue(other, key)];
    return a < b ? -1 : a > b ? 1 : 0;
  });
}

/** The keys of the routes that come first by a column of the ranking; of equal ones all, and none where all are. */
export function bestOf(entries: Ranked[], key: string): string[] {
  const [first] = sorted(entries, key);
  if (!first) return [];
  const best = sortValue(first, key);
  const found = entries.filter((entry) => sortValue(entry, key) === best);
  return found.length < entries.length ? found.map((entry) => entry.route.key) : [];
}
