import { said } from "../../api/client";
import { lastHand } from "../../lib/lastHand";
import { pageOf } from "../../lib/page";
import { day as dayText } from "../../lib/time";
import { Button } from "../../ui/Button";
import { FileDrop } from "../../ui/FileDrop";
import { Trouble } from "../../ui/Page";
import { BuyerPage, modeOf } from "./BuyerPage";
import { OrderLines } from "./OrderLines";
import { useGoOn, usePayAnotherWay, usePaying, useSendReceipt } from "./queries";
import { Ways } from "./Ways";

// The payment that was begun can still be ended as it was begun.
const STILL_GOES = ["at-provider", "awaiting-payment", "receipt-sent", "overdue"];

/** The page after paying: what happened, with the way to pay by its name, and how else the order can be paid. */
export function AfterPaying({ token }: { token: string }) {
  const paying = usePaying(token);
  const another = usePayAnotherWay(token);
  const goOn = useGoOn(token);
  const receipt = useSendReceipt(token);
  const order = paying.data;
  return (
    <BuyerPage mode={modeOf(order, paying.error)}>
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
            paid={order.paid}
            shop={order.shop}
            line={`${order.line_name}, order ${order.number}`}
            amount={order.amount}
            goods={order.goods}
            chosen={{
              fee: order.fee,
              fee_label: order.fee_label,
              up_to: false,
              rounding: order.rounding,
              total: order.amount,
            }}
            delivery={
              order.delivered
                ? {
                    name: [order.delivered.way, order.delivered.day && dayText(order.delivered.day)]
                      .filter(Boolean)
                      .join(", "),
                    fee: order.delivered.fee,
                  }
                : undefined
            }
          />
          {order.page && order.embedded && (
            <iframe
              title={`Pay ${order.amount} by ${order.tender_name}`}
              src={pageOf(`${order.page}?within=true`)}
              className="w-full h-[30rem] border border-rule mb-6"
            />
          )}
          {order.state === "at-provider" && !order.embedded && (
            <p className="mb-6">
              <Button look="strong" className="w-full min-h-11" onClick={() => goOn.mutate()}>
                Go on with {order.tender_name}
              </Button>
              {goOn.error && <Trouble>{said(goOn.error)}</Trouble>}
            </p>
          )}
          {order.can_send_receipt && (
            <section aria-labelledby="receipt" className="mb-6">
              <h2 id="receipt" className="font-sans font-semibold mb-2">
                Have you sent the transfer?
              </h2>
              <FileDrop
                label="Send us its receipt"
                text={
                  order.receipts > 0
                    ? `${order.receipts} sent; we are looking at it`
                    : "PDF, PNG or JPEG, 5 MB at the most"
                }
                accept=".pdf,.png,.jpg,.jpeg"
                busy={receipt.isPending}
                onFile={(file) => receipt.mutate(file)}
              />
              {receipt.error && <Trouble>{said(receipt.error)}</Trouble>}
            </section>
          )}
          {order.offered.length > 0 && (
            <section aria-labelledby="another">
              <h2 id="another" className="font-sans font-semibold mb-2">
                {STILL_GOES.includes(order.state) ? "Or pay another way" : "Choose how to pay"}
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
            <a href={`/rehearse${lastHand()}&order=${order.token}`} className="underline underline-offset-4">
              Back to the desk, to its record
            </a>
          </p>
        </>
      )}
    </BuyerPage>
  );
}
