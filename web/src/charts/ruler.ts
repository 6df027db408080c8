import type { Stroke } from "./inks";

export interface CostCurve {
  key: string;
  name: string;
  provider: string;
  stroke: Stroke;
  /** The cost at each amount of the ruler, as it is drawn and as it is said; null where there is no price. */
  values: (number | null)[];
  said: (string | null)[];
  /** A curve in the foreground has a label; the others stay thin until they are pointed at. */
  strong: boolean;
}

export interface Stretch {
  from: number;
  below: number;
  key: string | null;
  name: string;
  /** The first amount of the currency in it, to the minor unit. */
  first: string;
  /** The exact amount at which it begins, for reading. */
  said: string;
}

/** Tells where things stand in the drawing of the ruler, in pixels. */
export const LEFT = 46;
export const RIGHT = 196;
export const TOP = 30;
export const HEIGHT = 184;
export const RIBBON = 22;

/** The height at which a cost is drawn, on a logarithmic scale. */
export function heightOf(value: number, low: number, high: number): number {
  return TOP + HEIGHT - (Math.log(Math.max(value, low) / low) / Math.log(high / low)) * HEIGHT;
}
