import type { Schema } from "../../api/client";
import { type axisFor, placeOf } from "../../charts";
import { drawn, shown } from "../../lib/money";

interface Props {
  stretches: Schema<"WaysAt">[];
  axis: ReturnType<typeof axisFor>;
  alone: string;
}

// The more ways there are, the stronger; one alone and none are told by shape as well.
const INKS = ["hatch", "bg-saffron-wash border-b-2 border-saffron", "bg-verdigris-wash"];

/** How many ways to pay there are at each amount, all else as in the sentence. */
export function Stretches({ stretches, axis, alone }: Props) {
  return (
    <section aria-label="How many ways at each amount" className="mt-3">
      <div className="grid grid-cols-[1.25rem_minmax(0,2fr)_3.75rem_minmax(0,3fr)] lg:grid-cols-[1.25rem_minmax(0,19rem)_3.75rem_minmax(0,1fr)] gap-x-2">
        <span />
        <span className="text-small text-soft">
          How many ways at each amount, all else as in the sentence
        </span>
        <span />
        <ol className="relative h-5 text-small font-semibold">
          {stretches.map((stretch) => {
            const left = placeOf(drawn(stretch.from), axis);
            const right = stretch.below ? placeOf(drawn(stretch.below), axis) : 1;
            if (right <= left) return null;
            return (
              <li
                key={stretch.from}
                className={`absolute h-5 text-center overflow-hidden border-l border-paper ${INKS[Math.min(stretch.tenders.length, 2)]}`}
                style={{ left: `${100 * left}%`, width: `${100 * (right - left)}%` }}
                title={stretch.tenders.join(", ")}
              >
                <span className="sr-only">from {shown(stretch.from)}: </span>
                {stretch.tenders.length}
              </li>
            );
          })}
        </ol>
      </div>
      {alone && <p className="mt-1 text-saffron-ink">{alone}</p>}
    </section>
  );
}
