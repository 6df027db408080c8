import { said } from "../../api/client";
import { Trouble } from "../../ui/Page";
import { BuyerPage, modeOf } from "./BuyerPage";
import { OrderLines } from "./OrderLines";
import { useOffer, usePay } from "./queries";
import { Ways } from "./Ways";

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
          <OrderLines
            as="h1"
            shop={data.shop}
            line={data.line_name}
            amount={data.amount}
            recurring={data.recurring}
          />
          {data.nothing_to_pay ? (
            <p>There is nothing to pay.</p>
          ) : (
            <>
              <h2 className="font-sans font-semibold mb-2">How would you like to pay?</h2>
              <Ways
                offered={data.offered}
                amount={data.amount}
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
            </>
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
