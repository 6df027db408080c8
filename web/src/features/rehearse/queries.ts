import { useMutation, useQuery } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";
import type { paths } from "../../api/schema";

export type OrderRecord = Schema<"OrderOut">;
type RecordsWanted = NonNullable<paths["/api/records"]["get"]["parameters"]["query"]>;
export type State = OrderRecord["state"];

/** Some order records, the newest first; what time does by itself is seen without asking. */
export function useRecords(wanted: RecordsWanted) {
  return useQuery({
    queryKey: [...keys.orders, "list", wanted],
    queryFn: () => answered(api.GET("/api/records", { params: { query: wanted } })),
    refetchInterval: 10_000,
    placeholderData: (before) => before,
  });
}

/** One order record, whole. */
export function useRecord(token: string | undefined) {
  return useQuery({
    queryKey: [...keys.orders, "one", token],
    queryFn: () => answered(api.GET("/api/records/{token}", { params: { path: { token: token ?? "" } } })),
    refetchInterval: 10_000,
    enabled: token !== undefined,
  });
}

/** Tells what the owner can do with an order; each is asked over the version that was looked at. */
export function useRecordActs(record: OrderRecord) {
  const params = { path: { token: record.token } };
  const { version } = record;
  const act = <Given>(mutationFn: (given: Given) => Promise<OrderRecord>) => ({
    mutationFn,
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
    weigh: useMutation(
      act((given: { amount: string; note: string }) =>
        answered(api.POST("/api/records/{token}/weigh", { params, body: { version, ...given } })),
      ),
    ),
    restPaid: useMutation(
      act(() => answered(api.POST("/api/records/{token}/rest-paid", { params, body: { version } }))),
    ),
    restLetGo: useMutation(
      act(() => answered(api.POST("/api/records/{token}/rest-let-go", { params, body: { version } }))),
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
