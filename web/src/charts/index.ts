export { RulerTicks } from "./AmountRuler";
export { axisFor, placeOf } from "./axis";
export { CostRuler } from "./CostRuler";
export { type Stroke, strokesFor } from "./inks";
export type { CostCurve, Stretch } from "./ruler";
export { type Catch, type Ink, WindowBar } from "./WindowBar";
