import { useMutation, useQuery } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";
import { useStorefront } from "../shop";

const PATH = "/api/checkouts/{storefront}/pause";

/** The pause that the storefront is in, if it is in one. */
export function usePause() {
  const storefront = useStorefront();
  return useQuery({
    queryKey: keys.pause(storefront),
    queryFn: () => answered(api.GET(PATH, { params: { path: { storefront: storefront ?? "" } } })),
    enabled: storefront !== undefined,
  });
}

/** Pause the storefront. */
export function usePauseNow() {
  const storefront = useStorefront() ?? "";
  return useMutation({
    mutationFn: (body: Schema<"PauseNow">) =>
      answered(api.PUT(PATH, { params: { path: { storefront } }, body })),
  });
}

/** Open the storefront again. */
export function useOpenAgain() {
  const storefront = useStorefront() ?? "";
  return useMutation({
    mutationFn: () => answered(api.DELETE(PATH, { params: { path: { storefront } } })),
  });
}
