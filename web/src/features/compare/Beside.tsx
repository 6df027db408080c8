import { shown } from "../../lib/money";
import { Button } from "../../ui/Button";
import { behind, fullName } from "./names";
import type { Ranked } from "./queries";
import { bestOf, factOf } from "./sorting";

interface Point {
  name: string;
  of: (entry: Ranked) => string;
  /** The column of the ranking by which one of them is the best; without one, none is. */
  sortedBy?: string;
}

const fact = (key: string) => (entry: Ranked) => factOf(entry, key)?.text ?? "";

const POINTS: Point[] = [
  { name: "Cost of this order, all in", of: (entry) => shown(entry.cost), sortedBy: "cost" },
  { name: "Provider's fee alone", of: (entry) => shown(entry.fee) },
  {
    name: "Of the order",
    of: (entry) => (entry.effective_percent ? `${entry.effective_percent} %` : "unknown"),
    sortedBy: "percent",
  },
  {
    name: "Earns, when completion counts",
    of: (entry) => (entry.earns ? shown(entry.earns) : "no margin known"),
    sortedBy: "earns",
  },
  {
    name: "Buyers who finish",
    of: (entry) => (entry.completion === null ? "not assumed" : `${entry.completion} %`),
  },
  {
    name: "Over your month, all in",
    of: (entry) => (entry.month ? shown(entry.month.cost) : "carries none"),
    sortedBy: "month",
  },
  { name: "Orders of your month", of: (entry) => entry.month?.orders ?? "none" },
  { name: "Money arrives", of: fact("arrives"), sortedBy: "arrives" },
  { name: "Order is certain", of: fact("certain"), sortedBy: "certain" },
  { name: "Can be taken back until", of: fact("reversible"), sortedBy: "reversible" },
  { name: "Refunds go", of: fact("refunds") },
  { name: "Reach", of: fact("reach"), sortedBy: "reach" },
  { name: "Memberships and other repeats", of: fact("recurring") },
  { name: "The buyer", of: fact("buyer") },
  { name: "Card data", of: fact("card_data") },
  { name: "To get it", of: fact("effort"), sortedBy: "effort" },
  { name: "Terms", of: fact("terms") },
];

interface Props {
  entries: Ranked[];
  onRemove: (key: string) => void;
  onClose: () => void;
}

/** Two to four routes point by point: first what differs, the best in bold, then what is the same for all. */
export function Beside({ entries, onRemove, onClose }: Props) {
  const rows = POINTS.map((point) => ({ point, texts: entries.map(point.of) }));
  const differing = rows.filter(({ texts }) => new Set(texts).size > 1);
  const same = rows.filter(({ texts }) => new Set(texts).size === 1);
  return (
    <section aria-labelledby="beside" className="mb-7">
      <div className="flex items-baseline gap-4">
        <h2 id="beside" className="text-lg">
          Side by side
        </h2>
        <span className="text-soft">the best of a row is in bold; what is the same for all stands below</span>
        <Button look="quiet" className="ml-auto" onClick={onClose}>
          Close
        </Button>
      </div>
      <table className="w-full table-fixed">
        <thead>
          <tr className="border-b border-ink align-bottom">
            <th className="w-44">
              <span className="sr-only">Point</span>
            </th>
            {entries.map((entry) => (
              <th key={entry.route.key} className="text-left pr-4 py-1">
                <span className="font-semibold">{entry.route.method_name}</span>{" "}
                <span className="font-normal text-soft">{behind(entry.route)}</span>{" "}
                <button
                  type="button"
                  aria-label={`Take away: ${fullName(entry.route)}`}
                  onClick={() => onRemove(entry.route.key)}
                  className="font-normal text-soft underline decoration-rule underline-offset-4 hover:text-ink min-h-6"
                >
                  take away
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {differing.map(({ point, texts }) => {
            const best = point.sortedBy ? bestOf(entries, point.sortedBy) : [];
            return (
              <tr key={point.name} className="border-b border-rule-soft align-baseline">
                <th scope="row" className="text-left font-normal text-soft pr-4 py-1">
                  {point.name}
                </th>
                {entries.map((entry, index) => (
                  <td
                    key={entry.route.key}
                    className={`pr-4 ${best.includes(entry.route.key) ? "font-semibold" : ""}`}
                  >
                    {texts[index]}
                  </td>
                ))}
              </tr>
            );
          })}
          {same.map(({ point, texts }) => (
            <tr key={point.name} className="border-b border-rule-soft align-baseline text-soft">
              <th scope="row" className="text-left font-normal pr-4 py-1">
                {point.name}
              </th>
              <td colSpan={entries.length} className="pr-4">
                {texts[0]}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
