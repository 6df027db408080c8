import { lazy, Suspense, useEffect, useState } from "react";
import { Refusal, type Schema, said, titleOf } from "../../api/client";
import { partsOf } from "../../lib/money";
import { useTyped } from "../../lib/useTyped";
import { Button } from "../../ui/Button";
import { Trouble } from "../../ui/Page";
import { BuyerPage, modeOf } from "./BuyerPage";
import type { Wish } from "./Delivering";
import { OrderLines } from "./OrderLines";
import { useOffer, usePay } from "./queries";
import { Ways } from "./Ways";

// Parts that few orders need are loaded when one does.
const AmountField = lazy(() => import("./AmountField").then((module) => ({ default: module.AmountField })));
const Delivering = lazy(() => import("./Delivering").then((module) => ({ default: module.Delivering })));
const VoucherField = lazy(() =>
  import("./VoucherField").then((module) => ({ default: module.VoucherField })),
);

/** Tells what of an offer is goods, where its delivery is known. */
function goodsOf(offer: Schema<"Offer"> | undefined): { goods?: string } {
  const goods = offer?.deliveries.find((way) => way.chosen)?.goods;
  return goods ? { goods: partsOf(goods).amount } : {};
}

/** Tells what a chosen amount is of an order: its goods, where it is delivered, else all of it. */
function amountIn(offer: Schema<"Offer">, amount: string): Record<string, string> {
  return offer.order.goods ? { goods: amount } : { amount };
}

/** True if the shop takes no orders for now: nothing is wrong then. */
function isClosed(error: unknown): boolean {
  return error instanceof Refusal && error.problem.errors.some(({ code }) => code === "storefront-paused");
}

/** Tells what a buyer pressed: the way to pay, what was filled in, and the total that was shown. */
interface Pressed {
  tender: string;
  answers: Record<string, string>;
  total: string | null;
}

/** The checkout that buyers see: the newest edition, for the order that the address names. */
export function BuyPage({ shop, search: first }: { shop: string; search: string }) {
  const [search, setSearch] = useState(first);
  // Typed text is still there when the page had to be loaded again.
  const address = useTyped("buy-address");
  const [day, setDay] = useState("");
  const wish = { address: address.text, day };
  const setWish = (typed: Wish) => {
    if (typed.address !== address.text) address.type(typed.address);
    setDay(typed.day);
  };
  const [vouchers, setVouchers] = useState<string[]>([]);
  const offer = useOffer(shop, search, vouchers);
  const data = offer.data;
  const pay = usePay({ shop, storefront: data?.storefront ?? "" });
  // The page shows the order as it was before the last change, until the new one is here.
  const drawnAnew = offer.isPlaceholderData;
  const [pressed, setPressed] = useState<Pressed | null>(null);

  /** Pay, or what is pressed while the page is drawn anew, once the new one is here; never more than was shown. */
  function press(tender: string, answers: Record<string, string>) {
    const total = data?.offered.find((way) => way.tender === tender)?.to_pay ?? null;
    if (drawnAnew) setPressed({ tender, answers, total });
    else place({ tender, answers, total });
  }
  useEffect(() => {
    if (!pressed || drawnAnew) return;
    setPressed(null);
    if (!offer.error) place(pressed);
  });

  function place({ tender, answers, total }: Pressed) {
    if (!data) return;
    pay.mutate(
      {
        order: data.order,
        tender,
        address: wish.address,
        delivery_day: wish.day || null,
        answers,
        language: data.language,
        // The buyer orders what the page shows: these vouchers, and this total.
        vouchers: data.vouchers.map((voucher) => voucher.handle),
        total,
      },
      { onSuccess: address.forget },
    );
  }

  /** The address of the order with some of its parts changed. */
  function searchWith(offer: Schema<"Offer">, parts: Record<string, string>): string {
    // The goods stay; with another way of delivery there is another amount to pay.
    const way = parts.delivery ? goodsOf(offer) : {};
    const { order, storefront, language } = offer;
    const all = Object.entries({ ...order, storefront, language, ...way, ...parts });
    return `?${new URLSearchParams(all.flatMap(([name, value]) => (value ? [[name, String(value)]] : [])))}`;
  }

  /** Look at the order with some of its parts changed; the address follows, so that it can be opened again. */
  function change(offer: Schema<"Offer">, parts: Record<string, string>) {
    const query = searchWith(offer, parts);
    window.history.replaceState(null, "", query);
    if (parts.delivery) setDay("");
    setSearch(query);
  }
  return (
    <BuyerPage
      mode={modeOf(data, offer.error)}
      page={data}
      onLanguage={(language) => data && change(data, { language })}
    >
      {offer.error && (
        <>
          <h1 className="text-xl mb-2">{titleOf(offer.error)}</h1>
          {isClosed(offer.error) ? <p>{said(offer.error)}</p> : <Trouble>{said(offer.error)}</Trouble>}
        </>
      )}
      {data && (
        <>
          <h1 className="text-2xl mb-4">{data.shop}</h1>
          {data.nothing_to_pay ? (
            <>
              <OrderLines lines={data.lines} />
              <p>{data.words.nothing_to_pay}</p>
            </>
          ) : (
            <>
              {data.chooses && (
                <Suspense>
                  <AmountField
                    key={data.order.goods ?? data.order.amount}
                    shop={shop}
                    offer={data}
                    value={data.order.goods ?? data.order.amount}
                    searchWith={(amount) => searchWith(data, amountIn(data, amount))}
                    onChosen={(amount) => change(data, amountIn(data, amount))}
                  />
                </Suspense>
              )}
              <Suspense>
                <Delivering
                  offer={data}
                  wish={wish}
                  problem={pay.error}
                  onWish={setWish}
                  onChange={(parts) => change(data, parts)}
                />
              </Suspense>
              {data.takes_vouchers && (
                <Suspense>
                  <VoucherField shop={shop} offer={data} used={vouchers} onUse={setVouchers} />
                </Suspense>
              )}
              {data.nothing_left ? (
                <>
                  <div aria-live="polite">
                    <OrderLines lines={data.lines} />
                  </div>
                  {pay.error && <Trouble>{said(pay.error)}</Trouble>}
                  <Button
                    look="strong"
                    disabled={pay.isPending}
                    className="w-full min-h-11 mt-2"
                    onClick={() => press(data.nothing_left?.tender ?? "", {})}
                  >
                    {data.nothing_left.pay}
                  </Button>
                </>
              ) : (
                <Ways
                  offered={data.offered}
                  words={data.words}
                  above={(chosen) => (
                    <>
                      <OrderLines lines={chosen?.lines ?? data.lines} />
                      <h2 className="font-sans font-semibold mb-2">{data.words.how_to_pay}</h2>
                    </>
                  )}
                  stopped={data.deliveries.find((way) => way.chosen)?.why ?? ""}
                  paying={pay.isPending}
                  unanswered={pay.isPending && pay.failureCount > 0}
                  problem={pay.error}
                  onPay={({ tender, answers }) => press(tender, answers)}
                />
              )}
            </>
          )}
          <p lang="en" className="mt-8 text-small text-soft">
            Edition {data.edition}, {data.mode} mode.{" "}
            <a href={`/checkout${search}`} className="underline underline-offset-4">
              Back to the desk
            </a>
          </p>
        </>
      )}
    </BuyerPage>
  );
}
