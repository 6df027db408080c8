import { shown } from "../../lib/money";
import type { Ranked } from "./queries";

/** How a fee came about: the rate and what it asks, every part with its formula, and the one rounding. */
export function Derivation({ entry }: { entry: Ranked }) {
  return (
    <div className="bg-sheet border-t border-rule-soft ml-9 px-4 py-3 mb-2">
      <p>
        {entry.rate}. <span className="text-soft">It fits: {entry.conditions}.</span>
      </p>
      <table className="my-2">
        <caption className="sr-only">Parts of the fee</caption>
        <thead className="sr-only">
          <tr>
            <th>Part</th>
            <th>How</th>
            <th>Exactly</th>
            <th>Share of the rounded fee</th>
          </tr>
        </thead>
        <tbody>
          {entry.parts.map((part) => (
            <tr key={part.label}>
              <th scope="row" className="text-left font-normal text-soft pr-6 py-0.5">
                {part.label}
              </th>
              <td className="pr-6">{part.formula}</td>
              <td className="text-right pr-6 text-soft">{part.exact}</td>
              <td className="text-right font-medium">{shown(part.amount)}</td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr className="border-t border-rule">
            <th scope="row" colSpan={3} className="text-left font-normal text-soft py-0.5">
              Rounded once
            </th>
            <td className="text-right font-semibold">{shown(entry.charged)}</td>
          </tr>
        </tfoot>
      </table>
      {entry.steps.map((step) => (
        <p key={step} className="text-soft">
          {step}
        </p>
      ))}
    </div>
  );
}
