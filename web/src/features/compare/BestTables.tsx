import { shown } from "../../lib/money";
import type { Best } from "./bestQueries";

const amount = (money: string) => shown(money).split(" ")[0] ?? "";
const isLess = (money: string) => money.startsWith("-");

/** The ways of the set, each with what is left less without it. */
export function Inside({ data }: { data: Best }) {
  const margins = data.best?.left !== null;
  return (
    <table className="w-full" aria-label="Ways in the set">
      <thead>
        <tr className="border-b border-ink text-small text-soft text-right">
          <th className="font-normal text-left">In it</th>
          <th className="font-normal">orders a month</th>
          <th className="font-normal">cost, {data.currency}</th>
          <th className="font-normal">without it</th>
        </tr>
      </thead>
      <tbody>
        {data.inside.map((way) => (
          <tr key={way.method} className="border-b border-rule-soft text-right">
            <th scope="row" className="text-left font-normal py-1.5">
              <strong className="font-semibold">{way.method_name}</strong>{" "}
              <span className="text-soft">{way.by || "your own"}</span>
            </th>
            <td>{way.orders}</td>
            <td>{amount(way.cost)}</td>
            <td>{margins ? `leaves ${amount(way.without)} less` : `carries ${way.orders_without} less`}</td>
          </tr>
        ))}
        {data.best && data.best.lost !== "0" && (
          <tr className="border-b border-rule-soft text-right">
            <th scope="row" className="text-left font-normal text-soft py-1.5">
              no way that they take
            </th>
            <td>{data.best.lost}</td>
            <td />
            <td className="text-copper">{data.lost_margin && `${amount(data.lost_margin)} lost`}</td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

/** The ways that are out, each with what would bring it in. */
export function Outside({ data }: { data: Best }) {
  const margins = data.best?.left !== null;
  if (data.outside.length === 0) return null;
  return (
    <section aria-labelledby="outside" className="mt-6">
      <h2 id="outside" className="text-lg">
        Left out, and what would bring them in
      </h2>
      <table className="w-full">
        <thead>
          <tr className="border-b border-ink text-small text-soft text-left">
            <th className="font-normal">Way</th>
            <th className="font-normal">with it</th>
            <th className="font-normal text-right">pays for itself</th>
          </tr>
        </thead>
        <tbody>
          {data.outside.map((way) => (
            <tr key={way.method} className="border-b border-rule-soft">
              <th scope="row" className="text-left font-normal py-1.5 pr-4">
                <strong className="font-semibold">{way.method_name}</strong>{" "}
                <span className="text-soft">{way.by || "your own"}</span>
              </th>
              <td className="pr-4">
                {margins
                  ? isLess(way.changes)
                    ? `leaves ${amount(way.changes.slice(1))} less`
                    : "leaves no more"
                  : `costs ${amount(way.changes.replace("-", ""))} more`}
                {way.more_orders === "0"
                  ? "; no order that is not carried already"
                  : `; ${way.more_orders} orders more`}
              </td>
              <td className="text-right whitespace-nowrap">
                {way.pays_from === null
                  ? "not known"
                  : way.pays_from === "0"
                    ? "from the first who insists on it"
                    : `from ${way.pays_from} % who insist on it`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
