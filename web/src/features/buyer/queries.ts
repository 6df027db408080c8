import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";
import { type Hand, NOTHING } from "../hand";

/** What the newest edition offers to an order. */
export function useOffer(hand: Hand | null) {
  return useQuery({
    queryKey: [...keys.offer, hand],
    queryFn: () => answered(api.GET("/api/offer", { params: { query: hand ?? NOTHING } })),
    enabled: hand !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** An order as its buyer sees it after paying. */
export function usePaying(token: string) {
  return useQuery({
    queryKey: keys.order(token),
    queryFn: () => answered(api.GET("/api/orders/{token}", { params: { path: { token } } })),
    retry: false,
  });
}

/** Place an order and go where its buyer goes next. */
export function usePay() {
  return useMutation({
    mutationFn: (order: Schema<"OrderNew">) => answered(api.POST("/api/orders", { body: order })),
    onSuccess: (placed) => window.location.assign(placed.go_to),
  });
}

/** Pay an order another way. */
export function usePayAnotherWay(token: string) {
  return useMutation({
    mutationFn: (tender: string) =>
      answered(api.POST("/api/orders/{token}/tender", { params: { path: { token } }, body: { tender } })),
    onSuccess: (placed) => window.location.assign(placed.go_to),
  });
}
