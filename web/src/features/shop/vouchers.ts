import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";

/** Every voucher of the shop, with its entries. */
export function useVouchers() {
  return useQuery({ queryKey: keys.vouchers, queryFn: () => answered(api.GET("/api/vouchers")) });
}

/** Issue a voucher; its code is in the answer alone. */
export function useIssue() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Schema<"VoucherNew">) => answered(api.POST("/api/vouchers", { body })),
    onSuccess: ({ code: _, ...vouchers }) => client.setQueryData(keys.vouchers, vouchers),
  });
}

/** Take away what is left on a voucher. */
export function useEnd() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => answered(api.POST("/api/vouchers/{id}/end", { params: { path: { id } } })),
    onSuccess: (vouchers) => client.setQueryData(keys.vouchers, vouchers),
  });
}
