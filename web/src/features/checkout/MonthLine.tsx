import { Link } from "react-router";
import type { Schema } from "../../api/client";
import { shown } from "../../lib/money";

/** The month of the draft in a sentence, and how it moves against what buyers see. */
export function MonthLine({ month, search }: { month: Schema<"CheckoutMonthOut">; search: string }) {
  if (month.orders === "0")
    return (
      <p className="mb-3 text-soft">
        What this checkout leaves you in a month is not known:{" "}
        <Link to={`/shop/orders${search}`} className="underline underline-offset-4">
          type a month of orders
        </Link>
        .
      </p>
    );
  const { left, lost, cost } = month.draft;
  return (
    <p className="mb-3 max-w-3xl" role="status">
      Of {month.orders} orders a month{" "}
      <Link to={`/shop/buyers${search}`} className="underline underline-offset-4">
        {lost} find no way
      </Link>{" "}
      that they take here; {left === null ? <>paying costs </> : <>the others leave you </>}
      <strong>{shown(left ?? cost)}</strong>.
      {month.since_edition && (
        <span className="text-soft"> Against what buyers see it {month.since_edition}.</span>
      )}
    </p>
  );
}
