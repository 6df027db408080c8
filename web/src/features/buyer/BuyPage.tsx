import { type Schema, said } from "../../api/client";
import { Trouble } from "../../ui/Page";
import { BuyerPage, modeOf } from "./BuyerPage";
import { OrderLines } from "./OrderLines";
import { type Offered, useOffer, usePay } from "./queries";
import { Ways } from "./Ways";

function lines(offer: Schema<"Offer">, chosen?: Offered) {
  return (
    <OrderLines
      as="h1"
      shop={offer.shop}
      line={offer.line_name}
      amount={offer.amount}
      chosen={chosen}
      recurring={offer.recurring}
    />
  );
}

/** The checkout that buyers see: the newest edition, for the order that the address names. */
export function BuyPage({ search }: { search: string }) {
  const offer = useOffer(search);
  const pay = usePay();
  const data = offer.data;
  return (
    <BuyerPage mode={modeOf(data, offer.error)}>
      {offer.error && (
        <>
          <h1 className="text-xl mb-2">This order cannot be paid here</h1>
          <Trouble>{said(offer.error)}</Trouble>
        </>
      )}
      {data && (
        <>
          {data.nothing_to_pay ? (
            <>
              {lines(data)}
              <p>There is nothing to pay.</p>
            </>
          ) : (
            <Ways
              offered={data.offered}
              amount={data.amount}
              above={(chosen) => (
                <>
                  {lines(data, chosen)}
                  <h2 className="font-sans font-semibold mb-2">How would you like to pay?</h2>
                </>
              )}
              paying={pay.isPending}
              problem={pay.error}
              onPay={(tender) =>
                pay.mutate({
                  order: data.order,
                  storefront: data.storefront,
                  tender,
                  by: "newest-edition",
                })
              }
            />
          )}
          <p className="mt-8 text-small text-soft">
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
