import { lazy } from "react";

export { StepButtons } from "./StepButtons";
export { StorefrontPicker } from "./StorefrontPicker";

export const CheckoutPage = lazy(() =>
  import("./CheckoutPage").then((module) => ({ default: module.CheckoutPage })),
);
