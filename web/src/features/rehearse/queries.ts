import { useQuery } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";

export type OrderRecord = Schema<"OrderOut">;

/** Every order record, the newest first. */
export function useOrders() {
  return useQuery({ queryKey: keys.orders, queryFn: () => answered(api.GET("/api/orders")) });
}
