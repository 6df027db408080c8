/** The amount ruler's axis: amounts on a logarithmic scale, the same wherever it appears. */

export interface Axis {
  from: number;
  to: number;
  ticks: number[];
}

const TICKS = [5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000];

/** An axis of three decades, moved by whole decades to where a shop's usual amounts lie. */
export function axisFor(usual: number[]): Axis {
  const middle = [...usual].sort((a, b) => a - b)[Math.floor(usual.length / 2)] ?? 50;
  const scale = 10 ** Math.round(Math.log10(middle / 60));
  const ticks = TICKS.map((tick) => tick * scale);
  return { from: ticks[0] ?? 5, to: ticks.at(-1) ?? 5000, ticks };
}

/** The place of an amount on the axis, from 0 to 1; amounts beyond its ends lie at them. */
export function placeOf(amount: number, axis: Axis): number {
  const place = Math.log(Math.max(amount, axis.from) / axis.from) / Math.log(axis.to / axis.from);
  return Math.min(Math.max(place, 0), 1);
}

/** A whole amount of two figures near a place on the axis, for a limit that is set by hand. */
export function amountAt(place: number, axis: Axis): number {
  const amount = axis.from * (axis.to / axis.from) ** place;
  const step = Math.max(10 ** (Math.floor(Math.log10(amount)) - 1), 1);
  return Math.round(amount / step) * step;
}
