import { expect, test } from "vitest";
import type { Shop } from "../shop";
import { partsAsked } from "./parts";

const shop = {
  lines: [
    { id: "chart", deliveries: ["van", "pier"] },
    { id: "course", deliveries: null },
  ],
  deliveries: [
    { id: "van", name: "Van", kind: "own-round" },
    { id: "pier", name: "Met at the pier", kind: "collection" },
    { id: "post", name: "Post", kind: "courier" },
  ],
  customer_groups: [{ id: "retail", name: "Retail" }],
} as unknown as Shop;
const hand = (line: string, more = {}) => ({ market: "pt", line, amount: "5", currency: "EUR", ...more });
const parts = (line: string, asked: string[], more = {}) =>
  partsAsked(shop, hand(line, more), asked).map(({ part }) => part);

test("the sentence has the parts that a condition asks, and no others", () => {
  expect(parts("chart", [])).toEqual([]);
  expect(parts("chart", ["delivery", "device", "country"])).toEqual(["delivery", "device"]);
  expect(parts("chart", ["postcode", "town"])).toEqual(["postcode", "town"]);
});

test("what somebody said stays in the sentence", () => {
  expect(parts("chart", [], { signed_in: "true" })).toEqual(["signed_in"]);
});

test("a line goes its own ways, and one that is not delivered is not asked", () => {
  const [way] = partsAsked(shop, hand("chart"), ["delivery"]);
  expect(way?.options.map(({ label }) => label)).toEqual(["by Van", "Met at the pier"]);
  expect(parts("course", ["delivery"])).toEqual([]);
});
