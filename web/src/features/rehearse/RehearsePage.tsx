import { useSearchParams } from "react-router";
import { shown } from "../../lib/money";
import { moment } from "../../lib/time";
import { Heading } from "../../ui/Page";
import { OrderStory } from "./OrderStory";
import { useOrders } from "./queries";
import { STATE_INK } from "./states";

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
                  <td className={`whitespace-nowrap font-medium ${STATE_INK[order.state]}`}>
                    {order.state_name}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <OrderStory key={open.token} order={open} />
        </>
      )}
    </>
  );
}
