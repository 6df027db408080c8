export { RulerTicks } from "./AmountRuler";
export { axisFor } from "./axis";
export { type CostCurve, CostRuler, type Stretch } from "./CostRuler";
export { type Stroke, strokesFor } from "./inks";
export { type Ink, WindowBar } from "./WindowBar";
