import { useCallback, useMemo, useState } from "react";
import { drawn } from "../../lib/money";
import { useStable } from "../../lib/useStable";
import type { Add, Ranked } from "./queries";
import { RankingRow } from "./RankingRow";
import { COLUMNS, sorted } from "./sorting";

const MOST = 4;

export interface RankingProps {
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
export function Ranking(props: RankingProps) {
  const { ranked, currency, view, sort, chosen, onSort, onChoose, onAdd, onBegin } = props;
  const [open, setOpen] = useState<string | null>(null);
  const openOrClose = useCallback((key: string) => setOpen((held) => (held === key ? null : key)), []);
  const [choose, add, begin] = [useStable(onChoose), useStable(onAdd), useStable(onBegin)];
  const dearest = useMemo(() => Math.max(...ranked.map((entry) => drawn(entry.cost)), 0), [ranked]);
  const rows = useMemo(() => sorted(ranked, sort), [ranked, sort]);
  const columns = useMemo(
    () => COLUMNS.filter((column) => column.view === view || column.view === "both"),
    [view],
  );
  if (ranked.length === 0)
    return <p className="border-t border-ink py-3">No route has a price for this order.</p>;
  return (
    <div className="max-lg:overflow-x-auto relative">
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
          {rows.map((entry, index) => (
            <RankingRow
              key={entry.route.key}
              entry={entry}
              place={index + 1}
              dearest={dearest}
              columns={columns}
              currency={currency}
              open={open === entry.route.key}
              chosen={chosen.includes(entry.route.key)}
              full={chosen.length >= MOST}
              onOpen={openOrClose}
              onChoose={choose}
              onAdd={add}
              onBegin={begin}
            />
          ))}
        </tbody>
      </table>
    </div>
  );
}
