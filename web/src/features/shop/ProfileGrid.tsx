import { partsOf } from "../../lib/money";
import { TextField } from "../../ui/TextField";
import { useNear } from "../../ui/useNear";
import type { Cell, Profile } from "./monthQueries";
import type { Shop } from "./queries";

type Line = Shop["lines"][number];
type Market = Shop["markets"][number];

interface Props {
  shop: Shop;
  profile: Profile;
  names: Map<string, string>;
  save: (change: (profile: Profile) => Profile) => Promise<unknown>;
}

/** So many lines are drawn at once, the others when they are near; about how high one is, in pixels. */
const AT_ONCE = 15;
const ROW = 36;
const HELD = "sticky left-0 bg-ground text-left pr-3 min-w-36";

const keyOf = (line: string, market: string) => `${line} ${market}`;
const sum = (cells: Iterable<Cell | undefined>) => {
  let total = 0;
  for (const cell of cells) total += Number(cell?.orders ?? 0);
  return Math.round(total * 100) / 100;
};

/**
 * Orders a month by line and market, with how their amounts spread, and the cards that buyers hold.
 *
 * With many markets it scrolls inside itself, and the names of the lines stay in sight.
 */
export function ProfileGrid({ shop, profile, names, save }: Props) {
  const cells = new Map(profile.cells?.map((cell) => [keyOf(cell.line, cell.market), cell]));
  const of = (line: string, market: string) => cells.get(keyOf(line, market));
  const told = (market: Market) => names.get(market.country) ?? market.country;
  return (
    <section
      className="relative overflow-x-auto"
      aria-label="Orders a month by line and market"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls by itself is reached with the keyboard (WCAG 2.1.1)
      tabIndex={0}
    >
      <table className="min-w-full">
        <thead>
          <tr className="border-b border-ink text-small text-soft text-left align-bottom">
            <th className={`font-normal ${HELD}`}>Line</th>
            {shop.markets.map((market) => (
              <th key={market.id} className="font-normal text-right pl-3 min-w-22">
                {told(market)}, {market.currency}
              </th>
            ))}
            <th className="font-normal text-right pl-3">together</th>
          </tr>
        </thead>
        <tbody>
          {shop.lines.map((line, place) => (
            <LineRow
              key={line.id}
              line={line}
              markets={shop.markets}
              told={told}
              of={of}
              save={save}
              atOnce={place < AT_ONCE}
            />
          ))}
        </tbody>
        <tfoot>
          <tr className="border-t border-ink text-right">
            <th scope="row" className={`font-normal text-soft py-1.5 ${HELD}`}>
              Together
            </th>
            {shop.markets.map((market) => (
              <td key={market.id}>{sum(shop.lines.map((line) => of(line.id, market.id)))}</td>
            ))}
            <td className="font-semibold">{sum(cells.values())}</td>
          </tr>
        </tfoot>
      </table>
    </section>
  );
}

interface RowProps {
  line: Line;
  markets: Market[];
  told: (market: Market) => string;
  of: (line: string, market: string) => Cell | undefined;
  save: Props["save"];
  atOnce: boolean;
}

function LineRow({ line, markets, told, of, save, atOnce }: RowProps) {
  const { ref, near } = useNear(atOnce);
  const edit = (market: Market, part: Partial<Cell>) =>
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
    <tr ref={ref} className="border-b border-rule-soft align-top" style={{ height: near ? undefined : ROW }}>
      <th scope="row" className={`font-semibold pt-1.5 ${HELD}`}>
        {line.name}
      </th>
      {!near && <td colSpan={markets.length} />}
      {near &&
        markets.map((market) => {
          const cell = of(line.id, market.id);
          const where = `${line.name}, ${told(market)}`;
          return (
            <td key={market.id} className="pl-3 py-0.5">
              <TextField
                cell
                align="right"
                label={`Orders a month: ${where}`}
                hideLabel
                inputMode="decimal"
                value={cell?.orders ?? ""}
                save={(orders) => edit(market, { orders: orders || "0" })}
              />
              {cell && (
                <div className="text-soft text-small -mt-1.5">
                  <TextField
                    cell
                    align="right"
                    label={`Amounts: ${where}`}
                    hideLabel
                    value={spreadText(cell)}
                    save={(text) => edit(market, spreadOf(text, market.currency))}
                  />
                </div>
              )}
            </td>
          );
        })}
      <td className="text-right pt-2 pl-3">{sum(markets.map((market) => of(line.id, market.id)))}</td>
    </tr>
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
