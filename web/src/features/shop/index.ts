import { lazy } from "react";

export { FirstShop } from "./FirstShop";
export { type Shop, useChoices, useOtherShop, useShop } from "./queries";

export const ShopPage = lazy(() => import("./ShopPage").then((module) => ({ default: module.ShopPage })));
