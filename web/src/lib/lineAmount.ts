import { partsOf } from "./money";

/** The amount at which an order of a line begins: what it usually comes to, or the most that weighed goods may. */
export function lineAmount(line: { usual_amount: string; highest?: string | null }): string {
  return partsOf(line.highest ?? line.usual_amount).amount;
}
