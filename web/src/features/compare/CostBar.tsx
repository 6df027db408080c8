import { drawn } from "../../lib/money";
import type { Ranked } from "./queries";

type Band = "fee" | "month" | "risk";

const BANDS: Record<string, Band> = {
  "provider-fee": "fee",
  "fee-tax": "fee",
  "monthly-share": "month",
  "shop-software": "month",
};
const LOOKS: Record<Band, string> = { fee: "bg-copper", month: "bar-extra", risk: "bg-copper-mid" };

interface Props {
  entry: Ranked;
  dearest: number;
}

/** A cost as a small stacked bar: fee, month and software, risk and waiting; its whole length is the cost. */
export function CostBar({ entry, dearest }: Props) {
  const lengths: Record<Band, number> = { fee: 0, month: 0, risk: 0 };
  for (const part of entry.parts) {
    lengths[BANDS[part.part] ?? "risk"] += Math.max(drawn(part.amount), 0);
  }
  return (
    <span className="flex h-3" aria-hidden>
      {(["fee", "month", "risk"] as const).map((band) => (
        <span
          key={band}
          className={`h-full ${LOOKS[band]}`}
          style={{ width: `${dearest > 0 ? (100 * lengths[band]) / dearest : 0}%` }}
        />
      ))}
    </span>
  );
}

/** What the bands of the bars are. */
export function CostLegend() {
  return (
    <span className="flex gap-2 whitespace-nowrap">
      {(
        [
          ["fee", "fee"],
          ["month", "month, software"],
          ["risk", "risk, work, waiting"],
        ] as const
      ).map(([band, name]) => (
        <i key={band} className="not-italic flex items-center gap-1">
          <b className={`${LOOKS[band]} size-2.5`} />
          {name}
        </i>
      ))}
    </span>
  );
}
