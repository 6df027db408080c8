import { type CostCurve, RIBBON, type Stretch } from "./ruler";

interface RibbonProps {
  cheapest: Stretch[];
  curves: CostCurve[];
  x: (amount: number) => number;
  top: number;
}

/** The cheapest route for every amount, with the exact break-evens at its borders. */
export function Ribbon({ cheapest, curves, x, top }: RibbonProps) {
  let free = Number.NEGATIVE_INFINITY;
  return (
    <g>
      {cheapest.map((stretch, place) => {
        const stroke = curves.find((curve) => curve.key === stretch.key)?.stroke;
        const [left, right] = [x(stretch.from), x(stretch.below)];
        const room = right - left > stretch.name.length * 6.6 + 8;
        const sayBorder = place > 0 && left > free;
        if (sayBorder) free = left + stretch.said.length * 7 + 8;
        return (
          <g key={stretch.said + stretch.key}>
            <rect
              x={left}
              y={top}
              width={Math.max(right - left, 0)}
              height={RIBBON}
              fill={stroke?.color ?? "none"}
              opacity={0.16}
            />
            <line
              x1={left}
              x2={right}
              y1={top + 1}
              y2={top + 1}
              stroke={stroke?.color ?? "none"}
              strokeWidth={2}
              strokeDasharray={stroke?.dash ?? ""}
            />
            {room && (
              <text
                x={(left + right) / 2}
                y={top + 15}
                textAnchor="middle"
                fill={stroke?.color ?? "var(--soft)"}
                className="text-small font-semibold"
              >
                {stretch.name}
              </text>
            )}
            {place > 0 && <line x1={left} x2={left} y1={top} y2={top + RIBBON + 6} stroke="var(--ink)" />}
            {sayBorder && (
              <text x={left + 3} y={top + RIBBON + 13} className="fill-ink text-small font-semibold">
                {stretch.said}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
