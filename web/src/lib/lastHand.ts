const LAST = "monedero-order-in-hand";

/** Remember the order in hand of this tab, for the way back from pages that do not carry it. */
export function rememberHand(search: string) {
  if (search) sessionStorage.setItem(LAST, search);
}

/** The order in hand that this tab had last, as the part of an address. */
export function lastHand(): string {
  return sessionStorage.getItem(LAST) ?? "?";
}
