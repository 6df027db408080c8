import { useMutation, useQuery } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";

export type Assumption = Schema<"AssumptionOut">;

/** Every assumption with what it is about. */
export function useAssumptions() {
  return useQuery({ queryKey: keys.assumptions, queryFn: () => answered(api.GET("/api/assumptions")) });
}

/** Type a value for an assumption; without one its default holds again. */
export function useAssume() {
  return useMutation({
    scope: { id: "assumptions" },
    mutationFn: (edit: { id: string; about: string; value: string | null }) =>
      answered(api.PUT("/api/assumptions", { body: edit })),
  });
}
