import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";
import { goTo } from "../../lib/page";

/** A way to pay as a buyer meets it. */
export type Offered = Schema<"OfferedOut">;

/** How the offer of a shop to an order is asked for. */
export function offerOf(shop: string, search: string, voucher: string[]) {
  const query = { ...Object.fromEntries(new URLSearchParams(search)), voucher };
  return {
    queryKey: [...keys.offer, shop, search, voucher],
    queryFn: () => answered(api.GET("/api/shops/{shop}/offer", { params: { path: { shop }, query } })),
    retry: false,
  };
}

/** Tells what the newest edition offers to the order that an address names; the server reads it. */
export function useOffer(shop: string, search: string, voucher: string[]) {
  return useQuery({
    ...offerOf(shop, search, voucher),
    // The page stays while the order is looked at anew: what is being typed is not lost.
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** An order as its buyer sees it after paying. */
export function usePaying(token: string, language: string) {
  return useQuery({
    queryKey: [...keys.order(token), language],
    queryFn: () =>
      answered(api.GET("/api/orders/{token}", { params: { path: { token }, query: { language } } })),
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** Try the code of a voucher; what can be used goes by a handle from then on. */
export function useTryCode(shop: string) {
  return useMutation({
    mutationFn: (body: Schema<"CodeTried">) =>
      answered(api.POST("/api/shops/{shop}/offer/vouchers", { params: { path: { shop } }, body })),
  });
}

const KEY = "monedero-order-key";

/** The key under which an order is placed: asked for again because no answer came, it is placed once. */
function keyOf(order: Schema<"OrderNew">): string {
  const asked = JSON.stringify(order);
  const held = JSON.parse(window.sessionStorage.getItem(KEY) ?? "{}") as { asked?: string; key?: string };
  if (held.asked === asked && held.key) return held.key;
  const key = window.crypto.randomUUID();
  window.sessionStorage.setItem(KEY, JSON.stringify({ asked, key }));
  return key;
}

/** Tells where an order is placed: a buyer's at a shop, the desk's by the draft of a storefront. */
type Till = { shop: string; storefront: string } | { draft: string };

function placing(till: Till, body: Schema<"OrderNew">) {
  const header = { "idempotency-key": keyOf(body) };
  if ("draft" in till) {
    const path = { storefront: till.draft };
    return api.POST("/api/checkouts/{storefront}/orders", { body, params: { path, header } });
  }
  const { shop, storefront } = till;
  const params = { path: { shop }, query: { storefront }, header };
  return api.POST("/api/shops/{shop}/orders", { body, params });
}

/** Place an order and go where its buyer goes next. */
export function usePay(till: Till) {
  return useMutation({
    mutationFn: (order: Schema<"OrderNew">) => answered(placing(till, order)),
    onSuccess: (placed, { order }) => {
      // The same order once more is another one, and what was ordered is in the cart no more.
      window.sessionStorage.removeItem(KEY);
      if (order.cart) window.localStorage.removeItem("monedero-cart");
      goTo(placed.go_to);
    },
  });
}

/** Go on with a payment that was begun and not finished. */
export function useGoOn(token: string) {
  return useMutation({
    mutationFn: () => answered(api.POST("/api/orders/{token}/go-on", { params: { path: { token } } })),
    onSuccess: (placed) => goTo(placed.go_to),
  });
}

/** Send the receipt of a transfer. */
export function useSendReceipt(token: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (file: File) =>
      answered(
        api.POST("/api/orders/{token}/receipt", {
          params: { path: { token } },
          body: { file: "" },
          bodySerializer: () => {
            const form = new FormData();
            form.set("file", file);
            return form;
          },
        }),
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.order(token) }),
  });
}

/** Pay an order another way. */
export function usePayAnotherWay(token: string) {
  return useMutation({
    mutationFn: (another: { tender: string; answers: Record<string, string> }) =>
      answered(api.POST("/api/orders/{token}/tender", { params: { path: { token } }, body: another })),
    onSuccess: (placed) => goTo(placed.go_to),
  });
}
