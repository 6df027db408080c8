import { useSearchParams } from "react-router";
import { said } from "../../api/client";
import { Button } from "../../ui/Button";
import { OnItsWay, Trouble } from "../../ui/Page";
import { EvidenceOfCell } from "./EvidenceOfCell";
import { type Grid, type GridCell, type Standing, useGrid, usePlay, useStopPlaying } from "./gridQueries";

interface Look {
  sign: string;
  word: string;
  ink: string;
}

/** How a cell looks that stands so: its shape says as much as its word and its colour. */
export const LOOKS: Record<Standing, Look> = {
  passed: { sign: "●", word: "passed", ink: "text-verdigris" },
  failed: { sign: "▲", word: "failed", ink: "text-copper font-semibold" },
  stale: { sign: "◐", word: "stale", ink: "text-saffron-ink" },
  open: { sign: "○", word: "to play", ink: "text-soft" },
  "no-order": { sign: "–", word: "no order", ink: "text-soft" },
};

const keyOf = (cell: GridCell) => `${cell.tender} ${cell.outcome}`;

/** Ways across, outcomes down: how every case of the draft stands; one act plays all of them, none touches the shop. */
export function RehearsalGrid() {
  const { data: grid, error } = useGrid();
  const [address, setAddress] = useSearchParams();
  const play = usePlay();
  const stop = useStopPlaying();
  if (error && !grid) return <Trouble>{said(error)}</Trouble>;
  if (!grid) return <OnItsWay />;
  const { progress, counts, waiting } = grid;
  const isPlaying = progress?.over === false;
  const cells = grid.rows.flatMap((row) => row.cells);
  const chosen = cells.find((cell) => keyOf(cell) === address.get("cell"));
  const choose = (cell: GridCell) =>
    setAddress(
      (held) => {
        const after = new URLSearchParams(held);
        after.set("cell", keyOf(cell));
        return after;
      },
      { replace: true },
    );

  if (grid.ways.length === 0)
    return (
      <p className="border-t border-ink pt-3">Nothing is switched on, so there is nothing to rehearse.</p>
    );
  return (
    <section aria-labelledby="grid" className="mb-8">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 mb-2">
        <h2 id="grid" className="text-lg">
          Every way with every outcome
        </h2>
        <p className="text-soft" role="status">
          {isPlaying ? `Playing: ${progress.done} of ${progress.of} cases` : summary(grid)}
        </p>
        <div className="ml-auto flex items-baseline gap-4">
          <a
            className="underline decoration-rule underline-offset-4"
            href={`/api/checkouts/${grid.storefront}/rehearsal/report`}
          >
            Report to print
          </a>
          {isPlaying ? (
            <Button disabled={progress.stopped} onClick={() => stop.mutate()}>
              Stop
            </Button>
          ) : (
            <>
              {waiting.length > 0 && waiting.length < cells.flatMap((cell) => cell.cases).length && (
                <Button look="link" disabled={play.isPending} onClick={() => play.mutate(waiting)}>
                  Play what waits ({waiting.length})
                </Button>
              )}
              <Button look="strong" disabled={play.isPending} onClick={() => play.mutate([])}>
                Play all
              </Button>
            </>
          )}
        </div>
      </div>
      {(play.error ?? stop.error) && <Trouble>{said(play.error ?? stop.error)}</Trouble>}
      {progress?.broke && <Trouble>The last rehearsal broke off. What it had played is kept.</Trouble>}
      <p className="text-soft text-small max-w-3xl mb-2">
        Each cell is played in a copy of your shop, with a clock of its own and the provider played under its
        name: no number of an invoice, no voucher and no order of yours is touched. {counts["no-order"] ?? 0}{" "}
        cases have no order that reaches their way today.
      </p>
      <Table grid={grid} chosen={chosen} onChoose={choose} />
      {chosen && <EvidenceOfCell key={keyOf(chosen)} cell={chosen} isPlaying={isPlaying} />}
    </section>
  );
}

function summary({ counts }: Grid): string {
  const told = (["failed", "stale", "open", "passed"] as const)
    .filter((standing) => counts[standing])
    .map((standing) => `${counts[standing]} ${LOOKS[standing].word}`);
  return told.join(", ");
}

interface TableProps {
  grid: Grid;
  chosen: GridCell | undefined;
  onChoose: (cell: GridCell) => void;
}

function Table({ grid, chosen, onChoose }: TableProps) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls by itself is reached with the keyboard (WCAG 2.1.1)
    <section className="relative overflow-x-auto" aria-label="Cases by way and outcome" tabIndex={0}>
      <table className="min-w-full border-t border-ink">
        <thead>
          <tr className="border-b border-rule align-bottom text-small">
            <th className="sticky left-0 bg-ground text-left font-normal text-soft py-1.5 pr-3 min-w-40">
              The payment ends
            </th>
            {grid.ways.map((way) => (
              <th key={way.tender} scope="col" className="font-semibold text-left px-1.5 min-w-20">
                {way.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {grid.rows.map((row) => (
            <tr key={row.outcome} className="border-b border-rule-soft" data-outcome={row.outcome}>
              <th scope="row" className="sticky left-0 bg-ground text-left font-normal py-0.5 pr-3">
                {row.name}
              </th>
              {grid.ways.map((way) => {
                const cell = row.cells.find(({ tender }) => tender === way.tender);
                return (
                  <td key={way.tender} className="px-0.5">
                    {cell && (
                      <CellButton
                        cell={cell}
                        said={`${way.name}, ${row.name}: ${LOOKS[cell.standing].word}`}
                        isChosen={cell === chosen}
                        onClick={() => onChoose(cell)}
                      />
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

interface ButtonProps {
  cell: GridCell;
  said: string;
  isChosen: boolean;
  onClick: () => void;
}

function CellButton({ cell, said: label, isChosen, onClick }: ButtonProps) {
  const { sign, word, ink } = LOOKS[cell.standing];
  return (
    <button
      type="button"
      aria-label={label}
      aria-pressed={isChosen}
      data-standing={cell.standing}
      onClick={onClick}
      className={`w-full min-h-7 px-1 text-left text-small whitespace-nowrap hover:bg-sheet ${isChosen ? "bg-sheet outline outline-ink -outline-offset-1" : ""} ${ink}`}
    >
      <span aria-hidden>{sign}</span> {word}
    </button>
  );
}
