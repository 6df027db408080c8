import { useSearchParams } from "react-router";
import { shown } from "../../lib/money";
import { moment } from "../../lib/time";
import { Heading } from "../../ui/Page";
import { type OrderRecord, useOrders } from "./queries";

const STATES: Record<OrderRecord["state"], { word: string; ink: string }> = {
  open: { word: "open", ink: "text-soft" },
  "at-provider": { word: "at the provider", ink: "text-saffron-ink" },
  "awaiting-payment": { word: "awaiting payment", ink: "text-saffron-ink" },
  paid: { word: "paid", ink: "text-verdigris" },
  declined: { word: "declined", ink: "text-copper" },
};

/** The test orders, and the record of the one that is open. */
export function RehearsePage() {
  const orders = useOrders().data;
  const [address, setAddress] = useSearchParams();
  if (!orders) return null;
  const open = orders.find((order) => order.token === address.get("order")) ?? orders[0];

  function show(token: string) {
    setAddress((before) => {
      const after = new URLSearchParams(before);
      after.set("order", token);
      return after;
    });
  }

  return (
    <>
      <Heading title="Test orders" note={`${orders.length} so far, no money moved`} />
      {!open ? (
        <p className="border-t border-ink pt-3 max-w-xl">
          Nothing is rehearsed yet. Choose a way to pay in the buyer's view on the right and pay: the
          simulated provider lets you decide how the payment ends, and the record of the order appears here.
        </p>
      ) : (
        <>
          <table className="w-full border-t border-ink">
            <thead>
              <tr className="text-left text-small text-soft border-b border-rule">
                <th className="font-normal py-1.5 pr-3">Order</th>
                <th className="font-normal pr-3">Placed</th>
                <th className="font-normal pr-3">Line</th>
                <th className="font-normal pr-3 text-right">Amount</th>
                <th className="font-normal pr-3 pl-6">Way to pay</th>
                <th className="font-normal">State</th>
              </tr>
            </thead>
            <tbody>
              {orders.map((order) => (
                <tr
                  key={order.token}
                  className={`border-b border-rule-soft ${order.token === open.token ? "bg-sheet" : ""}`}
                >
                  <td className="py-1.5 pr-3">
                    <button
                      type="button"
                      aria-pressed={order.token === open.token}
                      onClick={() => show(order.token)}
                      className="font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink min-h-6 px-1"
                    >
                      {order.number}
                    </button>
                  </td>
                  <td className="pr-3 text-soft">{moment(order.placed_at)}</td>
                  <td className="pr-3">{order.line_name}</td>
                  <td className="pr-3 text-right whitespace-nowrap">{shown(order.amount)}</td>
                  <td className="pr-3 pl-6">{order.tender_name}</td>
                  <td className={`whitespace-nowrap font-medium ${STATES[order.state].ink}`}>
                    {STATES[order.state].word}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <Record order={open} />
        </>
      )}
    </>
  );
}

/** One order: what happened, what the buyer was told, and by which edition it was decided. */
function Record({ order }: { order: OrderRecord }) {
  return (
    <section aria-labelledby="record" className="mt-8">
      <div className="flex items-baseline gap-4 border-b border-ink pb-1">
        <h2 id="record" className="text-xl">
          Order {order.number}
        </h2>
        <p className={`font-medium ${STATES[order.state].ink}`}>
          {STATES[order.state].word}, {order.tender_name}
        </p>
        <p className="ml-auto text-soft">
          {order.mode} mode,{" "}
          {order.edition === null ? `draft ${order.draft_version}` : `edition ${order.edition}`}
        </p>
      </div>
      <div className="grid lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-8 mt-3">
        <div>
          <h3 className="text-soft mb-1">What happened</h3>
          <ol className="border-l border-rule pl-4">
            {order.happened.map((entry) => (
              <li key={`${entry.at}${entry.move}`} className="py-1">
                {entry.text}
                <span className="block text-small text-soft">{moment(entry.at)}</span>
              </li>
            ))}
          </ol>
          <dl className="mt-4 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
            <dt className="text-soft">Buyer</dt>
            <dd>in {order.country_name}</dd>
            <dt className="text-soft">Amount</dt>
            <dd>{shown(order.amount)}</dd>
            <dt className="text-soft">Carried by</dt>
            <dd>{order.provider_name || "your own arrangement"}</dd>
          </dl>
        </div>
        <div>
          <h3 className="text-soft mb-1">What the buyer was told</h3>
          {order.messages.length === 0 && <p>No message was sent yet.</p>}
          {order.messages.map((message) => (
            <article key={message.at} className="bg-paper border border-rule px-4 py-3 mb-3">
              <p className="text-small text-soft">
                To {message.to}, {moment(message.at)}
              </p>
              <h4 className="font-semibold my-1">{message.subject}</h4>
              <p>{message.text}</p>
            </article>
          ))}
        </div>
      </div>
    </section>
  );
}
