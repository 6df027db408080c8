import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import type { BuyersOf, Family } from "./buyersQueries";

/** From which shares on a segment has room for its name, and for its share and an end to drag. */
const NAMED = 24;
const TOLD = 12;
const STEPS: Record<string, number> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 };
/** Segments of the bar, told apart by dash and name as well as by tone. */
const TONES = [
  "bg-verdigris-wash border-solid border-verdigris",
  "bg-rule-soft border-dashed border-curve-1",
  "bg-copper-wash border-dotted border-copper",
  "bg-saffron-wash border-dashed border-saffron",
  "bg-rule border-dotted border-soft",
];

interface Props {
  of: BuyersOf;
  here: string;
  /** Types a share; the others follow. */
  onShare: (family: Family, share: string) => void;
}

interface Dragged {
  family: Family;
  share: number;
}

/** A bar of first choices; the end of each segment is dragged, or moved with the arrow keys by one percent. */
export function ShareBar({ of, here, onShare }: Props) {
  const bar = useRef<HTMLDivElement>(null);
  const begun = useRef<{ x: number; share: number } | null>(null);
  const [dragged, setDragged] = useState<Dragged | null>(null);
  const held = of.families.filter((entry) => Number(entry.share) > 0);
  const old = dragged ? Number(held.find((entry) => entry.family === dragged.family)?.share ?? 0) : 0;
  // While one segment is dragged the others are drawn as they will follow; what they become the server says.
  const drawn = (family: Family, share: number) =>
    dragged === null
      ? share
      : family === dragged.family
        ? dragged.share
        : old < 100
          ? (share * (100 - dragged.share)) / (100 - old)
          : 0;

  function move(event: PointerEvent, family: Family) {
    const width = bar.current?.getBoundingClientRect().width ?? 1;
    if (!begun.current) return;
    const moved = begun.current.share + ((event.clientX - begun.current.x) / width) * 100;
    setDragged({ family, share: Math.round(Math.min(Math.max(moved, 0), 100)) });
  }
  function drop() {
    if (dragged && begun.current && dragged.share !== begun.current.share)
      onShare(dragged.family, String(dragged.share));
    begun.current = null;
    setDragged(null);
  }
  function step(event: KeyboardEvent, family: Family, share: number) {
    const by = STEPS[event.key];
    if (by === undefined) return;
    event.preventDefault();
    onShare(family, String(Math.min(Math.max(Math.round(share) + by, 0), 100)));
  }

  return (
    <div ref={bar} className="flex h-11 my-3">
      {held.map((entry, place) => {
        const share = Number(entry.share);
        return (
          <div
            key={entry.family}
            className={`relative border min-w-0 ${TONES[place % TONES.length]}`}
            style={{ width: `${drawn(entry.family, share)}%` }}
          >
            <div className="px-2 h-full overflow-hidden leading-tight py-0.5 flex flex-col justify-center">
              {share >= NAMED && <strong className="block truncate font-semibold">{entry.name}</strong>}
              {share >= TOLD && (
                <span className="whitespace-nowrap">
                  {dragged?.family === entry.family ? dragged.share : entry.share} %
                </span>
              )}
            </div>
            {held.length > 1 && share >= TOLD && (
              <div
                role="slider"
                tabIndex={0}
                aria-label={`Share of ${entry.name} in the bar${here}`}
                aria-valuemin={0}
                aria-valuemax={100}
                aria-valuenow={share}
                aria-valuetext={`${entry.share} %`}
                className="absolute inset-y-0 -right-3 w-6 cursor-ew-resize touch-none z-10"
                onKeyDown={(event) => step(event, entry.family, share)}
                onPointerDown={(event) => {
                  event.currentTarget.setPointerCapture(event.pointerId);
                  begun.current = { x: event.clientX, share };
                }}
                onPointerMove={(event) => move(event, entry.family)}
                onPointerUp={drop}
                onPointerCancel={() => {
                  begun.current = null;
                  setDragged(null);
                }}
              />
            )}
          </div>
        );
      })}
    </div>
  );
}
