const KEY = "monedero-cart";

/** The cart of this browser, as the server reads it: lines with how often each is ordered. */
export function heldCart(): string {
  return window.localStorage.getItem(KEY) ?? "";
}

/** Keep a cart; an empty one is forgotten. */
export function holdCart(cart: string): void {
  if (cart) window.localStorage.setItem(KEY, cart);
  else window.localStorage.removeItem(KEY);
}

/** A cart in which a line stands so many times; a line that stands no times is gone. */
export function cartWith(cart: string, line: string, times: number): string {
  const items = new Map(
    cart
      .split(",")
      .filter(Boolean)
      .map((item) => item.split(":") as [string, string]),
  );
  if (times > 0) items.set(line, String(times));
  else items.delete(line);
  return [...items].map((item) => item.join(":")).join(",");
}

/** How often a line stands in a cart. */
export function timesIn(cart: string, line: string): number {
  const item = cart.split(",").find((held) => held.startsWith(`${line}:`));
  return Number(item?.split(":")[1] ?? 0);
}

/** Tells what is bought, which is another on another page; market, currency, language and who buys stay. */
const BOUGHT = ["line", "amount", "goods", "delivery", "cart", "voucher"];

/** An address with the same market, language and buyer for something else. */
export function elsewhere(search: string, parts: Record<string, string> = {}): string {
  const query = new URLSearchParams(search);
  for (const part of BOUGHT) query.delete(part);
  for (const [name, value] of Object.entries(parts)) if (value) query.set(name, value);
  return `?${query}`;
}
