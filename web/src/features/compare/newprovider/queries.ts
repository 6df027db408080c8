import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../../api/client";
import { keys } from "../../../api/keys";

export type NewProvider = Schema<"NewProvider">;
export type Preview = Schema<"NewProviderOut">;
export type Table = Schema<"PriceTable">;
export type Columns = Schema<"PriceColumns">;
export type Line = Schema<"LineOut">;
export type Row = NonNullable<NewProvider["rows"]>[number];
export type Correction = NonNullable<NewProvider["corrections"]>[number];

/** How the prices would be read, and what the order in hand would cost by them. */
export function usePreview(asked: NewProvider, ready: boolean) {
  return useQuery({
    queryKey: [...keys.tried, "new", asked],
    queryFn: () => answered(api.POST("/api/new-provider/preview", { body: asked })),
    enabled: ready,
    placeholderData: keepPreviousData,
    retry: false,
    gcTime: 10_000,
  });
}

/** Counts the orders of the month that no price would be found for; asked once the prices are read. */
export function useWithoutPrice(asked: NewProvider, ready: boolean) {
  const { hand: _, ...prices } = asked;
  return useQuery({
    queryKey: [...keys.tried, "month", prices],
    queryFn: () => answered(api.POST("/api/new-provider/month", { body: prices })),
    enabled: ready,
    placeholderData: keepPreviousData,
    retry: false,
    gcTime: 10_000,
  });
}

/** Read a table of prices; the bytes go as they are. */
export function useReadTable() {
  return useMutation({
    mutationFn: (file: File) =>
      answered(api.POST("/api/new-provider/table", { body: "", bodySerializer: () => file })),
  });
}

/** The price list that a table says. */
export function useTableText() {
  return useMutation({
    mutationFn: (body: Schema<"TableAsText">) => answered(api.POST("/api/new-provider/table/text", { body })),
  });
}

/** Keep the prices as a rate card. */
export function useAddProvider() {
  return useMutation({
    mutationFn: (asked: NewProvider) => answered(api.POST("/api/new-provider", { body: asked })),
  });
}
