import type { Schema } from "../../api/client";

/** The goods and the delivery of an order, by the way that it goes; nothing where it goes none. */
export function parted(ways: Schema<"WayOut">[] | undefined): {
  goods?: string;
  delivery?: { name: string; fee: string };
} {
  const way = ways?.find((entry) => entry.chosen);
  return way?.goods && way.fee ? { goods: way.goods, delivery: { name: way.name, fee: way.fee } } : {};
}
