export { RulerTicks } from "./AmountRuler";
export { axisFor } from "./axis";
export { type Ink, WindowBar } from "./WindowBar";
