import { type KeyboardEvent, useRef } from "react";
import { placeOf, RulerTicks } from "../../charts";
import type { Axis } from "../../charts/axis";
import { useNear } from "../../ui/useNear";
import type { Block, Cell, Row } from "./queries";

/** Tells where amounts beyond the ends of the ruler are told, in pixels. */
const BEYOND = 22;
const DARKEST = 5;
/** So many blocks of rows are drawn at once, the others when they are near; about how high a row is, in pixels. */
const AT_ONCE = 4;
const ROW = 34;

interface Props {
  blocks: Block[];
  axis: Axis;
  /** The order in hand: its market, line and amount in the shop's currency; where it lies is marked. */
  here: { market: string; line: string; amount: number | null; said: string };
  onCell: (market: string, row: Row, cell: Cell) => void;
}

/** Markets and lines as rows, amounts across; in each cell how many ways to pay there are. */
export function Grid({ blocks, axis, here, onCell }: Props) {
  const grid = useRef<HTMLDivElement>(null);

  /** Arrow keys go from cell to cell: along a row, and to the cell above or below at the same amount. */
  function move(event: KeyboardEvent<HTMLDivElement>) {
    const from = event.target as HTMLElement;
    const by = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (by === undefined || !from.dataset.cell || !grid.current) return;
    event.preventDefault();
    const rows = [...grid.current.querySelectorAll<HTMLElement>("[data-row]")].map((row) => [
      ...row.querySelectorAll<HTMLElement>("[data-cell]"),
    ]);
    const at = rows.findIndex((row) => row.includes(from));
    const along = event.key === "ArrowRight" || event.key === "ArrowLeft";
    const next = along
      ? rows[at]?.[rows[at].indexOf(from) + by]
      : (rows[at + by]?.findLast((cell) => cell.offsetLeft <= from.offsetLeft + 1) ?? rows[at + by]?.[0]);
    if (!next) return;
    from.tabIndex = -1;
    next.tabIndex = 0;
    next.focus();
  }

  const first = blocks[0]?.rows[0]?.cells[0];
  const place = here.amount === null ? null : placeOf(here.amount, axis);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the keys of the cells within are heard here
    <div ref={grid} onKeyDown={move} className="relative">
      <div className="grid grid-cols-[8rem_minmax(0,1fr)] sm:grid-cols-[11rem_minmax(0,1fr)] border-b border-ink pb-1 mb-1">
        <span />
        <div className="relative" style={{ marginInline: BEYOND }}>
          <RulerTicks axis={axis} />
          {place !== null && (
            <span
              className="absolute bottom-0 bg-ink text-ground px-1.5 text-small font-semibold -translate-x-1/2 whitespace-nowrap"
              style={{ left: `${100 * place}%` }}
              aria-hidden
            >
              {here.said}
            </span>
          )}
        </div>
      </div>
      {blocks.map((block, at) => (
        <BlockRows
          key={`${block.currency} ${block.markets[0]}`}
          block={block}
          atOnce={at < AT_ONCE}
          first={first}
          axis={axis}
          here={here}
          onCell={onCell}
        />
      ))}
    </div>
  );
}

interface BlockProps extends Omit<Props, "blocks"> {
  block: Block;
  atOnce: boolean;
  /** The cell that Tab reaches; arrow keys go on from there. */
  first: Cell | undefined;
}

/** The rows of markets in which everything is the same; empty while they are far outside of the window. */
function BlockRows({ block, atOnce, first, axis, here, onCell }: BlockProps) {
  const { ref, near } = useNear(atOnce || block.markets.includes(here.market));
  const place = here.amount === null ? null : placeOf(here.amount, axis);
  return (
    <div ref={ref} style={{ minHeight: near ? undefined : block.rows.length * ROW }}>
      <h3 className="font-sans font-semibold text-figure mt-2 mb-0.5">
        {block.name}, {block.currency}
        {!block.rated && (
          <span className="font-normal text-soft"> without a reference rate: amounts as they are</span>
        )}
      </h3>
      {near &&
        block.rows.map((row) => {
          const marked = block.markets.includes(here.market) && row.stands_for.includes(here.line);
          return (
            <div
              key={row.lines.join("+")}
              className="grid grid-cols-[8rem_minmax(0,1fr)] sm:grid-cols-[11rem_minmax(0,1fr)] items-center mb-0.5"
            >
              <span className={`pl-3 pr-2 text-small leading-tight py-0.5 ${marked ? "font-semibold" : ""}`}>
                {row.name}
                {row.repeats && <span className="text-soft">, repeats</span>}
              </span>
              <div className="relative h-6" data-row>
                {row.cells.map((cell) => (
                  <CellButton
                    key={cell.first}
                    cell={cell}
                    axis={axis}
                    said={`${row.name}, ${block.name}, ${cell.said}`}
                    reachable={cell === first}
                    onClick={() =>
                      onCell(
                        block.markets.includes(here.market) ? here.market : (block.markets[0] ?? ""),
                        row,
                        cell,
                      )
                    }
                  />
                ))}
                {marked && place !== null && (
                  <span
                    className="absolute -top-0.5 -bottom-0.5 border-l-2 border-ink pointer-events-none"
                    style={{ left: inside(place) }}
                    aria-hidden
                  />
                )}
              </div>
            </div>
          );
        })}
    </div>
  );
}

interface CellProps {
  cell: Cell;
  axis: Axis;
  said: string;
  reachable: boolean;
  onClick: () => void;
}

function CellButton({ cell, axis, said, reachable, onClick }: CellProps) {
  const begins = Number(cell.begins);
  const ends = cell.ends === null ? null : Number(cell.ends);
  // An amount beyond an end of the ruler stands in the margin there.
  const left =
    begins <= axis.from
      ? "0px"
      : begins >= axis.to
        ? `calc(100% - ${BEYOND}px)`
        : inside(placeOf(begins, axis));
  const right =
    ends === null || ends > axis.to
      ? "100%"
      : ends <= axis.from
        ? `${BEYOND}px`
        : inside(placeOf(ends, axis));
  const hidden = ends !== null && (ends <= begins || (begins >= axis.to && ends > axis.to));
  if (hidden) return null;
  const count =
    cell.most === 0 ? "nobody" : cell.least === cell.most ? `${cell.least}` : `${cell.least}–${cell.most}`;
  return (
    <button
      type="button"
      data-cell
      tabIndex={reachable ? 0 : -1}
      title={said}
      onClick={onClick}
      className={`absolute top-0 h-full overflow-hidden border-r border-ground text-small font-semibold text-center leading-none ${LOOKS[lookOf(cell)]}`}
      style={{ left, width: `calc(${right} - ${left})`, background: shade(cell) }}
    >
      <span className="sr-only">{said}</span>
      <span aria-hidden>{count}</span>
    </button>
  );
}

const inside = (place: number) => `calc(${BEYOND}px + (100% - ${2 * BEYOND}px) * ${place})`;

const LOOKS = {
  nobody: "hatch-copper border border-copper! text-copper",
  some: "hatch-copper text-copper",
  one: "border-b-2 border-b-saffron",
  several: "",
};

function lookOf(cell: Cell): keyof typeof LOOKS {
  if (cell.most === 0) return "nobody";
  if (cell.least === 0) return "some";
  return cell.least === 1 ? "one" : "several";
}

/** The more ways to pay, the darker; what is hatched has its own ground. */
function shade(cell: Cell): string | undefined {
  if (cell.least === 0) return undefined;
  const part = 6 + 11 * (Math.min(cell.least, DARKEST) - 1);
  return `color-mix(in srgb, var(--verdigris) ${part}%, var(--ground))`;
}
