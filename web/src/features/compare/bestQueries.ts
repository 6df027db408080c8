import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";

export type Best = Schema<"BestSetOut">;
export type SetMonth = Schema<"SetOut">;

/** Limits that the best set keeps. */
export type Limits = Omit<Schema<"PutIn">, "version">;
export const NO_LIMITS: Limits = {
  most_accounts: null,
  most_ways: null,
  every_order: 0,
  keep: [],
  apart: [],
};

/** The best set of ways for the shop's buyers, within limits. */
export function useBestSet(limits: Limits) {
  return useQuery({
    queryKey: [...keys.bestSet, limits],
    queryFn: () => answered(api.GET("/api/compare/best-set", { params: { query: limits } })),
    placeholderData: keepPreviousData,
  });
}

/** The prices of a plan at which the best set changes; asked for once a plan is named. */
export function usePriceTurns(plan: string | null, limits: Limits) {
  return useQuery({
    queryKey: [...keys.bestSet, "price", plan, limits],
    queryFn: () =>
      answered(
        api.GET("/api/compare/best-set/price", { params: { query: { ...limits, plan: plan ?? "" } } }),
      ),
    enabled: plan !== null,
  });
}

/** The shares of a family at which the best set changes; asked for once a family is named. */
export function useShareTurns(family: string | null, limits: Limits) {
  return useQuery({
    queryKey: [...keys.bestSet, "shares", family, limits],
    queryFn: () =>
      answered(
        api.GET("/api/compare/best-set/shares", {
          params: { query: { ...limits, family: family as Schema<"Family"> } },
        }),
      ),
    enabled: family !== null,
  });
}

/** The values of an assumption at which the best set changes; asked for once one is named. */
export function useValueTurns(asked: Schema<"AskableOut"> | undefined, limits: Limits) {
  return useQuery({
    queryKey: [...keys.bestSet, "assumption", asked?.assumption, asked?.about, limits],
    queryFn: () =>
      answered(
        api.GET("/api/compare/best-set/assumption", {
          params: { query: { ...limits, assumption: asked?.assumption ?? "", about: asked?.about ?? "*" } },
        }),
      ),
    enabled: asked !== undefined,
  });
}

/** One limit at a time for the ways of the best set. */
export function useSuggestedLimits(limits: Limits) {
  return useQuery({
    queryKey: [...keys.bestSet, "limits", limits],
    queryFn: () => answered(api.GET("/api/compare/best-set/limits", { params: { query: limits } })),
    placeholderData: keepPreviousData,
  });
}

/** Money of the best set in the account, day by day. */
export function useMoney(limits: Limits) {
  return useQuery({
    queryKey: [...keys.bestSet, "money", limits],
    queryFn: () => answered(api.GET("/api/compare/best-set/money", { params: { query: limits } })),
    placeholderData: keepPreviousData,
    retry: false,
  });
}
