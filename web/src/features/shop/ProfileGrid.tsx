import { partsOf } from "../../lib/money";
import { TextField } from "../../ui/TextField";
import type { Cell, Profile } from "./monthQueries";
import type { Shop } from "./queries";

interface Props {
  shop: Shop;
  profile: Profile;
  names: Map<string, string>;
  save: (change: (profile: Profile) => Profile) => Promise<unknown>;
}

/** Orders a month by line and market, with how their amounts spread, and the cards that buyers hold. */
export function ProfileGrid({ shop, profile, names, save }: Props) {
  const cellOf = (line: string, market: string) =>
    profile.cells?.find((cell) => cell.line === line && cell.market === market);
  const sum = (cells: (Cell | undefined)[]) =>
    Math.round(cells.reduce((total, cell) => total + Number(cell?.orders ?? 0), 0) * 100) / 100;

  const edit = (line: Shop["lines"][number], market: Shop["markets"][number], part: Partial<Cell>) =>
    save((before) => {
      const held = before.cells?.find((cell) => cell.line === line.id && cell.market === market.id);
      const fresh: Cell = {
        line: line.id,
        market: market.id,
        orders: "0",
        usual: usualIn(line.usual_amount, market.currency),
      };
      const next = { ...(held ?? fresh), ...part };
      const rest = (before.cells ?? []).filter((cell) => cell !== held);
      // A cell without orders and without a spread of its own says nothing.
      return { ...before, cells: Number(next.orders) === 0 && !held ? rest : [...rest, next] };
    });

  return (
    <table className="w-full">
      <thead>
        <tr className="border-b border-ink text-small text-soft text-left align-bottom">
          <th className="font-normal">Line</th>
          {shop.markets.map((market) => (
            <th key={market.id} className="font-normal text-right">
              {names.get(market.country) ?? market.country}, {market.currency}
            </th>
          ))}
          <th className="font-normal text-right pl-3">together</th>
        </tr>
      </thead>
      <tbody>
        {shop.lines.map((line) => (
          <tr key={line.id} className="border-b border-rule-soft align-top">
            <th scope="row" className="text-left font-semibold pt-1.5 pr-3">
              {line.name}
            </th>
            {shop.markets.map((market) => {
              const cell = cellOf(line.id, market.id);
              const where = `${line.name}, ${names.get(market.country) ?? market.country}`;
              return (
                <td key={market.id} className="pl-3 py-0.5">
                  <TextField
                    cell
                    align="right"
                    label={`Orders a month: ${where}`}
                    hideLabel
                    inputMode="decimal"
                    value={cell?.orders ?? ""}
                    save={(orders) => edit(line, market, { orders: orders || "0" })}
                  />
                  {cell && (
                    <div className="text-soft text-small -mt-1.5">
                      <TextField
                        cell
                        align="right"
                        label={`Amounts: ${where}`}
                        hideLabel
                        value={spreadText(cell)}
                        save={(text) => edit(line, market, spreadOf(text, market.currency))}
                      />
                    </div>
                  )}
                </td>
              );
            })}
            <td className="text-right pt-2 pl-3">
              {sum(shop.markets.map((market) => cellOf(line.id, market.id)))}
            </td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr className="border-t border-ink text-right">
          <th scope="row" className="text-left font-normal text-soft py-1.5">
            Together
          </th>
          {shop.markets.map((market) => (
            <td key={market.id}>{sum(shop.lines.map((line) => cellOf(line.id, market.id)))}</td>
          ))}
          <td className="font-semibold">
            {sum(shop.lines.flatMap((line) => shop.markets.map((market) => cellOf(line.id, market.id))))}
          </td>
        </tr>
      </tfoot>
    </table>
  );
}

/** Low, usual and high amount as they are typed: `45 85 170`, or one amount alone. */
function spreadText(cell: Cell): string {
  const amounts = cell.low && cell.high ? [cell.low, cell.usual, cell.high] : [cell.usual];
  return amounts.map((money) => partsOf(money).amount.replace(/\.00$/, "")).join(" ");
}

/** Tells what was typed as a spread; three amounts are low, usual and high, and anything else is the usual one. */
function spreadOf(text: string, currency: string): Partial<Cell> {
  const amounts = text.split(/\s+/).filter(Boolean);
  if (amounts.length === 3) {
    const [low, usual, high] = amounts.map((amount) => `${amount} ${currency}`);
    return { low: low ?? null, usual: usual ?? "", high: high ?? null };
  }
  return { low: null, usual: `${text} ${currency}`, high: null };
}

/** The usual amount of a line as a first guess in another currency: the same number. */
function usualIn(money: string, currency: string): string {
  return `${partsOf(money).amount} ${currency}`;
}
