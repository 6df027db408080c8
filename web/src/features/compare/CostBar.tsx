import type { Ranked } from "./queries";

const LOOKS = { fee: "bg-copper", month: "bar-extra", risk: "bg-copper-mid" } as const;

interface Props {
  entry: Ranked;
  dearest: number;
}

/** A cost as a small stacked bar: fee, month and software, risk and waiting; its whole length is the cost. */
export function CostBar({ entry, dearest }: Props) {
  const { fee, month, risk } = entry.bands;
  const ends = [Number(fee), Number(fee) + Number(month), Number(fee) + Number(month) + Number(risk)];
  const backgroundSize = ends
    .map((end) => `${dearest > 0 ? (100 * Math.max(end, 0)) / dearest : 0}% 100%`)
    .join();
  return <span className="cost-bar block h-3" aria-hidden style={{ backgroundSize }} />;
}

/** Tells what the bands of the bars are. */
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
