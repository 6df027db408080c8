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

/** Tells what was typed for an amount, with the currency that is meant where none was typed. The server reads it. */
export function inCurrency(typed: string, currency: string): string {
  return typed === "" || /[\p{L}\p{Sc}]/u.test(typed) ? typed : `${typed} ${currency}`;
}
