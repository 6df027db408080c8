import { Link } from "react-router";
import { shown } from "../../lib/money";
import { day } from "../../lib/time";
import type { Best } from "./bestQueries";

/** A number with its word. */
export function count(number: number, word: string): string {
  return `${number} ${number === 1 ? word : `${word}s`}`;
}

/** The accounts that the set needs, what changing takes, and the best with one account less and one more. */
export function Accounts({ data, search }: { data: Best; search: string }) {
  const others = [data.one_less, data.one_more].filter((month) => month !== null);
  return (
    <aside aria-label="What changing takes" className="lg:border-l border-rule lg:pl-6">
      <h2 className="text-lg border-b border-ink mb-1">Accounts that it needs</h2>
      <table className="w-full">
        <tbody>
          {data.accounts.map((account) => (
            <tr key={account.provider} className="border-b border-rule-soft">
              <th scope="row" className="text-left font-normal py-1">
                <Link
                  to={`/accounts/${account.provider}${search}`}
                  className="underline decoration-rule underline-offset-4 hover:decoration-ink"
                >
                  {account.name}
                </Link>
              </th>
              <td className={`text-right ${account.held ? "text-soft" : "text-copper font-medium"}`}>
                {account.held
                  ? "held"
                  : !account.days
                    ? "to be opened"
                    : `to be opened, about ${count(account.days, "day")}`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {data.changing && <Changing data={data} changing={data.changing} />}
      {others.map((month) => (
        <p key={month.accounts} className="mt-3">
          With {count(month.accounts, "account")}:{" "}
          {month.left !== null
            ? `${shown(month.left)} left`
            : `${month.carried} orders for ${shown(month.cost)}`}
          {month.ways.length > 0 && `, by ${month.ways.join(", ")}`}.
        </p>
      ))}
      <p className="text-small text-soft mt-3">
        The checkout as it stands is counted with its limits, conditions and accounts. What buyers choose is{" "}
        <Link to={`/shop/buyers${search}`} className="underline underline-offset-4">
          typed, read or guessed under Shop
        </Link>
        .
      </p>
    </aside>
  );
}

type ChangingProps = { data: Best; changing: NonNullable<Best["changing"]> };

/** Says what changing brings in a year and takes: fees, days, contracts that still run, details that are lost. */
export function Changing({ data, changing }: ChangingProps) {
  const { left, days, fees, fees_known, costs_now, a_year } = changing;
  const after = [
    fees && shown(fees),
    !fees_known && "a fee in a currency without a reference rate",
    days > 0 && `about ${count(days, "day")}`,
  ].filter(Boolean);
  return (
    <>
      {data.better && a_year && (
        <p className="mt-3 font-semibold">
          {costs_now && `You pay ${shown(costs_now)} a month now. `}
          The set leaves {shown(data.better)} more a month, {shown(a_year)} a year
          {after.length > 0 && `, after ${after.join(" and ")}`}.
        </p>
      )}
      {left.length > 0 && (
        <>
          <h3 className="font-semibold mt-3">Accounts that it does not need</h3>
          <ul>
            {left.map((account) => (
              <li key={account.provider} className="border-b border-rule-soft py-1">
                {account.name}
                <span className="text-soft">
                  {account.ends && `; ends on ${day(account.ends)} at the earliest`}
                  {account.exit_fee && `; ${shown(account.exit_fee)} to leave`}
                  {account.saved_details && `; details of ${account.saved_details} buyers are lost`}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}
