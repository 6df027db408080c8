import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answered, api } from "../../api/client";
import { keys } from "../../api/keys";
import { elsewhere } from "./cart";

type By = "draft" | "newest-edition";

/** The page of a line, for the market and the buyer of an address. */
export function useLinePage(search: string, line: string, by: By, enabled = true) {
  const query = { ...Object.fromEntries(new URLSearchParams(elsewhere(search))), line, by };
  return useQuery({
    queryKey: [...keys.offer, "line", query],
    queryFn: () => answered(api.GET("/api/offer/line", { params: { query } })),
    placeholderData: keepPreviousData,
    retry: false,
    enabled,
  });
}

/** The cart, for the market and the buyer of an address. */
export function useCartPage(search: string, cart: string, by: By, enabled = true) {
  const query = { ...Object.fromEntries(new URLSearchParams(elsewhere(search, { cart }))), by };
  return useQuery({
    queryKey: [...keys.offer, "cart", query],
    queryFn: () => answered(api.GET("/api/offer/cart", { params: { query } })),
    placeholderData: keepPreviousData,
    retry: false,
    enabled,
  });
}
