/** Money travels as text, `85.00 EUR`. These functions take it apart and set it; none of them computes a fee. */

interface MoneyParts {
  amount: string;
  currency: string;
}

/** `85.00 EUR` into its two parts. */
export function partsOf(money: string): MoneyParts {
  const [amount = "", currency = ""] = money.split(" ");
  return { amount, currency };
}

/** An amount with its whole part grouped by thousands: `1200.00` becomes `1,200.00`. */
export function grouped(amount: string): string {
  const [whole = "", decimals] = amount.split(".");
  const thousands = whole.replace(/\B(?=(\d{3})+$)/g, ",");
  return decimals === undefined ? thousands : `${thousands}.${decimals}`;
}

/** Money for reading: `1,200.00 EUR`. */
export function shown(money: string): string {
  const { amount, currency } = partsOf(money);
  return `${grouped(amount)} ${currency}`;
}

/** The amount as a number, for drawing lengths and places only. */
export function drawn(money: string): number {
  return Number(partsOf(money).amount);
}

/**
 * An amount as it was typed, without the commas that group its thousands. Any other comma stays, so that the
 * server refuses it: `85,5` must never become 855.
 */
export function ungrouped(typed: string): string {
  const text = typed.trim();
  return /^-?\d{1,3}(,\d{3})+(\.\d*)?$/.test(text) ? text.replaceAll(",", "") : text;
}
