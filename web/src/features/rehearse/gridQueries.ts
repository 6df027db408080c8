import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";
import { useStorefront } from "../shop";

export type Grid = Schema<"RehearsalOut">;
export type GridCell = Schema<"PlayedCellOut">;
export type Case = Schema<"CaseOut">;
export type EvidenceOut = Schema<"EvidenceOut">;
export type Standing = Case["standing"];

/** While cases are played the grid is asked for this often, in milliseconds. */
const WHILE_PLAYING = 700;

/** How every case of the draft stands, and what is being played. */
export function useGrid() {
  const storefront = useStorefront();
  return useQuery({
    queryKey: keys.rehearsal(storefront),
    queryFn: () =>
      answered(
        api.GET("/api/checkouts/{storefront}/rehearsal", {
          params: { path: { storefront: storefront ?? "" } },
        }),
      ),
    enabled: storefront !== undefined,
    refetchInterval: ({ state }) => (state.data?.progress?.over === false ? WHILE_PLAYING : false),
  });
}

/** How many cases of the draft stand how. */
export function useRehearsalState() {
  const storefront = useStorefront();
  return useQuery({
    queryKey: [...keys.rehearsal(storefront), "state"],
    queryFn: () =>
      answered(
        api.GET("/api/checkouts/{storefront}/rehearsal/state", {
          params: { path: { storefront: storefront ?? "" } },
        }),
      ),
    enabled: storefront !== undefined,
  });
}

/** The evidence of one case. */
export function useEvidence(id: string | null) {
  const storefront = useStorefront();
  return useQuery({
    queryKey: [...keys.rehearsal(storefront), "case", id],
    queryFn: () =>
      answered(
        api.GET("/api/checkouts/{storefront}/rehearsal/case", {
          params: { path: { storefront: storefront ?? "" }, query: { id: id ?? "" } },
        }),
      ),
    enabled: storefront !== undefined && id !== null,
    retry: false,
  });
}

/** Play cases by their ids; none: all. */
export function usePlay() {
  const storefront = useStorefront() ?? "";
  const client = useQueryClient();
  return useMutation({
    mutationFn: (cases: string[]) =>
      answered(
        api.POST("/api/checkouts/{storefront}/rehearsal/play", {
          params: { path: { storefront } },
          body: { cases },
        }),
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.rehearsal(storefront) }),
  });
}

/** Stop what is being played. */
export function useStopPlaying() {
  const storefront = useStorefront() ?? "";
  return useMutation({
    mutationFn: () =>
      answered(api.POST("/api/checkouts/{storefront}/rehearsal/stop", { params: { path: { storefront } } })),
  });
}
