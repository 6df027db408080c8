import { useMutation, useQuery } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";
import { useStorefront } from "../shop";

type Shown = Pick<Schema<"Publication">, "storefront" | "fingerprint">;

/** Tells what the draft would change for buyers, and the editions. */
export function usePublication() {
  const storefront = useStorefront();
  return useQuery({
    queryKey: keys.publication(storefront),
    queryFn: () =>
      answered(
        api.GET("/api/checkouts/{storefront}/publication", {
          params: { path: { storefront: storefront ?? "" } },
        }),
      ),
    enabled: storefront !== undefined,
  });
}

/** The orders that ways to pay gain and lose when the draft is published. */
export function useMoves() {
  const storefront = useStorefront();
  return useQuery({
    queryKey: keys.moves(storefront),
    queryFn: () =>
      answered(
        api.GET("/api/checkouts/{storefront}/publication/moves", {
          params: { path: { storefront: storefront ?? "" } },
        }),
      ),
    enabled: storefront !== undefined,
  });
}

/** Publish what was looked at, by its fingerprint. */
export function usePublish() {
  return useMutation({
    mutationFn: ({ storefront, fingerprint }: Shown) =>
      answered(
        api.POST("/api/checkouts/{storefront}/editions", {
          params: { path: { storefront } },
          body: { fingerprint },
        }),
      ),
  });
}
