/** The pages that buyers see, for their own entry: it loads nothing of the desk, and what comes after an order when it comes. */
import { lazy } from "react";

export { BuyPage } from "./BuyPage";
export { KeptOnFailure } from "./KeptOnFailure";
export const LinePage = lazy(() => import("./LinePage").then((module) => ({ default: module.LinePage })));
export const CartPage = lazy(() => import("./LinePage").then((module) => ({ default: module.CartPage })));
export const AfterPaying = lazy(() =>
  import("./AfterPaying").then((module) => ({ default: module.AfterPaying })),
);
