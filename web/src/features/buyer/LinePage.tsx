import { useState } from "react";
import { said, titleOf } from "../../api/client";
import { goTo } from "../../lib/page";
import { Trouble } from "../../ui/Page";
import { CartView, LineView } from "./BeforeCheckout";
import { BuyerPage, modeOf } from "./BuyerPage";
import { useCartPage, useLinePage } from "./beforeQueries";
import { cartWith, elsewhere, heldCart, holdCart, timesIn } from "./cart";

/** What could not be shown, and why. */
function Refused({ error }: { error: unknown }) {
  return (
    <>
      <h1 className="text-xl mb-2">{titleOf(error)}</h1>
      <Trouble>{said(error)}</Trouble>
    </>
  );
}

/** An address in another language, which is kept in the address of the page. */
function inLanguage(search: string, language: string): string {
  const query = new URLSearchParams(search);
  query.set("language", language);
  window.history.replaceState(null, "", `?${query}`);
  return `?${query}`;
}

/** The page of a line, by the newest edition: from here it goes in the cart, or is ordered at once. */
export function LinePage({ line, search: first }: { line: string; search: string }) {
  const [search, setSearch] = useState(first);
  const page = useLinePage(search, line, "newest-edition");
  const data = page.data;
  return (
    <BuyerPage
      mode={modeOf(data, page.error)}
      page={data}
      onLanguage={(tag) => setSearch(inLanguage(search, tag))}
    >
      {page.error && <Refused error={page.error} />}
      {data && (
        <LineView
          page={data}
          inCart={heldCart() !== ""}
          onAdd={() => {
            const cart = heldCart();
            holdCart(cartWith(cart, data.line, Math.min(99, timesIn(cart, data.line) + 1)));
            goTo(`/buy/cart${elsewhere(data.search)}`);
          }}
        />
      )}
    </BuyerPage>
  );
}

/** The cart of this browser, by the newest edition. */
export function CartPage({ search: first }: { search: string }) {
  const [search, setSearch] = useState(first);
  const [cart, setCart] = useState(heldCart);
  const page = useCartPage(search, cart, "newest-edition");
  const data = page.data;
  return (
    <BuyerPage
      mode={modeOf(data, page.error)}
      page={data}
      onLanguage={(tag) => setSearch(inLanguage(search, tag))}
    >
      {page.error && <Refused error={page.error} />}
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
    </BuyerPage>
  );
}
