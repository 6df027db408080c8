import { drawn } from "../../lib/money";
import type { Ranked } from "./queries";

interface Props {
  entry: Ranked;
  dearest: number;
}

/** A fee as a small stacked bar; its whole length is the fee, against the dearest route's. */
export function FeeBar({ entry, dearest }: Props) {
  const length = dearest > 0 ? (100 * drawn(entry.fee)) / dearest : 0;
  const limited = entry.parts.some((part) => drawn(part.amount) < 0);
  return (
    <span className="flex h-3 self-center" aria-hidden>
      <span className="flex h-full" style={{ width: `${Math.max(length, 1)}%` }}>
        {limited ? (
          <span className="bar-adjustment h-full w-full" />
        ) : (
          entry.parts.map((part) => (
            <span
              key={part.label}
              className={`h-full ${part.label.startsWith("Rate") ? `bar-${part.kind}` : "bar-extra"}`}
              style={{ width: `${part.share}%` }}
            />
          ))
        )}
      </span>
    </span>
  );
}
