import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";
import { type Hand, NOTHING } from "../hand";

export type Ranked = Schema<"RankedOut">;
export type Shut = Schema<"ShutOut">;
export type RouteOut = Schema<"RouteOut">;

/** Every route for the order in hand. */
export function useComparison(hand: Hand | null) {
  return useQuery({
    queryKey: [...keys.compare, hand],
    queryFn: () => answered(api.GET("/api/compare", { params: { query: hand ?? NOTHING } })),
    enabled: hand !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

function useAfterCards() {
  const client = useQueryClient();
  return () => client.invalidateQueries();
}

/** Read a rate card from a file. */
export function useReadCard() {
  return useMutation({
    mutationFn: (file: File) =>
      // The bytes go as they are: what is wrong with them is for the server to say.
      answered(api.POST("/api/rate-cards", { body: "", bodySerializer: () => file })),
    onSuccess: useAfterCards(),
  });
}

/** Put in the seven example cards. */
export function useExampleCards() {
  return useMutation({
    mutationFn: () => answered(api.POST("/api/rate-cards/examples")),
    onSuccess: useAfterCards(),
  });
}
