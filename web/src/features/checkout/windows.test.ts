import { describe, expect, test } from "vitest";
import type { Tender } from "../draft";
import { limitsOf, windowOf, withLimits } from "./windows";

const CARD: Tender = {
  id: "card",
  method: "card",
  on: true,
  follows: false,
  on_line_page: false,
  in_cart: false,
  take: "now",
  gives: "at-certainty",
  name: "Card",
  names: {},
  texts: {},
  fields: [],
  conditions: [],
  shared: [],
  windows: [{ from: "5.00 EUR", up_to: "1200.00 EUR" }, { below: "900.00 GBP" }],
};

describe("the windows of a tender", () => {
  test("are found by their currency, whichever limit they have", () => {
    expect(limitsOf(windowOf(CARD, "EUR"))).toEqual({ from: "5.00", end: "1200.00", how: "up_to" });
    expect(limitsOf(windowOf(CARD, "GBP"))).toEqual({ from: "", end: "900.00", how: "below" });
    expect(limitsOf(windowOf(CARD, "USD"))).toEqual({ from: "", end: "", how: "up_to" });
  });

  test("change in one currency and stay in the others", () => {
    const changed = withLimits(CARD, "EUR", { from: "", end: "60", how: "below" });
    expect(changed.windows).toEqual([{ below: "900.00 GBP" }, { below: "60 EUR" }]);
    expect(CARD.windows).toHaveLength(2);
  });

  test("go away where no limit is left", () => {
    const open = withLimits(CARD, "EUR", { from: "", end: "", how: "up_to" });
    expect(open.windows).toEqual([{ below: "900.00 GBP" }]);
  });
});
