import { useState } from "react";
import { said } from "../../api/client";
import { Trouble } from "../../ui/Page";
import type { Hand } from "../hand";
import { useStorefront } from "../shop";
import { CartView, LineView } from "./BeforeCheckout";
import { useCartPage, useLinePage } from "./beforeQueries";
import { cartWith } from "./cart";

interface Props {
  hand: Hand;
  language: string;
  page: "line" | "cart";
  onPage: (page: "line" | "cart") => void;
}

/** The pages before the checkout beside the work: the draft, as the buyer of the order in hand would see it now. */
export function BeforePanel({ hand, language, page, onPage }: Props) {
  const storefront = useStorefront() ?? "";
  const [cart, setCart] = useState(`${hand.line}:1`);
  const search = `?${new URLSearchParams(
    Object.entries({ ...hand, language }).flatMap(([name, value]) => (value ? [[name, value]] : [])),
  )}`;
  const line = useLinePage({ draft: storefront }, search, hand.line, page === "line");
  const held = useCartPage({ draft: storefront }, search, cart, page === "cart");
  const refused = page === "line" ? line.error : held.error;
  if (refused) return <Trouble>{said(refused)}</Trouble>;
  if (page === "line") {
    return line.data ? (
      <LineView as="h2" page={line.data} inCart={false} onAdd={() => onPage("cart")} />
    ) : null;
  }
  return held.data ? (
    <CartView
      as="h2"
      page={held.data}
      onTimes={(id, times) => setCart((before) => cartWith(before, id, times))}
    />
  ) : null;
}
