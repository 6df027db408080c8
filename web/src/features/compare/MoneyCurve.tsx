import type { Schema } from "../../api/client";
import { drawn, shown } from "../../lib/money";
import { day } from "../../lib/time";

const WIDTH = 640;
const HEIGHT = 130;

/** Money in the account as payouts bring it, day by day; a table of every day beside it. */
export function MoneyCurve({ money }: { money: Schema<"MoneyOut"> }) {
  const amounts = money.days.map((entry) => drawn(entry.amount));
  const most = Math.max(...amounts, 1);
  const least = Math.min(...amounts, 0);
  const x = (place: number) => (place / Math.max(money.days.length - 1, 1)) * WIDTH;
  const y = (amount: number) => HEIGHT - ((amount - least) / (most - least)) * HEIGHT;
  const path = amounts.map((amount, place) =>
    place === 0 ? `M0,${y(amount)}` : `H${x(place)}V${y(amount)}`,
  );
  const last = money.days.at(-1);
  if (!last) return null;
  return (
    <section aria-labelledby="money" className="mt-6">
      <h2 id="money" className="text-lg border-b border-ink pb-1">
        Money in your account
      </h2>
      <p className="mt-2 max-w-3xl">
        Buyers pay {shown(money.taken)} in the month from {day(money.first)} on.{" "}
        {money.half_on
          ? `Half of what comes is there on ${day(money.half_on)}, all of it on ${day(last.day)}: ${shown(last.amount)}.`
          : "When it arrives is not known: no price list of the set says after how many days it pays out."}
        {money.half_on &&
          money.unknown &&
          ` When ${shown(money.unknown)} of it arrives is not known; it is not in the curve.`}
      </p>
      {money.half_on && (
        <>
          <svg
            viewBox={`-1 -6 ${WIDTH + 2} ${HEIGHT + 12}`}
            role="img"
            aria-label={`Money that has arrived, from ${day(money.first)} to ${day(last.day)}`}
            className="w-full max-w-3xl my-2"
          >
            <line x1={0} x2={WIDTH} y1={y(0)} y2={y(0)} className="stroke-rule" />
            <path d={path.join("")} className="fill-none stroke-verdigris" strokeWidth={1.6} />
          </svg>
          <p className="flex justify-between text-small text-soft max-w-3xl">
            <span>{day(money.first)}</span>
            <span>{day(last.day)}</span>
          </p>
          <details className="mt-1">
            <summary className="text-small text-soft">Day by day</summary>
            <table className="mt-1" aria-label="Money in the account, day by day">
              <thead>
                <tr className="border-b border-ink text-small text-soft text-left">
                  <th className="font-normal pr-6">by the end of</th>
                  <th className="font-normal text-right">has arrived</th>
                </tr>
              </thead>
              <tbody>
                {money.days.map((entry) => (
                  <tr key={entry.day} className="border-b border-rule-soft">
                    <td className="pr-6">{day(entry.day)}</td>
                    <td className="text-right">{shown(entry.amount)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </details>
        </>
      )}
    </section>
  );
}
