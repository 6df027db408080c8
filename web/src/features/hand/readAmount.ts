import { answered, api } from "../../api/client";

/** Tells what was typed as an amount, read by the server; in `currency` where none was typed. Throws what it refuses. */
export function readAmount(typed: string, currency: string) {
  return answered(api.GET("/api/amount", { params: { query: { typed, currency } } }));
}
