import { useMutation, useQuery } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";
import { useStorefront } from "../shop";

/** The things that stand between the draft and real buyers. */
export function useReady() {
  const storefront = useStorefront();
  return useQuery({
    queryKey: keys.ready(storefront),
    queryFn: () =>
      answered(
        api.GET("/api/checkouts/{storefront}/ready", { params: { path: { storefront: storefront ?? "" } } }),
      ),
    enabled: storefront !== undefined,
  });
}

/** Accept a warning with a reason. */
export function useAccept() {
  const storefront = useStorefront() ?? "";
  return useMutation({
    mutationFn: (body: Schema<"AcceptNow">) =>
      answered(
        api.POST("/api/checkouts/{storefront}/ready/acceptances", { params: { path: { storefront } }, body }),
      ),
  });
}

/** Accept a warning no more. */
export function useAcceptNoMore() {
  const storefront = useStorefront() ?? "";
  return useMutation({
    mutationFn: (item: string) =>
      answered(
        api.DELETE("/api/checkouts/{storefront}/ready/acceptances/{item}", {
          params: { path: { storefront, item } },
        }),
      ),
  });
}
