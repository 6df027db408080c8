import { shown } from "../../lib/money";
import { day, moment } from "../../lib/time";
import { OrderMoney } from "./OrderMoney";
import type { OrderRecord } from "./queries";
import { RecordActs } from "./RecordActs";
import { STATE_INK } from "./states";

const WHO: Record<string, string> = { buyer: "the buyer", shop: "you", provider: "the provider" };

/** One order: where it stands, what is due from whom, its money, its story, and what the buyer was told. */
export function OrderStory({ order }: { order: OrderRecord }) {
  return (
    <section aria-labelledby="record" className="mt-8">
      <div className="flex flex-wrap items-baseline gap-x-4 border-b border-ink pb-1">
        <h2 id="record" className="text-xl">
          Order {order.number}
        </h2>
        <p className={`font-medium ${STATE_INK[order.state]}`}>
          {order.state_name}, {order.tender_name}
        </p>
        <p className="ml-auto text-soft">
          {order.mode} mode,{" "}
          {order.edition === null ? `draft ${order.draft_version}` : `edition ${order.edition}`}
        </p>
      </div>
      <p className="mt-2">
        {order.ordered}
        {order.delivered &&
          ` (of it ${shown(order.delivered.fee)} for ${order.delivered.way}${
            order.delivered.day ? ` on ${day(order.delivered.day)}` : ""
          }${order.delivered.address ? `, to ${order.delivered.address}` : ""})`}
        , carried by {order.provider_name || "your own arrangement"}.{" "}
        <span className="text-soft">For the order this means:</span> {order.meaning}.
      </p>
      {order.items.length > 0 && (
        <p className="mt-1">
          {order.items.map((item) => `${item.times} × ${item.name}, ${shown(item.amount)}`).join("; ")}.
        </p>
      )}
      <div className="grid lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-8 mt-3">
        <section aria-labelledby="due">
          <h3 id="due" className="text-soft font-sans text-figure border-b border-rule">
            Due next
          </h3>
          <ul>
            {order.due.map((entry) => (
              <li key={entry.text} className="py-1 border-b border-rule-soft flex gap-3">
                {entry.who && <span className="w-20 shrink-0 text-soft">{WHO[entry.who]}</span>}
                <span className={entry.who === "shop" ? "font-medium" : ""}>{entry.text}</span>
              </li>
            ))}
          </ul>
        </section>
        <RecordActs order={order} />
      </div>
      <OrderMoney order={order} />
      <section aria-labelledby="story" className="mt-5">
        <h3 id="story" className="text-soft font-sans text-figure border-b border-rule">
          What happened
        </h3>
        <table className="w-full">
          <thead>
            <tr className="text-small text-soft text-left border-b border-rule-soft">
              <th className="font-normal">When</th>
              <th className="font-normal pr-3 whitespace-nowrap">By whom</th>
              <th className="font-normal">What</th>
              <th className="font-normal">State after it</th>
              <th className="font-normal text-right">You have</th>
            </tr>
          </thead>
          <tbody>
            {order.happened.map((entry, place) => (
              <tr
                key={`${entry.at}${entry.what}${place}`}
                className="border-b border-rule-soft align-baseline"
              >
                <td className="py-1 pr-3 text-small text-soft whitespace-nowrap">{moment(entry.at)}</td>
                <td className="pr-3 text-small text-soft whitespace-nowrap">{entry.by}</td>
                <td className="pr-3">{entry.text}</td>
                <td className="pr-3 text-small whitespace-nowrap">{entry.state}</td>
                <td className="text-right whitespace-nowrap">{shown(entry.kept)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      {order.voucher_sold && <p className="mt-3">{order.voucher_sold}</p>}
      {order.vouchers.length > 0 && (
        <p className="mt-3">
          {order.vouchers
            .map(
              (part) =>
                `${shown(part.amount)} by the voucher that ends in ${part.ends_in}${part.returned ? `, ${shown(part.returned)} of it went back` : ""}`,
            )
            .join("; ")}
          .
        </p>
      )}
      {(order.answers.length > 0 || order.invoice) && (
        <section aria-labelledby="filled-in" className="mt-5">
          <h3 id="filled-in" className="text-soft font-sans text-figure border-b border-rule mb-1">
            What the buyer filled in
          </h3>
          <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-4">
            {order.answers.map((answer) => (
              <div key={answer.field} className="contents">
                <dt className="text-soft">{answer.label}</dt>
                <dd>{answer.value}</dd>
              </div>
            ))}
          </dl>
          {order.invoice && (
            <p>
              <a href={order.invoice} className="inline-block min-h-6 underline underline-offset-4">
                Save the invoice (PDF)
              </a>
            </p>
          )}
        </section>
      )}
      <section aria-labelledby="told" className="mt-5">
        <h3 id="told" className="text-soft font-sans text-figure border-b border-rule mb-2">
          What the buyer was told
        </h3>
        {order.messages.length === 0 && <p>No message was sent yet.</p>}
        <div className="grid lg:grid-cols-2 gap-3">
          {order.messages.map((message) => (
            <article key={message.at + message.subject} className="bg-paper border border-rule px-4 py-3">
              <p className="text-small text-soft">
                To {message.to}, {moment(message.at)}
              </p>
              <h4 className="font-semibold my-1">{message.subject}</h4>
              <p className="whitespace-pre-line break-words">{message.text}</p>
            </article>
          ))}
        </div>
      </section>
    </section>
  );
}
