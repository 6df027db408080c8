import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../../api/client";
import { keys } from "../../../api/keys";
import { type Hand, NOTHING } from "../../hand";

export type Card = Schema<"RateCard">;
export type HeldCard = Schema<"StoredCardOut">;
export type Rate = Schema<"Rate">;
export type Extra = Schema<"Extra">;
export type When = Schema<"When">;
export type Facts = Schema<"ProviderFacts">;
export type Tried = Schema<"TriedOut">;

/** Every provider with the versions of its rate card. */
export function useCards() {
  return useQuery({ queryKey: keys.cards, queryFn: () => answered(api.GET("/api/rate-cards")) });
}

/** One version of a provider's rate card. */
export function useCard(provider: string, day: string) {
  return useQuery({
    queryKey: keys.card(provider, day),
    queryFn: () =>
      answered(api.GET("/api/rate-cards/{provider}/{day}", { params: { path: { provider, day } } })),
    retry: false,
  });
}

/** Tells what the order in hand would cost on a card as it is typed. */
export function useTried(card: Card | null, hand: Hand | null) {
  return useQuery({
    queryKey: [...keys.tried, card, hand],
    queryFn: () => {
      if (!card) throw new Error("There is no card to try.");
      return answered(api.POST("/api/rate-cards/try", { body: { card, hand: hand ?? NOTHING } }));
    },
    enabled: card !== null && hand !== null,
    placeholderData: keepPreviousData,
    retry: false,
    staleTime: 0,
    gcTime: 10_000,
  });
}

/** Change a card: made on the newest state that is known here, one change at a time, saved as a whole. */
export function useChangeCard(provider: string, day: string) {
  const client = useQueryClient();
  return useMutation({
    scope: { id: `card ${provider}` },
    mutationFn: (change: (card: Card) => Card) => {
      const held = client.getQueryData<HeldCard>(keys.card(provider, day));
      if (!held) throw new Error("The rate card is not here yet.");
      return answered(
        api.PUT("/api/rate-cards/{provider}/{day}", {
          params: { path: { provider, day } },
          body: { version: held.version, card: change(held.card) },
        }),
      );
    },
    onSuccess: (saved) => {
      client.setQueryData(keys.card(provider, saved.day), saved);
    },
  });
}

/** Tells what is known of a provider besides its prices. */
export function useFacts(provider: string) {
  return useQuery({
    queryKey: keys.facts(provider),
    queryFn: () => answered(api.GET("/api/providers/{provider}", { params: { path: { provider } } })),
    retry: false,
  });
}

/** Change what is known of a provider: over the newest state that is known here, one change at a time. */
export function useChangeFacts(provider: string) {
  const client = useQueryClient();
  return useMutation({
    scope: { id: `provider ${provider}` },
    mutationFn: (change: (facts: Facts) => Facts) => {
      const held = client.getQueryData<Schema<"FactsOut">>(keys.facts(provider));
      if (!held) throw new Error("The provider is not here yet.");
      return answered(
        api.PUT("/api/providers/{provider}", {
          params: { path: { provider } },
          body: { before: held.facts, facts: change(held.facts) },
        }),
      );
    },
    onSuccess: (saved) => {
      client.setQueryData(keys.facts(provider), saved);
    },
  });
}

/** Keep a card as a new version. */
export function useNewVersion() {
  return useMutation({
    mutationFn: (card: Card) =>
      answered(
        api.PUT("/api/rate-cards/{provider}/{day}", {
          params: { path: { provider: card.provider.id, day: card.valid_from ?? "always" } },
          body: { version: 0, card },
        }),
      ),
  });
}

/** Take a version away. */
export function useRemoveVersion() {
  return useMutation({
    mutationFn: ({ provider, day }: { provider: string; day: string }) =>
      answered(api.DELETE("/api/rate-cards/{provider}/{day}", { params: { path: { provider, day } } })),
  });
}

/** Put a table's rates in the place of a card's. */
export function useReadTable(provider: string, day: string) {
  return useMutation({
    mutationFn: (file: File) =>
      answered(
        api.POST("/api/rate-cards/{provider}/{day}/rates.csv", {
          params: { path: { provider, day } },
          body: "",
          bodySerializer: () => file,
        }),
      ),
  });
}
