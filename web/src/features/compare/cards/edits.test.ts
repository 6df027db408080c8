import { describe, expect, test } from "vitest";
import { putBack, stepsOf, stepsText, withEnd, withoutEntry, withoutPlan } from "./edits";
import type { Card } from "./queries";

const CARD = {
  rates: [
    { id: "card", method: "card", when: {} },
    { id: "debit", method: "sepa-direct-debit", when: {} },
  ],
  extras: [{ id: "abroad", label: "Abroad", methods: ["card"], when: {} }],
  events: [{ methods: ["sepa-direct-debit"] }, { methods: ["card", "sepa-direct-debit"] }, {}],
  settlement: [],
} as unknown as Card;

describe("what is typed into a rate card", () => {
  test.each([
    [
      "2 below 10000 EUR, 1.5",
      [
        { percent: "2", below: "10000 EUR" },
        { percent: "1.5", below: null },
      ],
    ],
    [
      "2 % below 10000 EUR, 1 %",
      [
        { percent: "2 %", below: "10000 EUR" },
        { percent: "1 %", below: null },
      ],
    ],
    [
      "2,5 below 10.000,00, 1 below 25000 GBP, 0.8",
      [
        { percent: "2,5", below: "10.000,00 EUR" },
        { percent: "1", below: "25000 GBP" },
        { percent: "0.8", below: null },
      ],
    ],
    ["", undefined],
  ])("%s are steps", (text, steps) => {
    expect(stepsOf(text, "EUR")).toEqual(steps);
  });

  test("steps read as they are typed", () => {
    const text = "2 below 10000 EUR, 1.5";
    expect(stepsText(stepsOf(text, "EUR"))).toBe(text);
    expect(stepsText(null)).toBe("");
  });

  test("a plan takes along what was on it alone", () => {
    const planned = {
      ...CARD,
      plans: [{ id: "start" }, { id: "steady" }],
      rates: [
        { id: "card", method: "card", plans: ["start", "steady"], when: {} },
        { id: "debit", method: "sepa-direct-debit", plans: ["steady"], when: {} },
      ],
      extras: [{ id: "abroad", label: "Abroad", plans: ["steady"], when: {} }],
    } as unknown as Card;
    const less = withoutPlan(planned, "steady");
    expect(less.plans).toEqual([{ id: "start" }]);
    expect(less.rates).toEqual([{ id: "card", method: "card", plans: ["start"], when: {} }]);
    expect(less.extras).toEqual([]);
    expect(less.events).toEqual([{ methods: ["card"] }, {}]);
  });

  test("bands that are empty are none", () => {
    expect(withEnd({ from: "5 EUR" }, "from", "")).toBeUndefined();
    expect(withEnd({ from: "5 EUR" }, "below", "9 EUR")).toEqual({ from: "5 EUR", below: "9 EUR" });
  });

  test("what named a method without a price names it no more", () => {
    const less = withoutEntry(CARD, "rates", "debit");
    expect(less.events).toEqual([{ methods: ["card"] }, {}]);
    expect(less.extras).toEqual(CARD.extras);
    expect(withoutEntry(CARD, "extras", "abroad").rates).toHaveLength(2);
  });
});

describe("what was taken away by mistake", () => {
  const named = (card: Card) => JSON.stringify(card);

  test("comes back in its place with what named it, and nothing else is changed", () => {
    const less = withoutEntry(CARD, "rates", "card");
    const changed = {
      ...less,
      rates: less.rates.map((rate) => ({ ...rate, percent: "9" })),
    } as Card;
    const back = putBack(CARD, "rates", "card")(changed);
    expect(back.rates.map(({ id }) => id)).toEqual(["card", "debit"]);
    expect(back.rates[1]?.percent).toBe("9");
    expect(back.extras).toEqual(CARD.extras);
    expect(new Set((back.events ?? []).map((event) => JSON.stringify(event)))).toEqual(
      new Set((CARD.events ?? []).map((event) => JSON.stringify(event))),
    );
  });

  test("is put back once", () => {
    const undo = putBack(CARD, "rates", "card");
    const back = undo(withoutEntry(CARD, "rates", "card"));
    expect(named(undo(back))).toBe(named(back));
  });
});
