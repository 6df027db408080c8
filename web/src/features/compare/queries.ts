import { keepPreviousData, queryOptions, useMutation, useQuery } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";
import { type Hand, NOTHING } from "../hand";

/** How long an answer that was asked for ahead is not asked for again. */
const MOMENT = 1000;
/** How much of a file is looked at to see what it is. */
const LOOKED_AT = 2000;

export type Comparison = Schema<"ComparisonOut">;
export type Ranked = Schema<"RankedOut">;
export type Shut = Schema<"ShutOut">;
export type RouteOut = Schema<"RouteOut">;
export type Assumption = Schema<"AssumptionOut">;
export type Curves = Schema<"CurvesOut">;
export type OneProvider = Schema<"OneProviderOut">;
export type Volumes = Schema<"VolumesOut">;
/** Puts a route, or an arrangement of the shop's own, in the checkout. */
export type Add = (added: { method: string; route: RouteOut["route"] }) => void;
export type Of = "all-in" | "fees";

/** The question for every route for an order. */
export function comparisonOf(hand: Hand | null) {
  return queryOptions({
    queryKey: [...keys.compare, hand],
    queryFn: () => answered(api.GET("/api/compare", { params: { query: hand ?? NOTHING } })),
    retry: false,
    staleTime: MOMENT,
    // Nearly every figure is another one for another order: looking for what stayed the same would only take time.
    structuralSharing: false,
  });
}

/** Every route for the order in hand. */
export function useComparison(hand: Hand | null) {
  return useQuery({
    ...comparisonOf(hand),
    enabled: hand !== null,
    placeholderData: keepPreviousData,
  });
}

/** How the cost of one route came about for the order in hand. */
export function useRouteDetail(hand: Hand | null, key: string) {
  return useQuery({
    queryKey: [...keys.compare, "route", key, hand],
    queryFn: () =>
      answered(api.GET("/api/compare/route", { params: { query: { ...(hand ?? NOTHING), key } } })),
    enabled: hand !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** Prices that end or begin later, and let another route come first. */
export function usePriceChanges(hand: Hand | null) {
  return useQuery({
    queryKey: [...keys.compare, "changes", hand],
    queryFn: () => answered(api.GET("/api/compare/changes", { params: { query: hand ?? NOTHING } })),
    enabled: hand !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** Tells which assumptions would let another method come first. */
export function useTurnings(hand: Hand | null) {
  return useQuery({
    queryKey: [...keys.compare, "turnings", hand],
    queryFn: () => answered(api.GET("/api/compare/turnings", { params: { query: hand ?? NOTHING } })),
    enabled: hand !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** The curves of every open route between two amounts; they do not move with the order's own amount. */
export function useCurves(hand: Hand | null, low: string, high: string, of: Of) {
  const asked = { ...(hand ?? NOTHING), amount: low, low, high, of };
  return useQuery({
    queryKey: [...keys.curves, asked],
    queryFn: () => answered(api.GET("/api/compare/curves", { params: { query: asked } })),
    enabled: hand !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** Plans and providers over the month. */
export function usePlans() {
  return useQuery({ queryKey: keys.plans, queryFn: () => answered(api.GET("/api/compare/plans")) });
}

export type CatalogueEntry = Schema<"EntryOut">;

/** Tells who carries what is asked for. */
export function useCatalogue(asks: string, unpriced = false) {
  return useQuery({
    queryKey: [...keys.catalogue, asks, unpriced],
    queryFn: () => answered(api.GET("/api/catalogue", { params: { query: { asks, unpriced } } })),
    placeholderData: keepPreviousData,
  });
}

/** Begin the application for an account. */
export function useBegin() {
  return useMutation({
    mutationFn: (provider: string) =>
      answered(
        api.POST("/api/accounts/{provider}/begin", {
          params: { path: { provider } },
          body: { mode: "test" },
        }),
      ),
  });
}

/** Read a rate card from a file. A file of a provider is one as well: it says so by its format. */
export function useReadCard() {
  return useMutation({
    mutationFn: async (file: File) => {
      // The bytes go as they are: what is wrong with them is for the server to say.
      const sent = { body: "", bodySerializer: () => file };
      if (/"monedero\/provider\//.test(await file.slice(0, LOOKED_AT).text())) {
        const read = await answered(api.POST("/api/providers/file", sent));
        return `${read.provider_name} is read${read.with_card ? ", with its rate card" : ""}.`;
      }
      const card = await answered(api.POST("/api/rate-cards", sent));
      return `${card.provider_name}'s rate card is read: ${card.routes} routes.`;
    },
  });
}

/** Put the examples away again; what asked for it may be gone when that is done. */
export function usePutExamplesAway(onSuccess: () => void) {
  return useMutation({ mutationFn: () => answered(api.DELETE("/api/rate-cards/examples")), onSuccess });
}

/** Put in the seven example cards. */
export function useExampleCards() {
  return useMutation({
    mutationFn: () => answered(api.POST("/api/rate-cards/examples")),
  });
}
