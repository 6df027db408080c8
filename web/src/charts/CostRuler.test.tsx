// @vitest-environment happy-dom
import { act, cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { axisFor, placeOf } from "./axis";
import { CostRuler } from "./CostRuler";
import { type CostCurve, LEFT, RIGHT, type Stretch } from "./ruler";

const WIDTH = 1000;
vi.mock("./useWidth", () => ({ useWidth: () => WIDTH }));
afterEach(cleanup);

const axis = axisFor([60]);
const curve = (key: string, values: number[]): CostCurve => ({
  key,
  name: key,
  provider: "Orlenta",
  stroke: { color: "black", dash: "" },
  values,
  said: values.map(String),
  strong: true,
});
const stretch = (key: string, from: number, below: number, first: string): Stretch => ({
  ...{ key, name: key, from, below, first },
  said: first,
});

function drawn(onCursor: (amount: string) => void, cursor: string, decimals: number) {
  return (
    <CostRuler
      axis={axis}
      currency="EUR"
      amounts={[5, 100, 5000]}
      curves={[curve("card", [1, 2, 40]), curve("transfer", [2, 2, 2])]}
      cheapest={[stretch("card", 5, 33.333, "5.00"), stretch("transfer", 33.333, 5000, "33.34")]}
      cursor={cursor}
      cursorSaid={cursor}
      decimals={decimals}
      unit="EUR"
      onCursor={onCursor}
    />
  );
}

function ruler(onCursor: (amount: string) => void, cursor = "85.00", decimals = 2) {
  render(drawn(onCursor, cursor, decimals));
  return screen.getByRole("slider");
}

test("the cursor is moved by keys, in amounts of its currency", () => {
  const told = vi.fn();
  const cursor = ruler(told);
  expect(cursor.getAttribute("aria-valuetext")).toBe("85.00 EUR");
  fireEvent.keyDown(cursor, { key: "End" });
  fireEvent.keyDown(cursor, { key: "Home" });
  fireEvent.keyDown(cursor, { key: "ArrowRight" });
  const [end, home, right] = told.mock.calls.map(([amount]) => amount as string);
  expect([end, home]).toEqual(["5000.00", "5.00"]);
  expect(right).toMatch(/^\d+\.\d\d$/);
  // The next key goes on from where the last one led, whether or not that is the order in hand already.
  expect(Number(right)).toBeGreaterThan(5);
  expect(Number(right)).toBeLessThan(10);
});

test("an older place does not move the cursor, and a step that is never taken up is given up", () => {
  vi.useFakeTimers();
  const told = vi.fn();
  const view = render(drawn(told, "85.00", 2));
  const cursor = screen.getByRole("slider");
  const at = () => cursor.getAttribute("aria-valuetext");
  fireEvent.keyDown(cursor, { key: "ArrowRight" });
  fireEvent.keyDown(cursor, { key: "ArrowRight" });
  const [first, second] = told.mock.calls.map(([amount]) => amount as string);
  view.rerender(drawn(told, first ?? "", 2));
  expect(at()).toBe(`${second} EUR`);
  // The second step never becomes the order in hand.
  act(() => void vi.runAllTimers());
  expect(at()).toBe(`${first} EUR`);
  fireEvent.keyDown(cursor, { key: "End" });
  view.rerender(drawn(told, "5000.00", 2));
  view.rerender(drawn(told, "12.00", 2));
  expect(at()).toBe("12.00 EUR");
  vi.useRealTimers();
});

test("a currency without decimals has none at the cursor", () => {
  const told = vi.fn();
  fireEvent.keyDown(ruler(told, "85", 0), { key: "End" });
  expect(told).toHaveBeenCalledWith("5000");
});

test("dragged near a break-even the cursor catches on the very amount that the server names", () => {
  vi.useFakeTimers();
  const told = vi.fn();
  const cursor = ruler(told);
  const drawing = cursor.closest("svg") as SVGSVGElement;
  drawing.setPointerCapture = () => {};
  const at = LEFT + placeOf(33.333, axis) * (WIDTH - LEFT - RIGHT);
  fireEvent.pointerDown(drawing, { clientX: at + 4, clientY: 60, pointerId: 1 });
  vi.runAllTimers();
  expect(told).toHaveBeenLastCalledWith("33.34");
  vi.useRealTimers();
});
