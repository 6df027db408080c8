import { shown } from "../../lib/money";
import type { OrderRecord } from "./queries";
import { STATE_INK } from "./states";

/** The parts of the books of a payment, and how they are called. */
export const PARTS_OF_BOOKS = [
  ["authorised", "authorised"],
  ["taken", "taken"],
  ["open", "not taken yet"],
  ["refunded", "refunded"],
  ["credited", "shop credit"],
  ["disputed", "disputed"],
  ["lost", "lost"],
  ["returned", "returned"],
  ["kept", "you have"],
] as const;

/** Draws the books of every payment: what is nothing in all of them is left out. */
export function OrderMoney({ order }: { order: OrderRecord }) {
  const payments = order.rest ? [...order.payments, order.rest] : order.payments;
  const nothing = (money: string) => /^[0.]+ /.test(money);
  const columns = PARTS_OF_BOOKS.filter(
    ([part]) =>
      part === "taken" || part === "kept" || payments.some((payment) => !nothing(payment.books[part])),
  );
  return (
    <section aria-labelledby="money" className="mt-5">
      <h3 id="money" className="text-soft font-sans text-figure border-b border-rule">
        Money
      </h3>
      <table className="w-full">
        <thead>
          <tr className="text-small text-soft text-left border-b border-rule-soft">
            <th className="font-normal pr-3">Payment</th>
            <th className="font-normal pr-3">State</th>
            {columns.map(([part, name]) => (
              <th key={part} className="font-normal pr-3 text-right">
                {name}
              </th>
            ))}
            <th className="font-normal text-right">fees</th>
          </tr>
        </thead>
        <tbody>
          {payments.map((payment) => (
            <tr key={payment.number} className="border-b border-rule-soft">
              <td className="py-1 pr-3">
                {payment.number ? `${payment.number}. ` : ""}
                {payment.tender_name}
              </td>
              <td className={`pr-3 ${STATE_INK[payment.state]}`}>{payment.state_name}</td>
              {columns.map(([part]) => (
                <td
                  key={part}
                  className={`pr-3 text-right whitespace-nowrap ${nothing(payment.books[part]) ? "text-soft" : ""} ${part === "kept" ? "font-medium" : ""}`}
                >
                  {shown(payment.books[part])}
                </td>
              ))}
              <td
                className={`text-right whitespace-nowrap ${payment.books.fees.length > 0 ? "text-copper" : "text-soft"}`}
              >
                {payment.books.fees.map(shown).join(" and ") || "none"}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
