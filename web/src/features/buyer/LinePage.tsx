import { type ReactNode, useState } from "react";
import { type Schema, said, titleOf } from "../../api/client";
import { goTo } from "../../lib/page";
import { Trouble } from "../../ui/Page";
import { CartView, LineView } from "./BeforeCheckout";
import { BuyerPage, modeOf } from "./BuyerPage";
import { useCartPage, useLinePage } from "./beforeQueries";
import { cartWith, elsewhere, heldCart, holdCart, timesIn } from "./cart";

interface FramedProps {
  data: Schema<"LinePage"> | Schema<"CartPage"> | undefined;
  error: unknown;
  /** The address of the page, which keeps the language that is picked. */
  search: string;
  onSearch: (search: string) => void;
  children: ReactNode;
}

/** A page before the checkout in the frame of buyers' pages, or why it could not be shown. */
function Framed({ data, error, search, onSearch, children }: FramedProps) {
  function inLanguage(language: string) {
    const query = new URLSearchParams(search);
    query.set("language", language);
    window.history.replaceState(null, "", `?${query}`);
    onSearch(`?${query}`);
  }
  return (
    <BuyerPage mode={modeOf(data, error)} page={data} onLanguage={inLanguage}>
      {error ? (
        <>
          <h1 className="text-xl mb-2">{titleOf(error)}</h1>
          <Trouble>{said(error)}</Trouble>
        </>
      ) : null}
      {children}
    </BuyerPage>
  );
}

/** The page of a line, by the newest edition: from here it goes in the cart, or is ordered at once. */
export function LinePage({ line, shop, search: first }: { line: string; shop: string; search: string }) {
  const [search, setSearch] = useState(first);
  const { data, error } = useLinePage({ shop }, search, line);
  return (
    <Framed data={data} error={error} search={search} onSearch={setSearch}>
      {data && (
        <LineView
          page={data}
          inCart={heldCart() !== ""}
          onAdd={() => {
            const cart = heldCart();
            holdCart(cartWith(cart, data.line, Math.min(99, timesIn(cart, data.line) + 1)));
            goTo(`${data.at}/cart${elsewhere(data.search)}`);
          }}
        />
      )}
    </Framed>
  );
}

/** The cart of this browser, by the newest edition. */
export function CartPage({ shop, search: first }: { shop: string; search: string }) {
  const [search, setSearch] = useState(first);
  const [cart, setCart] = useState(heldCart);
  const { data, error } = useCartPage({ shop }, search, cart);
  return (
    <Framed data={data} error={error} search={search} onSearch={setSearch}>
      {data && (
        <CartView
          page={data}
          onTimes={(line, times) => {
            const after = cartWith(cart, line, times);
            holdCart(after);
            setCart(after);
          }}
        />
      )}
    </Framed>
  );
}
