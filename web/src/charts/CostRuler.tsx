import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { grouped } from "../lib/money";
import { type Axis, costTicks, cursorAt, placeOf, spread } from "./axis";
import { CurvePaths, pathOf, valueAt } from "./CurvePaths";
import { Ribbon } from "./Ribbon";
import { type CostCurve, HEIGHT, heightOf, LEFT, RIBBON, RIGHT, type Stretch, TOP } from "./ruler";
import { useCursor } from "./useCursor";
import { useWidth } from "./useWidth";

interface Props {
  axis: Axis;
  currency: string;
  amounts: number[];
  curves: CostCurve[];
  cheapest: Stretch[];
  cursor: string | null;
  cursorSaid: string;
  /** The decimals of an amount in its currency. */
  decimals: number;
  unit: string;
  onCursor: (amount: string) => void;
}

const CATCH = 6;
const STEP = 1 / 300;
/** About how wide a letter of a label is, in pixels. */
const LETTER = 6.3;

/** The amount ruler with cost curves, the ribbon of the cheapest route, and the cursor of the order in hand. */
export function CostRuler(props: Props) {
  const { axis, currency, amounts, curves, cheapest, cursor, cursorSaid, decimals, unit, onCursor } = props;
  const frame = useRef<HTMLDivElement>(null);
  const width = useWidth(frame);
  const strong = curves.filter((curve) => curve.strong);
  // A label is never cut: where names are long, the plot gives way.
  const longest = Math.max(0, ...strong.map((curve) => `${curve.name} ${curve.provider}`.length));
  const right = Math.min(Math.max(RIGHT, longest * LETTER + 16), width / 2);
  const plot = Math.max(width - LEFT - right, 120);
  const x = (amount: number) => LEFT + placeOf(amount, axis) * plot;

  const drawnValues = (strong.length > 0 ? strong : curves).flatMap((curve) =>
    curve.values.filter((value): value is number => value !== null && value > 0),
  );
  const low = drawnValues.length > 0 ? Math.min(...drawnValues) / 1.15 : 0.1;
  const high = drawnValues.length > 0 ? Math.max(...drawnValues) * 1.15 : 10;
  const y = (value: number) => heightOf(value, low, high);

  const [pointed, setPointed] = useState<{ key: string; index: number } | null>(null);
  const { held, step, begin, move, end } = useCursor(cursor, (px) => amountAtPixel(px), onCursor);
  const at = held === null ? null : Number(held);

  const inCurrency = (amount: number) => amount.toFixed(decimals);

  function amountAtPixel(px: number): string {
    const at = cursorAt((px - LEFT) / plot, axis);
    // The cursor catches on a break-even: on the first amount at which the cheapest route is another one.
    const near = cheapest.slice(1).find((stretch) => Math.abs(x(stretch.from) - px) < CATCH);
    return near ? near.first : inCurrency(Math.max(at, 10 ** -decimals));
  }

  function point(event: PointerEvent<SVGSVGElement>) {
    const box = event.currentTarget.getBoundingClientRect();
    const [px, py] = [event.clientX - box.left, event.clientY - box.top];
    move(px);
    if (px < LEFT || px > LEFT + plot || py < TOP || py > TOP + HEIGHT) return setPointed(null);
    const amount = axis.from * (axis.to / axis.from) ** ((px - LEFT) / plot);
    const next = amounts.findIndex((entry) => entry >= amount);
    const index = Math.max(next, 0);
    let best: { key: string; index: number } | null = null;
    let distance = 18;
    for (const curve of curves) {
      const value = curve.values[index];
      if (value === null || value === undefined) continue;
      const apart = Math.abs(y(value) - py);
      if (apart < distance) {
        distance = apart;
        best = { key: curve.key, index };
      }
    }
    setPointed(best);
  }

  function keyed(event: KeyboardEvent) {
    const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1, PageDown: -30, PageUp: 30 }[
      event.key
    ];
    const here = held === null ? axis.from : Number(held);
    if (event.key === "Home" || event.key === "End") {
      event.preventDefault();
      step(inCurrency(event.key === "Home" ? axis.from : axis.to));
    } else if (by !== undefined) {
      event.preventDefault();
      const place = placeOf(here, axis);
      let move = by * STEP * (event.shiftKey ? 10 : 1);
      let to = cursorAt(place + move, axis);
      // Rounding must not hold the cursor back.
      while (to === here && place + move > 0 && place + move < 1) {
        move += by * STEP;
        to = cursorAt(place + move, axis);
      }
      step(inCurrency(to));
    }
  }

  const labels = strong.map((curve) => ({ curve, at: lastOf(curve) }));
  const heights = spread(
    labels.map(({ at }) => (at === null ? TOP : y(at.value))),
    15,
    TOP + 6,
    TOP + HEIGHT,
  );
  const reading = pointed && curves.find((curve) => curve.key === pointed.key);
  const bottom = TOP + HEIGHT;

  function lastOf(curve: CostCurve): { index: number; value: number } | null {
    for (let index = curve.values.length - 1; index >= 0; index -= 1) {
      const value = curve.values[index];
      if (value !== null && value !== undefined) return { index, value };
    }
    return null;
  }

  return (
    <div ref={frame} className="relative">
      {width > 0 && (
        // biome-ignore lint/a11y/useSemanticElements: a drawing cannot be a fieldset
        <svg
          width={width}
          height={bottom + RIBBON + 46}
          role="group"
          aria-label="Cost of each route by amount; the same figures stand in the table below"
          className="touch-none select-none block"
          onPointerMove={point}
          onPointerLeave={() => setPointed(null)}
          onPointerDown={(event) => {
            const box = event.currentTarget.getBoundingClientRect();
            const px = event.clientX - box.left;
            if (px < LEFT || px > LEFT + plot) return;
            event.currentTarget.setPointerCapture(event.pointerId);
            begin(px);
          }}
          onPointerUp={end}
          onPointerCancel={end}
        >
          {costTicks(low, high).map((tick) => (
            <g key={tick}>
              <line x1={LEFT} x2={LEFT + plot} y1={y(tick)} y2={y(tick)} stroke="var(--rule-soft)" />
              <text x={LEFT - 8} y={y(tick) + 4} textAnchor="end" className="fill-soft text-small">
                {grouped(String(tick))}
              </text>
            </g>
          ))}
          {axis.ticks.map((tick) => (
            <text
              key={tick}
              x={x(tick)}
              y={bottom + RIBBON + 42}
              textAnchor={tick === axis.to ? "end" : "middle"}
              className="fill-soft text-small"
            >
              {grouped(String(tick))}
            </text>
          ))}
          <CurvePaths curves={curves} amounts={amounts} axis={axis} plot={plot} low={low} high={high} />
          {reading && (
            <path
              d={pathOf(reading, amounts, x, y)}
              fill="none"
              stroke={reading.stroke.color}
              strokeDasharray={reading.stroke.dash}
              strokeWidth={3}
            />
          )}
          {labels.map(({ curve, at }, place) =>
            at === null ? null : (
              <g key={curve.key}>
                <line
                  x1={x(amounts[at.index] ?? axis.to)}
                  y1={y(at.value)}
                  x2={LEFT + plot + 6}
                  y2={(heights[place] ?? 0) - 1}
                  stroke={curve.stroke.color}
                  opacity={0.5}
                />
                <text x={LEFT + plot + 9} y={(heights[place] ?? 0) + 3} className="text-small">
                  <tspan fill={curve.stroke.color} className="font-medium">
                    {curve.name}
                  </tspan>
                  <tspan className="fill-soft"> {curve.provider}</tspan>
                </text>
              </g>
            ),
          )}
          <Ribbon cheapest={cheapest} curves={curves} x={x} top={bottom + 6} />
          {held !== null && at !== null && (
            <g
              role="slider"
              tabIndex={0}
              aria-label="Amount of the order in hand"
              aria-valuemin={axis.from}
              aria-valuemax={axis.to}
              aria-valuenow={at}
              aria-valuetext={`${grouped(held)} ${currency}`}
              onKeyDown={keyed}
              className="cursor-ew-resize outline-none group"
            >
              <line
                x1={x(at)}
                x2={x(at)}
                y1={TOP - 4}
                y2={bottom + RIBBON + 6}
                stroke="var(--ink)"
                strokeWidth={1.5}
              />
              <rect
                x={x(at) - 38}
                y={2}
                width={76}
                height={22}
                className="fill-ink group-focus-visible:stroke-verdigris"
                strokeWidth={3}
              />
              <text x={x(at)} y={17} textAnchor="middle" className="fill-ground font-semibold text-small">
                {held === cursor ? cursorSaid : grouped(held)}
              </text>
              {strong.map((curve) => {
                const value = valueAt(curve, amounts, at);
                return value === null ? null : (
                  <circle
                    key={curve.key}
                    cx={x(at)}
                    cy={y(value)}
                    r={3.5}
                    fill={curve.stroke.color}
                    stroke="var(--ground)"
                  />
                );
              })}
            </g>
          )}
        </svg>
      )}
      <p className="absolute left-12 top-8 text-small bg-ground/85 px-1 pointer-events-none" aria-hidden>
        {reading && pointed ? (
          <>
            <strong className="font-semibold">{reading.name}</strong> {reading.provider} at{" "}
            {grouped(String(amounts[pointed.index]))} {currency}: {reading.said[pointed.index]} {unit}
          </>
        ) : null}
      </p>
    </div>
  );
}
