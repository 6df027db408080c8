import { Link } from "react-router";
import { said } from "../../api/client";
import { Trouble } from "../../ui/Page";
import { useHand, useHandSearch } from "../hand";
import { BuyerPage } from "./BuyerPage";
import { OrderLines } from "./OrderLines";
import { useOffer, usePay } from "./queries";
import { Ways } from "./Ways";

/** The checkout that buyers see: the newest edition, for the order in the address. */
export function BuyPage() {
  const { hand } = useHand();
  const offer = useOffer(hand);
  const pay = usePay();
  const search = useHandSearch();
  const data = offer.data;
  return (
    <BuyerPage>
      {offer.error && (
        <>
          <h1 className="text-xl mb-2">This order cannot be paid here</h1>
          <Trouble>{said(offer.error)}</Trouble>
        </>
      )}
      {data && hand && (
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
                onPay={(tender) => pay.mutate({ order: hand, tender, by: "newest-edition" })}
              />
            </>
          )}
          <p className="mt-8 text-small text-soft">
            Edition {data.edition}, {data.mode} mode.{" "}
            <Link to={`/checkout${search}`} className="underline underline-offset-4">
              Back to the desk
            </Link>
          </p>
        </>
      )}
    </BuyerPage>
  );
}
