import { memo } from "react";
import { partsOf, shown } from "../../lib/money";
import { shortDay } from "../../lib/time";
import { CostBar } from "./CostBar";
import { Derivation } from "./Derivation";
import { behindShort, fullName } from "./names";
import type { Add, Ranked } from "./queries";
import { type Column, factOf } from "./sorting";

interface Props {
  entry: Ranked;
  place: number;
  dearest: number;
  columns: Column[];
  currency: string;
  open: boolean;
  chosen: boolean;
  full: boolean;
  onOpen: (key: string) => void;
  onChoose: (key: string, chosen: boolean) => void;
  onAdd: Add;
  onBegin: (provider: string) => void;
}

/** One route of the ranking; its cost opens into how it came about. */
export const RankingRow = memo(function RankingRow(props: Props) {
  const { entry, place, dearest, columns, currency, open, chosen, full, onOpen, onChoose, onAdd, onBegin } =
    props;
  const { route } = entry;
  return (
    <>
      <tr
        data-route={route.key}
        className={`border-b border-rule-soft align-baseline ${open ? "border-transparent" : ""}`}
      >
        <td className="text-soft py-1.5">{place}</td>
        <Name method={route.method_name} behind={behindShort(route)} />
        <td className="w-20 max-lg:hidden">
          <CostBar entry={entry} dearest={dearest} />
        </td>
        {columns.map((column) => (
          <td
            key={column.key}
            className={`pl-2.5 ${column.align === "right" ? "text-right" : "text-left"} ${column.view === "terms" ? "" : "whitespace-nowrap"}`}
          >
            {column.key === "cost" ? (
              <button
                type="button"
                aria-expanded={open}
                aria-label={`How the cost of ${fullName(route)} came about: ${shown(entry.cost)}`}
                onClick={() => onOpen(route.key)}
                className="font-semibold underline decoration-dotted decoration-soft underline-offset-4 hover:decoration-solid min-h-6"
              >
                {partsOf(shown(entry.cost)).amount}
              </button>
            ) : (
              cell(entry, column.key)
            )}
          </td>
        ))}
        <Chooser id={route.key} name={fullName(route)} chosen={chosen} full={full} onChoose={onChoose} />
      </tr>
      {open && (
        <tr className="border-b border-rule-soft">
          <td colSpan={columns.length + 4} className="pb-3">
            {/* What opens must not widen the columns. */}
            <div className="w-0 min-w-full">
              <Derivation entry={entry} currency={currency} onAdd={onAdd} onBegin={onBegin} />
            </div>
          </td>
        </tr>
      )}
    </>
  );
});

// These parts of a row are the same for every amount. They stand apart so that they are not drawn again.

const Name = memo(function Name({ method, behind }: { method: string; behind: string }) {
  return (
    <th scope="row" className="text-left font-normal pr-2">
      <strong className="font-semibold">{method}</strong> <span className="text-soft">{behind}</span>
    </th>
  );
});

interface ChooserProps extends Pick<Props, "chosen" | "full" | "onChoose"> {
  id: string;
  name: string;
}

const Chooser = memo(function Chooser({ id, name, chosen, full, onChoose }: ChooserProps) {
  return (
    <td className="text-right">
      <label className="relative size-6 inline-grid place-items-center">
        <input
          type="checkbox"
          checked={chosen}
          disabled={full && !chosen}
          onChange={(event) => onChoose(id, event.target.checked)}
          aria-label={`Put side by side: ${name}`}
          className="appearance-none size-4 border border-soft checked:bg-ink checked:border-ink disabled:opacity-40"
        />
        {chosen && (
          <span aria-hidden className="absolute pointer-events-none text-ground text-small leading-none">
            ✓
          </span>
        )}
      </label>
    </td>
  );
});

function cell(entry: Ranked, key: string): string {
  if (key === "percent") return entry.effective_percent ? `${entry.effective_percent} %` : "unknown";
  if (key === "earns") {
    if (!entry.earns) return "no margin";
    return `${partsOf(shown(entry.earns)).amount}${entry.completion === null ? "*" : ""}`;
  }
  if (key === "month") return entry.month ? partsOf(shown(entry.month.cost)).amount : "none";
  const fact = factOf(entry, key);
  // A day is enough in a cell; how it comes about stands where the row opens.
  const isDay = ["arrives", "certain", "reversible"].includes(key) && /^\d/.test(fact?.text ?? "");
  return isDay && fact ? shortDay(fact.sort) : (fact?.text ?? "");
}
