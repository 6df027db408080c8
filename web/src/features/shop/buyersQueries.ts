import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";

export type BuyersState = Schema<"BuyersState">;
export type BuyersOf = Schema<"BuyersOut">;
export type Family = Schema<"Family">;
type Share = Omit<Schema<"ShareEdit">, "version">;

/** Shares of buyers, and what follows for the checkout as it stands. */
export function useBuyers() {
  return useQuery({ queryKey: keys.buyers, queryFn: () => answered(api.GET("/api/buyers")) });
}

function useEdit<Given>(edit: (version: number, given: Given) => Promise<BuyersState>) {
  const client = useQueryClient();
  return useMutation({
    scope: { id: "profile" },
    mutationFn: (given: Given) => {
      const held = client.getQueryData<BuyersState>(keys.buyers);
      if (!held) throw new Error("What buyers pay with is not here yet.");
      return edit(held.version, given);
    },
    onSuccess: (saved) => {
      client.setQueryData(keys.buyers, saved);
    },
  });
}

/** Type a share, or how many would take another way; the other shares follow. */
export function useTypeShare() {
  return useEdit((version, share: Share) =>
    answered(api.POST("/api/buyers/shares", { body: { version, ...share } })),
  );
}

/** Take what was typed of a country's buyers away. */
export function useForgetShares() {
  return useEdit((version, country: string | null) =>
    answered(api.POST("/api/buyers/forget", { body: { version, country } })),
  );
}
