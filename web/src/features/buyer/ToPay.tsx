import type { Schema } from "../../api/client";

/** Tells what a buyer needs to pay: labels with values, and a code that a banking app or a counter reads. */
export function ToPay({ paper, words }: { paper: Schema<"ToPayWith">; words: Schema<"BuyerWords"> }) {
  return (
    <section aria-labelledby="to-pay-with" className="mb-6 border-y border-ink py-3">
      <h2 id="to-pay-with" className="font-sans font-semibold mb-2">
        {paper.title}
      </h2>
      <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-4 gap-y-1">
        {paper.lines.map((line) => (
          <div key={line.label} className="contents">
            <dt className="text-soft">{line.label}</dt>
            <dd className="font-medium tabular-nums break-words select-all">{line.value}</dd>
          </div>
        ))}
      </dl>
      {paper.code && (
        <figure className="mt-3">
          <img src={paper.code} alt={words.paper_qr} className="w-48 h-48 bg-white" />
          <figcaption className="text-small text-soft mt-1">{words.paper_qr_text}</figcaption>
        </figure>
      )}
      {paper.bars && <img src={paper.bars} alt="" className="mt-3 max-w-full bg-white" />}
    </section>
  );
}
