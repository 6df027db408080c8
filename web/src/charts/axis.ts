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

/** An amount of three figures near a place on the axis, for a cursor that is moved by hand. */
export function cursorAt(place: number, axis: Axis): number {
  const amount = axis.from * (axis.to / axis.from) ** Math.min(Math.max(place, 0), 1);
  const step = 10 ** (Math.floor(Math.log10(amount)) - 2);
  return Math.round(amount / step) * step;
}

/** Ticks of one figure, 1, 2 or 5, for a logarithmic axis of costs. */
export function costTicks(low: number, high: number): number[] {
  const ticks: number[] = [];
  for (let power = Math.floor(Math.log10(low)); power <= Math.ceil(Math.log10(high)); power += 1) {
    for (const figure of [1, 2, 5]) {
      const tick = Number((figure * 10 ** power).toPrecision(1));
      if (tick >= low && tick <= high) ticks.push(tick);
    }
  }
  return ticks;
}

/** Labels at wished heights, moved apart where they would lie on one another, and kept between two ends. */
export function spread(wished: number[], gap: number, top: number, bottom: number): number[] {
  const order = wished.map((_, index) => index).sort((a, b) => (wished[a] ?? 0) - (wished[b] ?? 0));
  const placed = [...wished];
  let least = top;
  for (const index of order) {
    placed[index] = Math.max(placed[index] ?? 0, least);
    least = (placed[index] ?? 0) + gap;
  }
  let most = bottom;
  for (const index of order.reverse()) {
    placed[index] = Math.min(placed[index] ?? 0, most);
    most = (placed[index] ?? 0) - gap;
  }
  return placed;
}
