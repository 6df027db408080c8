import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";

export type OrderRecord = Schema<"OrderOut">;
export type State = OrderRecord["state"];

/** Every order record, the newest first; what time does by itself is seen without asking. */
export function useOrders() {
  return useQuery({
    queryKey: keys.orders,
    queryFn: () => answered(api.GET("/api/records")),
    refetchInterval: 10_000,
  });
}

/** What the owner can do with an order; each is asked over the version that was looked at. */
export function useRecordActs(record: OrderRecord) {
  const client = useQueryClient();
  const params = { path: { token: record.token } };
  const { version } = record;
  const act = <Given>(mutationFn: (given: Given) => Promise<OrderRecord>) => ({
    mutationFn,
    onSettled: () => client.invalidateQueries({ queryKey: keys.orders }),
  });
  const amount = (given: string) => ({ params, body: { version, amount: given } });
  return {
    take: useMutation(act((given: string) => answered(api.POST("/api/records/{token}/take", amount(given))))),
    release: useMutation(
      act(() => answered(api.POST("/api/records/{token}/release", { params, body: { version } }))),
    ),
    refund: useMutation(
      act((given: string) => answered(api.POST("/api/records/{token}/refund", amount(given)))),
    ),
    refundDouble: useMutation(
      act((given: string) => answered(api.POST("/api/records/{token}/refund-double", amount(given)))),
    ),
    credit: useMutation(
      act((given: string) => answered(api.POST("/api/records/{token}/credit", amount(given)))),
    ),
    send: useMutation(
      act((given: { amount: string; note: string }) =>
        answered(api.POST("/api/records/{token}/send", { params, body: { version, ...given } })),
      ),
    ),
    paid: useMutation(
      act(() => answered(api.POST("/api/records/{token}/paid", { params, body: { version } }))),
    ),
    refuseReceipt: useMutation(
      act((reason: string) =>
        answered(api.POST("/api/records/{token}/receipt-refused", { params, body: { version, reason } })),
      ),
    ),
    look: useMutation(act(() => answered(api.POST("/api/records/{token}/look", { params })))),
  };
}
