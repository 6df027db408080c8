import { Checkbox } from "radix-ui";
import { Fragment, useState } from "react";
import { drawn, partsOf, shown } from "../../lib/money";
import { shortDay } from "../../lib/time";
import { CostBar } from "./CostBar";
import { Derivation } from "./Derivation";
import { behindShort, fullName } from "./names";
import type { Ranked, RouteOut } from "./queries";
import { COLUMNS, factOf, sorted } from "./sorting";

export type Add = (added: { method: string; route: RouteOut["route"] }) => void;

interface Props {
  ranked: Ranked[];
  currency: string;
  view: "costs" | "terms";
  sort: string;
  chosen: string[];
  onSort: (key: string) => void;
  onChoose: (key: string, chosen: boolean) => void;
  onAdd: Add;
  onBegin: (provider: string) => void;
}

/** The routes by what they cost, or by any other column; each opens into how its figures came about. */
export function Ranking(props: Props) {
  const { ranked, currency, view, sort, chosen, onSort, onChoose, onAdd, onBegin } = props;
  const [open, setOpen] = useState<string | null>(null);
  const dearest = Math.max(...ranked.map((entry) => drawn(entry.cost)), 0);
  const columns = COLUMNS.filter((column) => column.view === view || column.view === "both");
  if (ranked.length === 0)
    return <p className="border-t border-ink py-3">No route has a price for this order.</p>;
  return (
    <div className="max-lg:overflow-x-auto">
      <table className="w-full" aria-label="Routes">
        <thead>
          <tr className="border-b border-ink text-small text-soft align-bottom">
            <th className="w-6">
              <span className="sr-only">Place</span>
            </th>
            <th className="text-left font-normal">Route</th>
            <th className="font-normal max-lg:hidden">
              <span className="sr-only">Parts of the cost</span>
            </th>
            {columns.map((column) => (
              <th
                key={column.key}
                aria-sort={sort === column.key ? "ascending" : "none"}
                className={`font-normal pl-2.5 whitespace-nowrap ${column.align === "right" ? "text-right" : "text-left"}`}
              >
                <button
                  type="button"
                  onClick={() => onSort(column.key)}
                  className={`min-h-6 hover:text-ink ${sort === column.key ? "text-ink font-semibold underline underline-offset-4" : ""}`}
                >
                  {column.key === "cost" ? `cost, ${currency}` : column.name}
                </button>
              </th>
            ))}
            <th className="w-8">
              <span className="sr-only">Side by side</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {sorted(ranked, sort).map((entry, index) => {
            const key = entry.route.key;
            const isOpen = open === key;
            return (
              <Fragment key={key}>
                <tr
                  data-route={key}
                  className={`border-b border-rule-soft align-baseline ${isOpen ? "border-transparent" : ""}`}
                >
                  <td className="text-soft py-1.5">{index + 1}</td>
                  <th scope="row" className="text-left font-normal pr-2">
                    <strong className="font-semibold">{entry.route.method_name}</strong>{" "}
                    <span className="text-soft">{behindShort(entry.route)}</span>
                  </th>
                  <td className="w-20 max-lg:hidden">
                    <CostBar entry={entry} dearest={dearest} />
                  </td>
                  {columns.map((column) => (
                    <td
                      key={column.key}
                      className={`pl-2.5 ${column.align === "right" ? "text-right whitespace-nowrap" : `text-left ${view === "costs" ? "whitespace-nowrap" : ""}`}`}
                    >
                      {column.key === "cost" ? (
                        <button
                          type="button"
                          aria-expanded={isOpen}
                          aria-label={`How the cost of ${fullName(entry.route)} came about: ${shown(entry.cost)}`}
                          onClick={() => setOpen(isOpen ? null : key)}
                          className="font-semibold underline decoration-dotted decoration-soft underline-offset-4 hover:decoration-solid min-h-6"
                        >
                          {partsOf(shown(entry.cost)).amount}
                        </button>
                      ) : (
                        cell(entry, column.key)
                      )}
                    </td>
                  ))}
                  <td className="text-right">
                    <Checkbox.Root
                      checked={chosen.includes(key)}
                      disabled={!chosen.includes(key) && chosen.length >= 4}
                      onCheckedChange={(checked) => onChoose(key, checked === true)}
                      aria-label={`Put side by side: ${fullName(entry.route)}`}
                      className="size-6 grid place-items-center disabled:opacity-40 group"
                    >
                      <span className="size-4 border border-soft grid place-items-center group-data-[state=checked]:bg-ink group-data-[state=checked]:border-ink">
                        <Checkbox.Indicator className="text-ground text-small leading-none">
                          ✓
                        </Checkbox.Indicator>
                      </span>
                    </Checkbox.Root>
                  </td>
                </tr>
                {isOpen && (
                  <tr className="border-b border-rule-soft">
                    <td colSpan={columns.length + 4} className="pb-3">
                      {/* What opens must not widen the columns. */}
                      <div className="w-0 min-w-full">
                        <Derivation entry={entry} currency={currency} onAdd={onAdd} onBegin={onBegin} />
                      </div>
                    </td>
                  </tr>
                )}
              </Fragment>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function cell(entry: Ranked, key: string): string {
  if (key === "percent") return entry.effective_percent ? `${entry.effective_percent} %` : "unknown";
  if (key === "earns") {
    if (!entry.earns) return "no margin";
    return `${partsOf(shown(entry.earns)).amount}${entry.completion.value === null ? "*" : ""}`;
  }
  if (key === "month") return entry.month ? partsOf(shown(entry.month.cost)).amount : "none";
  const fact = factOf(entry, key);
  // A day is enough in a cell; how it comes about stands where the row opens.
  const isDay = ["arrives", "certain", "reversible"].includes(key) && /^\d/.test(fact?.text ?? "");
  return isDay && fact ? shortDay(fact.sort) : (fact?.text ?? "");
}
