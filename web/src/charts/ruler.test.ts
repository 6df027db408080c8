import { describe, expect, test } from "vitest";
import { axisFor } from "./axis";
import { pathOf, valueAt } from "./CurvePaths";
import { strokesFor } from "./inks";
import { type CostCurve, HEIGHT, heightOf, TOP } from "./ruler";

const curve = { values: [1, 2, null, 4], said: [] } as unknown as CostCurve;

describe("the drawing of the ruler", () => {
  test("every curve has a stroke of its own, and keeps it whatever the sequence", () => {
    const keys = Array.from({ length: 35 }, (_, place) => `route-${place}`);
    const strokes = strokesFor(keys);
    const told = new Set([...strokes.values()].map((stroke) => stroke.color + stroke.dash));
    expect(told.size).toBe(35);
    expect(strokesFor([...keys].reverse()).get("route-7")).toEqual(strokes.get("route-7"));
  });

  test("a curve is not drawn where it has no price", () => {
    expect(
      pathOf(
        curve,
        [5, 10, 20, 50],
        (amount) => amount,
        (value) => value,
      ),
    ).toBe("M5.0 1.0L10.0 2.0M50.0 4.0");
  });

  test("the dot of the cursor lies on the line between two readings", () => {
    expect(valueAt(curve, [5, 10, 20, 50], 7.5)).toBe(1.5);
    expect(valueAt(curve, [5, 10, 20, 50], 15)).toBeNull();
  });

  test("the cheapest cost lies at the bottom, the dearest on top", () => {
    expect(heightOf(1, 1, 100)).toBe(TOP + HEIGHT);
    expect(heightOf(100, 1, 100)).toBe(TOP);
    expect(axisFor([60]).from).toBe(5);
  });
});
