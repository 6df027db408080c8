import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useSearchParams } from "react-router";
import { answered, api, Refusal, type Schema } from "../../api/client";
import { keys } from "../../api/keys";
import { changeShop } from "../../lib/useTyped";
import { unlessTakenAway } from "../../ui/AskFirst";

export type Shop = Schema<"Shop">;
type ShopState = Schema<"ShopState">;

/** The shop with its version. */
export function useShop() {
  // The desk says where it does not come.
  return useQuery({
    queryKey: keys.shop,
    queryFn: () => answered(api.GET("/api/shop")),
    throwOnError: false,
  });
}

/** The storefront whose checkout is worked on: the one in the address, else the first; undefined before a shop is. */
export function useStorefront(): string | undefined {
  const fronts = useShop().data?.shop?.storefronts;
  const [address] = useSearchParams();
  return (fronts?.find((front) => front.id === address.get("storefront")) ?? fronts?.[0])?.id;
}

/** Countries, currencies and kinds, for pickers. */
export function useChoices() {
  return useQuery({
    queryKey: keys.choices,
    queryFn: () => answered(api.GET("/api/choices")),
    // Card networks come with the rate cards that name them.
    staleTime: 30_000,
  });
}

/** Groups of countries that can be picked at once; they are the same for every shop. */
export function useCountryGroups() {
  return useQuery({
    queryKey: keys.countryGroups,
    queryFn: () => answered(api.GET("/api/country-groups")),
    staleTime: Number.POSITIVE_INFINITY,
  });
}

/** The towns in a circle around one; they are asked for once, when they are put in an area. */
export const readTowns = (query: { country: string; around: string; kilometres: number }) =>
  answered(api.GET("/api/towns", { params: { query } }));

/**
 * Change the shop: the change is made on the newest shop that is known here, and saved over its version. Where it
 * would take ways to pay away from buyers, the owner is asked first. One change at a time, so that two quick edits do
 * not meet.
 */
export function useChangeShop() {
  const client = useQueryClient();
  return useMutation({
    scope: { id: "shop" },
    mutationFn: async (change: (shop: Shop) => Shop) => {
      const held = client.getQueryData<ShopState>(keys.shop);
      if (!held?.shop) throw new Error("The shop is not here yet.");
      const body = { version: held.version, shop: change(held.shop) };
      const save = (unless_taking: boolean) =>
        answered(api.PUT("/api/shop", { body: { ...body, unless_taking } }));
      try {
        return await save(true);
      } catch (refused) {
        const takes = refused instanceof Refusal ? refused.problem.errors : [];
        if (takes[0]?.code !== "takes-away") throw refused;
        await unlessTakenAway({ takes_away: true, sentences: takes.map((fault) => fault.detail) });
        return save(false);
      }
    },
    onSuccess: (saved) => {
      client.setQueryData(keys.shop, saved);
    },
  });
}

/** Describe a shop for the first time. */
export function useFoundShop() {
  return useMutation({
    mutationFn: (shop: Shop) =>
      answered(api.PUT("/api/shop", { body: { version: 0, shop, unless_taking: false } })),
  });
}

/** Describe an empty shop by a checkout in a file; the page begins anew there. */
export function useOpenFile() {
  return useMutation({
    mutationFn: (file: File) =>
      answered(
        api.POST("/api/checkout-files", {
          body: { file: "" },
          bodySerializer: () => {
            const form = new FormData();
            form.set("file", file);
            return form;
          },
        }),
      ),
    onSuccess: () => window.location.assign("/checkout"),
  });
}

/** Go to the demo shop, or back to the own one; the page begins anew there. */
export function useOtherShop() {
  return useMutation({
    mutationFn: (to: "demo" | "own") =>
      answered(to === "demo" ? api.PUT("/api/demo") : api.DELETE("/api/demo")),
    onSuccess: (_, to) => {
      changeShop(to);
      window.location.assign(to === "demo" ? "/compare" : "/shop");
    },
  });
}
