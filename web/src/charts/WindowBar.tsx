import { Slider } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { grouped } from "../lib/money";
import { type Axis, amountAt, placeOf } from "./axis";

const STEPS = 300;
const SETTLED = 150;
const THUMB = 24;
// How near a handle must come to a break-even, in steps of the ruler, to be caught by it.
const CATCH = 3;
// Beyond this part of the ruler, what is told of a handle stands to its left.
const SIDE = 0.5;

/** An amount at which a handle is caught, and what lies there. */
export interface Catch {
  amount: number;
  said: string;
}

export type Ink = "offered" | "held" | "waiting" | "off";

const INKS: Record<Ink, string> = {
  offered: "bg-verdigris-wash border-verdigris",
  held: "bg-rule-soft border-soft",
  waiting: "bg-saffron-wash border-saffron",
  off: "bg-transparent border-rule border-dashed",
};

interface Limits {
  low: number | null;
  high: number | null;
}

interface Props {
  name: string;
  axis: Axis;
  currency: string;
  low: number | null;
  high: number | null;
  cursor: number | null;
  /** Tells what the method itself carries; beyond it the bar is struck out. */
  carried: { low: number | null; high: number | null };
  ink: Ink;
  /** Amounts at which the handles are caught: where another way costs the same. */
  catches: Catch[];
  /** Tells what the lower and the upper limit do over a month. */
  told: { low: string; high: string };
  /**
   * Keep new limits; the answer is whether they were kept. `met`: the upper end was caught, so that what begins there
   * can begin exactly where this ends.
   */
  onLimits: (low: number | null, high: number | null, met: boolean) => Promise<boolean>;
}

/** A tender's amounts as a bar on the ruler; its ends are handles, moved by pointer or arrow keys. */
export function WindowBar(props: Props) {
  const { name, axis, currency, low, high, cursor, carried, ink, catches, told, onLimits } = props;
  const [from, to] = stepsOf({ low, high }, axis);
  const [held, setHeld] = useState([from, to]);
  // Several steps in a row are kept as one limit. Until that is kept, an older limit that comes back meanwhile does not
  // move the handle away.
  const waiting = useRef(0);
  const sent = useRef<Limits | null>(null);
  const kept = useRef<Limits>({ low, high });
  kept.current = { low, high };
  useEffect(() => {
    if (!waiting.current && !sent.current) setHeld([from, to]);
  }, [from, to]);

  function keepSoon(steps: number[]) {
    const [newLow = null, newHigh = null] = amountsOf(steps);
    window.clearTimeout(waiting.current);
    waiting.current = window.setTimeout(() => {
      waiting.current = 0;
      const before = sent.current ?? kept.current;
      if (newLow !== before.low || newHigh !== before.high)
        void keep(newLow, newHigh, newHigh !== before.high);
    }, SETTLED);
  }

  async function keep(newLow: number | null, newHigh: number | null, highMoved: boolean) {
    const limits = { low: newLow, high: newHigh };
    sent.current = limits;
    const met = highMoved && catches.some((entry) => entry.amount === newHigh);
    const wasKept = await onLimits(newLow, newHigh, met);
    if (sent.current !== limits) return;
    sent.current = null;
    if (!waiting.current) setHeld(stepsOf(wasKept ? limits : kept.current, axis));
  }

  function amountsOf(steps: number[]): (number | null)[] {
    return steps.map((step, index) => {
      if (step === from && index === 0) return low;
      if (step === to && index === 1) return high;
      if ((index === 0 && step <= 0) || (index === 1 && step >= STEPS)) return null;
      return caughtAt(step)?.amount ?? amountAt(step / STEPS, axis);
    });
  }

  function caughtAt(step: number): Catch | undefined {
    const near = catches
      .map((entry) => ({ entry, apart: Math.abs(stepOf(entry.amount, axis) - step) }))
      .filter(({ apart }) => apart <= CATCH);
    return near.sort((one, other) => one.apart - other.apart)[0]?.entry;
  }
  const amounts = amountsOf(held);

  function said(index: number): string {
    const amount = amounts[index] ?? null;
    if (amount === null) return "no limit";
    const caught = catches.find((entry) => entry.amount === amount)?.said;
    const month = index === 0 ? told.low : told.high;
    return [`${grouped(String(amount))} ${currency}`, caught, month].filter(Boolean).join(", ");
  }

  return (
    <div className={`relative ${told.low || told.high ? "pb-4 lg:pb-8" : "pb-4"}`}>
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
        {catches.map(({ amount, said }) => (
          <span
            key={`${amount}${said}`}
            title={said}
            aria-hidden
            className="absolute top-0 h-1.5 border-l border-soft"
            style={{ left: `${100 * placeOf(amount, axis)}%` }}
          />
        ))}
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
              {(index === 0 ? told.low : told.high) && (
                <span
                  className={`max-lg:hidden absolute top-9 text-small text-soft whitespace-nowrap ${(held[index] ?? 0) < SIDE * STEPS ? "left-0" : "right-0"}`}
                >
                  {index === 0 ? told.low : told.high}
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
      {/* Where there is no room beside the handles. */}
      {(told.low || told.high) && (
        <p className="lg:hidden pt-4 text-small text-soft" aria-hidden>
          {[told.low, told.high].filter(Boolean).join("; ")}
        </p>
      )}
    </div>
  );
}

function stepsOf({ low, high }: Limits, axis: Axis): [number, number] {
  return [low === null ? 0 : stepOf(low, axis), high === null ? STEPS : stepOf(high, axis)];
}

function stepOf(amount: number, axis: Axis): number {
  return Math.round(placeOf(amount, axis) * STEPS);
}

/** The slider keeps the whole of a thumb on its track; the mark itself stands exactly at its amount. */
function inBounds(step: number): number {
  return -(THUMB / 2) * (1 - (2 * step) / STEPS);
}
