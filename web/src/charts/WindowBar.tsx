import { Slider } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { grouped } from "../lib/money";
import { type Axis, amountAt, placeOf } from "./axis";

const STEPS = 300;
const SETTLED = 150;
const THUMB = 24;

export type Ink = "offered" | "held" | "waiting" | "off";

const INKS: Record<Ink, string> = {
  offered: "bg-verdigris-wash border-verdigris",
  held: "bg-rule-soft border-soft",
  waiting: "bg-saffron-wash border-saffron",
  off: "bg-transparent border-rule border-dashed",
};

interface Props {
  name: string;
  axis: Axis;
  currency: string;
  low: number | null;
  high: number | null;
  cursor: number | null;
  /** What the method itself carries; beyond it the bar is struck out. */
  carried: { low: number | null; high: number | null };
  ink: Ink;
  onLimits: (low: number | null, high: number | null) => void;
}

/** A tender's amounts as a bar on the ruler; its ends are handles, moved by pointer or arrow keys. */
export function WindowBar({ name, axis, currency, low, high, cursor, carried, ink, onLimits }: Props) {
  const kept = [low === null ? 0 : stepOf(low, axis), high === null ? STEPS : stepOf(high, axis)];
  const [held, setHeld] = useState(kept);
  const [from = 0, to = STEPS] = kept;
  // Several steps in a row are kept as one limit; until then a newer state does not move the handle away.
  const waiting = useRef(0);
  useEffect(() => {
    if (!waiting.current) setHeld([from, to]);
  }, [from, to]);

  function keepSoon(steps: number[]) {
    const [newLow = null, newHigh = null] = amountsOf(steps);
    window.clearTimeout(waiting.current);
    waiting.current = window.setTimeout(() => {
      waiting.current = 0;
      if (newLow !== low || newHigh !== high) onLimits(newLow, newHigh);
    }, SETTLED);
  }

  function amountsOf(steps: number[]): (number | null)[] {
    return steps.map((step, index) => {
      if (step === from && index === 0) return low;
      if (step === to && index === 1) return high;
      if ((index === 0 && step <= 0) || (index === 1 && step >= STEPS)) return null;
      return amountAt(step / STEPS, axis);
    });
  }
  const amounts = amountsOf(held);

  function said(index: number): string {
    const amount = amounts[index] ?? null;
    return amount === null ? "no limit" : `${grouped(String(amount))} ${currency}`;
  }

  return (
    <div className="relative pb-4">
      <Slider.Root
        min={0}
        max={STEPS}
        value={held}
        minStepsBetweenThumbs={2}
        onValueChange={setHeld}
        onValueCommit={keepSoon}
        className="relative flex items-center h-7 touch-none select-none"
      >
        <Slider.Track className="relative h-4 grow before:absolute before:inset-x-0 before:top-1/2 before:h-px before:bg-rule">
          <Slider.Range className={`absolute h-full border-b-2 ${INKS[ink]}`} />
          {carried.low !== null && (
            <span
              className="beyond absolute h-full left-0"
              style={{ width: `${100 * placeOf(carried.low, axis)}%` }}
            />
          )}
          {carried.high !== null && (
            <span
              className="beyond absolute h-full right-0"
              style={{ width: `${100 - 100 * placeOf(carried.high, axis)}%` }}
            />
          )}
        </Slider.Track>
        {["Offered from", "Offered up to"].map((end, index) => (
          <Slider.Thumb
            key={end}
            aria-label={`${name}: ${end.toLowerCase()}`}
            aria-valuetext={said(index)}
            className="group h-6 w-6 grid place-items-center cursor-ew-resize"
          >
            <span
              aria-hidden
              className="relative grid place-items-center"
              style={{ transform: `translateX(${inBounds(held[index] ?? 0)}px)` }}
            >
              <span
                className={`h-5 w-1.5 ${amounts[index] == null ? "bg-rule group-hover:bg-soft" : "bg-ink"} group-focus-visible:bg-ink`}
              />
              {amounts[index] != null && (
                <span className="absolute top-5 text-small whitespace-nowrap">
                  {grouped(String(amounts[index]))}
                </span>
              )}
            </span>
          </Slider.Thumb>
        ))}
      </Slider.Root>
      {cursor !== null && (
        <span
          className={`absolute top-0 h-7 border-l-[1.5px] pointer-events-none ${ink === "offered" ? "border-ink" : "border-soft border-dotted"}`}
          style={{ left: `${100 * placeOf(cursor, axis)}%` }}
          aria-hidden
        />
      )}
    </div>
  );
}

function stepOf(amount: number, axis: Axis): number {
  return Math.round(placeOf(amount, axis) * STEPS);
}

/** The slider keeps the whole of a thumb on its track; the mark itself stands exactly at its amount. */
function inBounds(step: number): number {
  return -(THUMB / 2) * (1 - (2 * step) / STEPS);
}
