import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answered, api } from "../../api/client";
import { keys } from "../../api/keys";
import { elsewhere } from "./cart";

/** Whose page it is: a buyer's at a shop, by the newest edition, or the desk's, by the draft of a storefront. */
export type PageOf = { shop: string } | { draft: string };

/** The page of a line, for the market and the buyer of an address. */
export function useLinePage(of: PageOf, search: string, line: string, enabled = true) {
  const query = { ...Object.fromEntries(new URLSearchParams(elsewhere(search))), line };
  return useQuery({
    queryKey: [...keys.offer, "line", of, query],
    queryFn: () =>
      answered(
        "draft" in of
          ? api.GET("/api/checkouts/{storefront}/line-page", {
              params: { path: { storefront: of.draft }, query },
            })
          : api.GET("/api/shops/{shop}/offer/line", { params: { path: of, query } }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
    enabled,
  });
}

/** The cart, for the market and the buyer of an address. */
export function useCartPage(of: PageOf, search: string, cart: string, enabled = true) {
  const query = Object.fromEntries(new URLSearchParams(elsewhere(search, { cart })));
  return useQuery({
    queryKey: [...keys.offer, "cart", of, query],
    queryFn: () =>
      answered(
        "draft" in of
          ? api.GET("/api/checkouts/{storefront}/cart-page", {
              params: { path: { storefront: of.draft }, query },
            })
          : api.GET("/api/shops/{shop}/offer/cart", { params: { path: of, query } }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
    enabled,
  });
}
