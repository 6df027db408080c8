import { grouped } from "../lib/money";
import { type Axis, placeOf } from "./axis";

/** The head of the amount ruler: its ticks. */
export function RulerTicks({ axis }: { axis: Axis }) {
  return (
    <span className="relative block h-4 text-small text-soft" aria-hidden>
      {axis.ticks.map((tick) => (
        <span
          key={tick}
          className={`absolute ${String(tick).startsWith("2") ? "max-lg:hidden" : ""} ${String(tick).startsWith("1") ? "max-sm:hidden" : ""} ${tick === axis.to ? "-translate-x-full" : "-translate-x-1/2"}`}
          style={{ left: `${100 * placeOf(tick, axis)}%` }}
        >
          {grouped(String(tick))}
        </span>
      ))}
    </span>
  );
}
