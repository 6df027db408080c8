import { useMutation, useQuery } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";
import { useStorefront } from "../shop";

type Shown = Pick<Schema<"Publication">, "storefront" | "fingerprint"> & { note: string };

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
    mutationFn: ({ storefront, ...body }: Shown) =>
      answered(api.POST("/api/checkouts/{storefront}/editions", { params: { path: { storefront } }, body })),
  });
}

/** Plan what was looked at as the edition from a moment on. */
export function usePlan() {
  return useMutation({
    mutationFn: ({ storefront, ...body }: Shown & { at: string }) =>
      answered(
        api.PUT("/api/checkouts/{storefront}/planned-edition", { params: { path: { storefront } }, body }),
      ),
  });
}

/** Take a planned edition back. */
export function usePlanNoMore() {
  const storefront = useStorefront() ?? "";
  return useMutation({
    mutationFn: () =>
      answered(
        api.DELETE("/api/checkouts/{storefront}/planned-edition", { params: { path: { storefront } } }),
      ),
  });
}

/** Asks what going back to an edition would change for buyers. */
export function useDifference() {
  const storefront = useStorefront() ?? "";
  return (id: number) =>
    answered(
      api.GET("/api/checkouts/{storefront}/editions/{id}/difference", {
        params: { path: { storefront, id } },
      }),
    );
}

/** Publish an earlier edition again. */
export function useGoBack() {
  const storefront = useStorefront() ?? "";
  return useMutation({
    mutationFn: ({ id, note }: { id: number; note: string }) =>
      answered(
        api.POST("/api/checkouts/{storefront}/editions/{id}/again", {
          params: { path: { storefront, id } },
          body: { note },
        }),
      ),
  });
}
