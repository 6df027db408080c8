import type { Block } from "./queries";

/** The grid as a table: one row for each cell. */
export function CoverageTable({ blocks }: { blocks: Block[] }) {
  return (
    <table className="w-full text-small border-t border-ink">
      <caption className="sr-only">Ways to pay for every line in every market</caption>
      <thead>
        <tr className="text-left text-soft">
          <th className="font-normal py-1">Market</th>
          <th className="font-normal">Line</th>
          <th className="font-normal">Amounts and ways to pay</th>
          <th className="font-normal text-right">Least</th>
          <th className="font-normal text-right">Most</th>
        </tr>
      </thead>
      <tbody>
        {blocks.flatMap((block) =>
          block.rows.flatMap((row) =>
            row.cells.map((cell) => (
              <tr
                key={`${block.markets[0]} ${row.lines.join("+")} ${cell.first}`}
                className="border-t border-rule-soft"
              >
                <td className="py-0.5 pr-3">
                  {block.name}, {block.currency}
                </td>
                <td className="pr-3">{row.name}</td>
                <td className={`pr-3 ${cell.least === 0 ? "text-copper font-medium" : ""}`}>{cell.said}</td>
                <td className="text-right">{cell.least}</td>
                <td className="text-right">{cell.most}</td>
              </tr>
            )),
          ),
        )}
      </tbody>
    </table>
  );
}
