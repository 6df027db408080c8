import { Slider } from "radix-ui";
import { useEffect, useState } from "react";
import { grouped } from "../lib/money";
import { type Axis, amountAt, placeOf } from "./axis";

const STEPS = 300;

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
  cursor: number;
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
  useEffect(() => setHeld([from, to]), [from, to]);

  const amounts = held.map((step, index) => {
    if (step === from && index === 0) return low;
    if (step === to && index === 1) return high;
    if ((index === 0 && step <= 0) || (index === 1 && step >= STEPS)) return null;
    return amountAt(step / STEPS, axis);
  });

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
        onValueCommit={(steps) => {
          if (steps[0] !== from || steps[1] !== to) onLimits(amounts[0] ?? null, amounts[1] ?? null);
        }}
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
            className={`block h-5 w-1.5 cursor-ew-resize ${amounts[index] == null ? "bg-rule hover:bg-soft" : "bg-ink"} focus-visible:bg-ink`}
          >
            {amounts[index] != null && (
              <span
                className="absolute top-5 left-1/2 -translate-x-1/2 text-small whitespace-nowrap"
                aria-hidden
              >
                {grouped(String(amounts[index]))}
              </span>
            )}
          </Slider.Thumb>
        ))}
      </Slider.Root>
      <span
        className={`absolute top-0 h-7 border-l-[1.5px] pointer-events-none ${ink === "offered" ? "border-ink" : "border-soft border-dotted"}`}
        style={{ left: `${100 * placeOf(cursor, axis)}%` }}
        aria-hidden
      />
    </div>
  );
}

function stepOf(amount: number, axis: Axis): number {
  return Math.round(placeOf(amount, axis) * STEPS);
}
