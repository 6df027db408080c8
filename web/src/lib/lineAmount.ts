import { partsOf } from "./money";

/**
 * The amount at which an order of a line begins in a currency: the server works it out for every currency of the shop;
 * for another one it is the usual amount as it is typed.
 */
export function lineAmount(
  beginsAt: Record<string, Record<string, string>>,
  line: { id: string; usual_amount: string; highest?: string | null },
  currency: string,
): string {
  return beginsAt[line.id]?.[currency] ?? partsOf(line.highest ?? line.usual_amount).amount;
}
