import { shown } from "../../lib/money";
import { Button } from "../../ui/Button";
import { behind, fullName } from "./names";
import type { Ranked } from "./queries";
import { factOf } from "./sorting";

interface Point {
  name: string;
  of: (entry: Ranked) => string;
}

const fact = (key: string) => (entry: Ranked) => factOf(entry, key)?.text ?? "";

const POINTS: Point[] = [
  { name: "Cost of this order, all in", of: (entry) => shown(entry.cost) },
  { name: "Provider's fee alone", of: (entry) => shown(entry.fee) },
  {
    name: "Of the order",
    of: (entry) => (entry.effective_percent ? `${entry.effective_percent} %` : "unknown"),
  },
  {
    name: "Earns, when completion counts",
    of: (entry) => (entry.earns ? shown(entry.earns) : "no margin known"),
  },
  {
    name: "Buyers who finish",
    of: (entry) => (entry.completion === null ? "not assumed" : `${entry.completion} %`),
  },
  {
    name: "Over your month, all in",
    of: (entry) => (entry.month ? shown(entry.month.cost) : "carries none"),
  },
  { name: "Orders of your month", of: (entry) => entry.month?.orders ?? "none" },
  { name: "Money arrives", of: fact("arrives") },
  { name: "Order is certain", of: fact("certain") },
  { name: "Can be taken back until", of: fact("reversible") },
  { name: "Refunds go", of: fact("refunds") },
  { name: "Reach", of: fact("reach") },
  { name: "Memberships and other repeats", of: fact("recurring") },
  { name: "The buyer", of: fact("buyer") },
  { name: "Card data", of: fact("card_data") },
  { name: "To get it", of: fact("effort") },
  { name: "Terms", of: fact("terms") },
];

interface Props {
  entries: Ranked[];
  onRemove: (key: string) => void;
  onClose: () => void;
}

/** Two to four routes point by point; what is the same everywhere steps back, what differs stands out. */
export function Beside({ entries, onRemove, onClose }: Props) {
  return (
    <section aria-labelledby="beside" className="mb-7">
      <div className="flex items-baseline gap-4">
        <h2 id="beside" className="text-lg">
          Side by side
        </h2>
        <span className="text-soft">what differs is in bold</span>
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
          {POINTS.map((point) => {
            const texts = entries.map(point.of);
            const differs = new Set(texts).size > 1;
            return (
              <tr key={point.name} className="border-b border-rule-soft align-baseline">
                <th scope="row" className="text-left font-normal text-soft pr-4 py-1">
                  {point.name}
                </th>
                {entries.map((entry, index) => (
                  <td key={entry.route.key} className={`pr-4 ${differs ? "font-semibold" : "text-soft"}`}>
                    {texts[index]}
                  </td>
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
