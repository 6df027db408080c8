import { Link } from "react-router";
import { Button } from "../../ui/Button";
import { useHandSearch } from "../hand";
import { NEW_PROVIDER } from "./views";

interface Props {
  /** True if it is known already what a month of orders looks like. */
  month: boolean;
  onExamples: () => void;
}

/** Tells what to do first while there is no price to compare. */
export function FirstPrices({ month, onExamples }: Props) {
  const search = useHandSearch();
  return (
    <section aria-labelledby="first-prices" className="border-t border-ink pt-3 mb-6 max-w-2xl">
      <h2 id="first-prices" className="text-lg mb-1">
        There are no prices to compare yet
      </h2>
      <ol className="list-decimal pl-5 grid gap-y-2">
        <li>
          <Link
            to={`${NEW_PROVIDER}${search}`}
            className="text-verdigris font-semibold underline underline-offset-4"
          >
            Type or paste the prices of a provider
          </Link>
          , as they stand on its page or in its offer. A file of prices is read under Catalogue and rate
          cards.
        </li>
        {!month && (
          <li>
            <Link
              to={`/shop/orders${search}`}
              className="text-verdigris font-semibold underline underline-offset-4"
            >
              Read past orders
            </Link>
            , or type what a month looks like, so that a month can be priced.
          </li>
        )}
        <li>
          <Button look="link" onClick={onExamples}>
            Look at seven invented examples
          </Button>
          , which are marked as such and are put away again in one act.
        </li>
      </ol>
    </section>
  );
}
