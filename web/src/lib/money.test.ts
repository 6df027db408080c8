import { describe, expect, test } from "vitest";
import { drawn, grouped, inCurrency, partsOf, shown } from "./money";

describe("money for reading", () => {
  test.each([
    ["1200.00 EUR", "1,200.00 EUR"],
    ["85.00 EUR", "85.00 EUR"],
    ["1234567 JPY", "1,234,567 JPY"],
    ["-2600.50 EUR", "-2,600.50 EUR"],
    ["1000.500 KWD", "1,000.500 KWD"],
  ])("%s reads as %s", (money, text) => {
    expect(shown(money)).toBe(text);
  });

  test("its parts are the amount and the currency", () => {
    expect(partsOf("85.00 EUR")).toEqual({ amount: "85.00", currency: "EUR" });
    expect(grouped("999")).toBe("999");
    expect(drawn("12.50 EUR")).toBe(12.5);
  });
});

describe("an amount as it was typed", () => {
  test.each([
    ["12,50", "12,50 EUR"],
    ["9000", "9000 EUR"],
    ["12.50 GBP", "12.50 GBP"],
    ["€12", "€12"],
    ["", ""],
  ])("%s goes to the server as %s", (typed, text) => {
    expect(inCurrency(typed, "EUR")).toBe(text);
  });
});
