import type { Option } from "../../ui/Picker";
import type { Shop } from "../shop";
import type { Hand } from "./useHand";

/** Stands for what is not said of an order. */
export const UNKNOWN = "unknown";

type Name = "delivery" | "customer_group" | "device" | "signed_in" | "postcode" | "town";

interface Part {
  part: Name;
  label: string;
  /** Tells what the sentence says while it is not known. */
  unknown: string;
  options: Option[];
}

/** The parts of the sentence that a condition or the delivery asks, or that somebody said; the others stay out of it. */
export function partsAsked(shop: Shop, hand: Hand, asked: string[]): Part[] {
  const goes = shop.lines.find((line) => line.id === hand.line)?.deliveries ?? [];
  const all: Part[] = [
    {
      part: "delivery",
      label: "Way of delivery",
      unknown: "delivered in any way",
      options: shop.deliveries
        .filter((way) => goes.includes(way.id))
        .map((way) => ({
          value: way.id,
          label: way.kind === "courier" || way.kind === "own-round" ? `by ${way.name}` : way.name,
        })),
    },
    { part: "postcode", label: "Postcode of the buyer", unknown: "", options: [] },
    { part: "town", label: "Town of the buyer", unknown: "", options: [] },
    {
      part: "customer_group",
      label: "Customer group",
      unknown: "by any customer",
      options: shop.customer_groups.map((group) => ({ value: group.id, label: `as ${group.name}` })),
    },
    {
      part: "device",
      label: "Device",
      unknown: "on any device",
      options: [
        { value: "phone", label: "on a phone" },
        { value: "desktop", label: "on a computer" },
      ],
    },
    {
      part: "signed_in",
      label: "Signed in or guest",
      unknown: "signed in or not",
      options: [
        { value: "true", label: "signed in" },
        { value: "false", label: "as a guest" },
      ],
    },
  ];
  const facts = new Set(asked);
  // How a line goes that is not delivered is known.
  if (goes.length === 0) facts.delete("delivery");
  return all.filter(({ part }) => facts.has(part) || hand[part]);
}
