import { useState } from "react";
import { said, titleOf } from "../../api/client";
import { lastHand } from "../../lib/lastHand";
import { pageOf } from "../../lib/page";
import { Button } from "../../ui/Button";
import { FileDrop } from "../../ui/FileDrop";
import { Trouble } from "../../ui/Page";
import { ShopText } from "../../ui/ShopText";
import { BuyerPage, modeOf } from "./BuyerPage";
import { OrderLines } from "./OrderLines";
import { useGoOn, usePayAnotherWay, usePaying, useSendReceipt } from "./queries";
import { ToPay } from "./ToPay";
import { Ways } from "./Ways";

// The payment that was begun can still be ended as it was begun.
const STILL_GOES = ["at-provider", "awaiting-payment", "receipt-sent", "overdue"];

/** The page after paying: what happened, with the way to pay by its name, and how else the order can be paid. */
export function AfterPaying({ token }: { token: string }) {
  const [language, setLanguage] = useState("");
  const paying = usePaying(token, language);
  const another = usePayAnotherWay(token);
  const goOn = useGoOn(token);
  const receipt = useSendReceipt(token);
  const order = paying.data;
  return (
    <BuyerPage mode={modeOf(order, paying.error)} page={order} onLanguage={setLanguage}>
      {paying.error && (
        <>
          <h1 className="text-xl mb-2">{titleOf(paying.error)}</h1>
          <Trouble>{said(paying.error)}</Trouble>
        </>
      )}
      {order && (
        <>
          <p className="text-soft">{order.shop}</p>
          <h1 className="text-2xl mb-2">{order.headline}</h1>
          <ShopText html={order.instead} className="mb-3" />
          <p className="mb-3">{order.text}</p>
          <ShopText html={order.after} className="mb-6" />
          {order.paper && <ToPay paper={order.paper} words={order.words} />}
          {order.next && <p className="mb-6">{order.next}</p>}
          {order.contact && <p className="mb-6 text-soft">{order.contact}</p>}
          <OrderLines lines={order.lines} />
          {order.invoice && (
            <p className="mb-6">
              <a href={order.invoice} className="inline-block min-h-6 underline underline-offset-4">
                {order.invoice_name}
              </a>
            </p>
          )}
          {order.page && order.embedded && (
            <iframe
              title={order.page_name}
              src={pageOf(`${order.page}?within=true`)}
              className="w-full h-[30rem] border border-rule mb-6"
            />
          )}
          {order.state === "at-provider" && !order.embedded && (
            <p className="mb-6">
              <Button look="strong" className="w-full min-h-11" onClick={() => goOn.mutate()}>
                {order.go_on_name}
              </Button>
              {goOn.error && <Trouble>{said(goOn.error)}</Trouble>}
            </p>
          )}
          {order.can_send_receipt && (
            <section aria-labelledby="receipt" className="mb-6">
              <h2 id="receipt" className="font-sans font-semibold mb-2">
                {order.words.receipt_title}
              </h2>
              <FileDrop
                label={order.words.receipt_label}
                text={order.receipts_text || order.words.receipt_kinds}
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
                {STILL_GOES.includes(order.state) ? order.words.another_way : order.words.choose_how}
              </h2>
              <Ways
                offered={order.offered}
                words={order.words}
                paying={another.isPending}
                problem={another.error}
                onPay={(paid) => another.mutate(paid)}
              />
            </section>
          )}
          <p className="mt-8 text-small text-soft">{order.words.keep_link}</p>
          <p lang="en" className="mt-2 text-small text-soft">
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
