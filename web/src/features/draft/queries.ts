import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";
import { type Hand, NOTHING } from "../hand";

type Draft = Schema<"Draft">;
export type Tender = Schema<"Tender">;
export type Window = Schema<"Window">;
export type Outcome = Schema<"OutcomeOut">;

/** The draft of the checkout. */
export function useDraft() {
  return useQuery({ queryKey: keys.checkout, queryFn: () => answered(api.GET("/api/checkout")) });
}

/** What the draft offers to the order in hand. */
export function useView(hand: Hand | null) {
  return useQuery({
    queryKey: [...keys.view, hand],
    queryFn: () => answered(api.GET("/api/checkout/view", { params: { query: hand ?? NOTHING } })),
    enabled: hand !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

function useAfterDraft() {
  const client = useQueryClient();
  return {
    client,
    onSuccess: (saved: Draft) => {
      client.setQueryData(keys.checkout, saved);
      for (const key of [keys.view, keys.compare, keys.publication, keys.accounts]) {
        void client.invalidateQueries({ queryKey: key });
      }
    },
    onError: () => {
      for (const key of [keys.checkout, keys.view]) void client.invalidateQueries({ queryKey: key });
    },
  };
}

/** Change the tenders: made on the newest draft that is known here, one change at a time. */
export function useChangeTenders() {
  const { client, ...after } = useAfterDraft();
  return useMutation({
    scope: { id: "draft" },
    mutationFn: (change: (tenders: Tender[]) => Tender[]) => {
      const held = client.getQueryData<Draft>(keys.checkout);
      if (!held) throw new Error("The checkout is not here yet.");
      const body = { version: held.version, tenders: change(held.tenders) };
      return answered(api.PUT("/api/checkout", { body }));
    },
    ...after,
  });
}

/** Put a route, or an arrangement of the shop's own, in the checkout. */
export function useAddTender() {
  const { client, ...after } = useAfterDraft();
  return useMutation({
    scope: { id: "draft" },
    mutationFn: async (added: { method: string; route: Schema<"Route"> | null }) => {
      const held = client.getQueryData<Draft>(keys.checkout) ?? (await answered(api.GET("/api/checkout")));
      return answered(api.POST("/api/checkout/tenders", { body: { ...added, version: held.version } }));
    },
    ...after,
  });
}
