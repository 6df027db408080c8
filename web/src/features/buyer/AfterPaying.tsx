import { Link, useParams } from "react-router";
import { said } from "../../api/client";
import { Trouble } from "../../ui/Page";
import { lastHand } from "../hand";
import { BuyerPage } from "./BuyerPage";
import { OrderLines } from "./OrderLines";
import { usePayAnotherWay, usePaying } from "./queries";
import { Ways } from "./Ways";

/** The page after paying: what happened, with the way to pay by its name, and how else the order can be paid. */
export function AfterPaying() {
  const { token = "" } = useParams();
  const paying = usePaying(token);
  const another = usePayAnotherWay(token);
  const order = paying.data;
  return (
    <BuyerPage>
      {paying.error && (
        <>
          <h1 className="text-xl mb-2">There is no such order</h1>
          <Trouble>{said(paying.error)}</Trouble>
        </>
      )}
      {order && (
        <>
          <h1 className="text-2xl mb-2">{order.headline}</h1>
          <p className="mb-6">{order.text}</p>
          <OrderLines
            paid={order.state === "paid"}
            shop={order.shop}
            line={`${order.line_name}, order ${order.number}`}
            amount={order.amount}
          />
          {order.state !== "paid" && (
            <section aria-labelledby="another">
              <h2 id="another" className="font-sans font-semibold mb-2">
                {order.state === "awaiting-payment" ? "Or pay another way" : "Choose how to pay"}
              </h2>
              <Ways
                offered={order.offered}
                amount={order.amount}
                paying={another.isPending}
                problem={another.error}
                onPay={(tender) => another.mutate(tender)}
              />
            </section>
          )}
          <p className="mt-8 text-small text-soft">
            Order {order.number}, {order.mode} mode.{" "}
            <Link to={`/rehearse${lastHand()}&order=${order.token}`} className="underline underline-offset-4">
              Back to the desk, to its record
            </Link>
          </p>
        </>
      )}
    </BuyerPage>
  );
}
