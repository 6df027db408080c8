import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";
import type { paths } from "../../api/schema";
import { useAfterDraft, useHeld } from "../draft";
import { useStorefront } from "../shop";

export type Coverage = Schema<"CoverageOut">;
export type Block = Schema<"BlockOut">;
export type Row = Schema<"RowOut">;
export type Cell = Schema<"CellOut">;
export type Finding = Schema<"FoundOut">;
export type Fix = Schema<"FixOut">;
export type OrderToHand = Schema<"OrderToHand">;
type Asked = NonNullable<paths["/api/checkouts/{storefront}/coverage"]["get"]["parameters"]["query"]>;
/** Tells which orders are looked at, and how the accounts count. */
export type Look = Omit<Asked, "finding" | "fix" | "on">;
/** A fix of a finding that is looked at. */
export type Named = Pick<Schema<"MakeFix">, "finding" | "fix">;

/** How the accounts count. */
const accountsOf = ({ ready = false, without }: Look) => ({ ready, ...(without && { without }) });

/** Tells who can pay and how; with a fix, as if that was made. */
export function useCoverage(look: Look, named: Named | null) {
  const storefront = useStorefront();
  return useQuery({
    queryKey: [...keys.coverage, storefront, look, named],
    queryFn: () =>
      answered(
        api.GET("/api/checkouts/{storefront}/coverage", {
          params: { path: { storefront: storefront ?? "" }, query: { ...look, ...named } },
        }),
      ),
    enabled: storefront !== undefined,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** Tells what ends each finding; it takes longer than the findings, and is asked for once they are there. */
export function useFixes(look: Look, isWanted: boolean) {
  const storefront = useStorefront();
  const query = accountsOf(look);
  return useQuery({
    queryKey: [...keys.fixes, storefront, query],
    queryFn: () =>
      answered(
        api.GET("/api/checkouts/{storefront}/coverage/fixes", {
          params: { path: { storefront: storefront ?? "" }, query },
        }),
      ),
    enabled: storefront !== undefined && isWanted,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** Make a fix in the draft. */
export function useMakeFix(look: Look) {
  const { client: _, ...after } = useAfterDraft();
  const { storefront, held } = useHeld();
  return useMutation({
    scope: { id: "draft" },
    mutationFn: (named: Named) => {
      const body = { version: held().version, ...named, ...accountsOf(look) };
      return answered(
        api.POST("/api/checkouts/{storefront}/coverage/fix", { params: { path: { storefront } }, body }),
      );
    },
    ...after,
  });
}

/** An order of a cell, to put in hand: one of those with the fewest ways to pay. */
export function useOrderOfCell(look: Look) {
  const storefront = useStorefront() ?? "";
  const client = useQueryClient();
  return (market: string, row: Row, cell: Cell) => {
    const { first, below } = cell;
    const query = { ...look, market, lines: row.lines.join("+"), first, ...(below !== null && { below }) };
    return client.fetchQuery({
      queryKey: [...keys.coverage, storefront, "order", query],
      queryFn: () =>
        answered(
          api.GET("/api/checkouts/{storefront}/coverage/order", {
            params: { path: { storefront }, query },
          }),
        ),
    });
  };
}
