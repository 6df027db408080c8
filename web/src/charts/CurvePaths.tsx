import { memo } from "react";
import { type Axis, placeOf } from "./axis";
import { type CostCurve, heightOf, LEFT } from "./ruler";

interface PathsProps {
  curves: CostCurve[];
  amounts: number[];
  axis: Axis;
  plot: number;
  low: number;
  high: number;
}

/** The curves themselves; they stand still while the cursor moves. */
export const CurvePaths = memo(function CurvePaths({ curves, amounts, axis, plot, low, high }: PathsProps) {
  const x = (amount: number) => LEFT + placeOf(amount, axis) * plot;
  const y = (value: number) => heightOf(value, low, high);
  return [...curves]
    .sort((a, b) => Number(a.strong) - Number(b.strong))
    .map((curve) => (
      <path
        key={curve.key}
        d={pathOf(curve, amounts, x, y)}
        fill="none"
        stroke={curve.stroke.color}
        strokeDasharray={curve.stroke.dash}
        strokeWidth={curve.strong ? 1.8 : 1}
        opacity={curve.strong ? 1 : 0.28}
      />
    ));
});

/** A curve as a path, with a gap wherever it has no price. */
export function pathOf(
  curve: CostCurve,
  amounts: number[],
  x: (amount: number) => number,
  y: (value: number) => number,
): string {
  let path = "";
  let drawing = false;
  curve.values.forEach((value, index) => {
    const amount = amounts[index];
    if (value === null || amount === undefined) {
      drawing = false;
      return;
    }
    path += `${drawing ? "L" : "M"}${x(amount).toFixed(1)} ${y(value).toFixed(1)}`;
    drawing = true;
  });
  return path;
}

/** Tells where the curve is at an amount, between the two readings beside it; for drawing only. */
export function valueAt(curve: CostCurve, amounts: number[], amount: number): number | null {
  const after = amounts.findIndex((entry) => entry >= amount);
  const [right, left] = [curve.values[after], curve.values[Math.max(after - 1, 0)]];
  if (right === null || right === undefined || left === null || left === undefined) return null;
  const [from, to] = [amounts[Math.max(after - 1, 0)] ?? amount, amounts[after] ?? amount];
  return to === from ? right : left + ((right - left) * (amount - from)) / (to - from);
}
