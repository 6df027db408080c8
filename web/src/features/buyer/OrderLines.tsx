import { shown } from "../../lib/money";
import type { Offered } from "./queries";

interface Props {
  /** The name of the shop as a title above; left out where the page has it already. */
  shop?: string;
  line: string;
  /** What there is to pay without a fee, and what of it the delivery is. */
  amount: string;
  goods?: string | undefined;
  delivery?: { name: string; fee: string } | undefined;
  /** The way to pay that is chosen, with what it costs on top and what coins add. */
  chosen?: Pick<Offered, "fee" | "fee_label" | "up_to" | "rounding" | "total"> | undefined;
  recurring?: boolean;
  paid?: boolean;
  as?: "h1" | "h2";
}

/** What a buyer is about to pay for, or has paid. */
export function OrderLines(props: Props) {
  const { line, amount, goods, delivery, chosen, recurring, paid, shop, as: Title = "h2" } = props;
  return (
    <>
      {shop && <Title className="text-xl mb-1">{shop}</Title>}
      <dl className="grid grid-cols-[minmax(0,1fr)_auto] gap-y-1 mb-4">
        <dt>{line}</dt>
        <dd className="text-right whitespace-nowrap pl-3">{shown(goods ?? amount)}</dd>
        {delivery && (
          <>
            <dt className="text-soft">{delivery.name}</dt>
            <dd className="text-right whitespace-nowrap pl-3 text-soft">{shown(delivery.fee)}</dd>
          </>
        )}
        {chosen?.fee && (
          <>
            <dt className="text-soft">
              {chosen.fee_label}
              {chosen.up_to && ", at most"}
            </dt>
            <dd className="text-right whitespace-nowrap pl-3 text-soft">{shown(chosen.fee)}</dd>
          </>
        )}
        {chosen?.rounding && (
          <>
            <dt className="text-soft">Rounded to coins</dt>
            <dd className="text-right whitespace-nowrap pl-3 text-soft">{shown(chosen.rounding)}</dd>
          </>
        )}
        <dt className="border-t border-ink pt-1 font-semibold">
          {paid ? "Paid" : recurring ? "To pay each month" : "To pay"}
        </dt>
        <dd className="border-t border-ink pt-1 font-semibold text-right whitespace-nowrap">
          {shown(chosen?.total ?? amount)}
        </dd>
      </dl>
    </>
  );
}
