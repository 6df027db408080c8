import { describe, expect, test } from "vitest";
import { amountAt, axisFor, costTicks, cursorAt, placeOf, spread } from "./axis";

const EURO = axisFor([9, 12, 42, 85, 149]);

describe("the amount ruler", () => {
  test("reaches over three decades around a shop's usual amounts", () => {
    expect([EURO.from, EURO.to]).toEqual([5, 5000]);
    expect(axisFor([9_000, 12_000]).to).toBe(500_000);
    expect(axisFor([]).from).toBe(5);
  });

  test("is logarithmic, and what lies beyond it lies at its ends", () => {
    expect(placeOf(5, EURO)).toBe(0);
    expect(placeOf(5000, EURO)).toBe(1);
    expect(placeOf(50, EURO)).toBeCloseTo(1 / 3);
    expect(placeOf(1, EURO)).toBe(0);
    expect(placeOf(90_000, EURO)).toBe(1);
  });

  test("gives whole amounts of two figures that rise with the place", () => {
    const amounts = Array.from({ length: 301 }, (_, step) => amountAt(step / 300, EURO));
    expect(amounts).toEqual([...amounts].sort((a, b) => a - b));
    expect(amounts.every(Number.isInteger)).toBe(true);
    expect(amounts.filter((amount) => amount > 100).every((amount) => amount % 10 === 0)).toBe(true);
  });

  test.each([60, 150, 600, 1200])("finds %d again at its own place", (amount) => {
    expect(amountAt(placeOf(amount, EURO), EURO)).toBe(amount);
  });
});

describe("the cursor, the costs and the labels", () => {
  test.each([
    [0, 5],
    [1, 5000],
    [0.5, 158],
  ])("a place of %s is the amount %s", (place, amount) => {
    expect(cursorAt(place, axisFor([60]))).toBeCloseTo(amount, 6);
  });

  test("costs have ticks of one figure", () => {
    expect(costTicks(0.18, 12)).toEqual([0.2, 0.5, 1, 2, 5, 10]);
  });

  test("labels move apart and stay between the ends", () => {
    expect(spread([10, 12, 50], 15, 0, 60)).toEqual([10, 25, 50]);
    expect(spread([55, 58, 59], 15, 0, 60)).toEqual([30, 45, 60]);
    expect(spread([], 15, 0, 60)).toEqual([]);
  });
});
