import { useSearchParams } from "react-router";

/** The parts of the order in hand that are known only where somebody said them. */
export const MAY_BE_UNKNOWN = [
  "card_network",
  "postcode",
  "town",
  "delivery",
  "customer_group",
  "device",
  "signed_in",
] as const;

/** The parts of the address that hold the order in hand, with the storefront where it is placed. */
export const PARTS = [
  "market",
  "line",
  "amount",
  "goods",
  "currency",
  "card_kind",
  ...MAY_BE_UNKNOWN,
  "storefront",
] as const;

/** The part of the address that holds the order in hand, for links to other views. */
export function useHandSearch(): string {
  const [address] = useSearchParams();
  return handSearch(address);
}

/** The same from the address as it is at this moment, for what happens between two renderings. */
export function handSearchNow(): string {
  return handSearch(new URLSearchParams(window.location.search));
}

function handSearch(address: URLSearchParams): string {
  const kept = new URLSearchParams();
  for (const part of PARTS) {
    const value = address.get(part);
    if (value) kept.set(part, value);
  }
  const text = kept.toString();
  return text ? `?${text}` : "";
}

/** A link with the order in hand, which may ask for something of its own, such as a mode or what is opened there. */
export function withHand(link: string, search: string): string {
  return link.includes("?") ? `${link}${search.replace("?", "&")}` : `${link}${search}`;
}
