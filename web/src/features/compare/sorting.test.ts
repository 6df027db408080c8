import { describe, expect, test } from "vitest";
import { behindShort, fullName } from "./names";
import type { Ranked } from "./queries";
import { bestOf, factOf, sorted } from "./sorting";

function entry(key: string, cost: string, more: object = {}): Ranked {
  return {
    route: { key, method_name: "Card", provider_name: "Orlenta", plan_name: key },
    cost,
    effective_percent: "1.00",
    earns: null,
    month: null,
    completion: null,
    facts: [],
    ...more,
  } as unknown as Ranked;
}

const dear = entry("dear", "10.00 EUR", {
  earns: "41.00 EUR",
  month: { cost: "9.00 EUR" },
  facts: [
    { key: "arrives", text: "27 Nov 2026", sort: "2026-11-27" },
    { key: "reach", text: "100 %", sort: "100" },
    { key: "effort", text: "account held", sort: "0" },
  ],
});
const cheap = entry("cheap", "9.50 EUR", {
  facts: [
    { key: "arrives", text: "30 Nov 2026", sort: "2026-11-30" },
    { key: "reach", text: "70 %", sort: "70" },
    { key: "effort", text: "apply", sort: "12" },
  ],
});

describe("the ranking by its columns", () => {
  test.each([
    ["cost", "cheap"],
    ["earns", "dear"],
    ["month", "dear"],
    ["arrives", "dear"],
    ["reach", "dear"],
    ["effort", "dear"],
  ])("by %s %s comes first", (column, first) => {
    expect(sorted([cheap, dear], column)[0]?.route.key).toBe(first);
    expect(sorted([dear, cheap], column)[0]?.route.key).toBe(first);
  });

  test("what is equal stays in its order", () => {
    expect(sorted([dear, cheap], "percent").map((one) => one.route.key)).toEqual(["dear", "cheap"]);
    expect(factOf(dear, "never heard of")).toBeUndefined();
  });

  test("names are short in a row and whole when read out", () => {
    expect(behindShort(dear.route)).toBe("Orlenta dear");
    expect(behindShort({ ...dear.route, provider_name: "", plan_name: "" })).toBe("own");
    expect(fullName(dear.route)).toBe("Card, Orlenta, dear");
  });
});

describe("the best of a row", () => {
  test.each([
    ["cost", ["cheap"]],
    ["arrives", ["dear"]],
    ["reach", ["dear"]],
    ["percent", []],
  ])("by %s it is %s", (key, best) => {
    expect(bestOf([dear, cheap], key)).toEqual(best);
  });

  test("of equal ones all are", () => {
    expect(bestOf([cheap, entry("other", "9.50 EUR"), dear], "cost")).toEqual(["cheap", "other"]);
    expect(bestOf([], "cost")).toEqual([]);
  });
});
