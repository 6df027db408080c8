import type { Schema } from "../../api/client";

interface Props {
  /** The name of the shop as a title above; left out where the page has it already. */
  shop?: string;
  lines: Schema<"OrderLineOut">[];
  as?: "h1" | "h2";
}

const LOOKS = { line: "", part: "text-soft", total: "border-t border-ink pt-1 font-semibold" };

/** Tells what a buyer is about to pay for, or has paid. */
export function OrderLines({ shop, lines, as: Title = "h2" }: Props) {
  return (
    <>
      {shop && <Title className="text-xl mb-1">{shop}</Title>}
      <dl className="grid grid-cols-[minmax(0,1fr)_auto] gap-y-1 mb-4">
        {lines.map((line) => (
          <div key={`${line.look} ${line.label}`} className="contents">
            <dt className={LOOKS[line.look]}>{line.label}</dt>
            <dd className={`text-right whitespace-nowrap pl-3 ${LOOKS[line.look]}`}>{line.amount}</dd>
          </div>
        ))}
      </dl>
    </>
  );
}
