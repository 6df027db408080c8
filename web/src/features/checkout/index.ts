import { lazy } from "react";

export { StepButtons } from "./StepButtons";
export { StorefrontPicker } from "./StorefrontPicker";
export { CHECKOUT_VIEWS } from "./views";

export const CheckoutPage = lazy(() =>
  import("./CheckoutPage").then((module) => ({ default: module.CheckoutPage })),
);
