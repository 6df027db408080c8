import { lazy } from "react";

export const CheckoutPage = lazy(() =>
  import("./CheckoutPage").then((module) => ({ default: module.CheckoutPage })),
);
