import { lazy } from "react";

export { AssumptionField } from "./AssumptionField";
export { useAssumptions } from "./assumptions";
export { FirstShop } from "./FirstShop";
export { freeId, idOf } from "./ids";
export { type Shop, useChoices, useOtherShop, useShop, useStorefront } from "./queries";
export { VIEWS } from "./views";

export const ShopPage = lazy(() => import("./ShopPage").then((module) => ({ default: module.ShopPage })));
export const OrdersPage = lazy(() =>
  import("./OrdersPage").then((module) => ({ default: module.OrdersPage })),
);
export const BuyersPage = lazy(() =>
  import("./BuyersPage").then((module) => ({ default: module.BuyersPage })),
);
export const DeliveryPage = lazy(() =>
  import("./DeliveryPage").then((module) => ({ default: module.DeliveryPage })),
);
export const ArrangementsPage = lazy(() =>
  import("./ArrangementsPage").then((module) => ({ default: module.ArrangementsPage })),
);
export const ArrangementDetails = lazy(() =>
  import("./Arrangements").then((module) => ({ default: module.ArrangementDetails })),
);
export const VouchersPage = lazy(() =>
  import("./VouchersPage").then((module) => ({ default: module.VouchersPage })),
);
export const AssumptionsPage = lazy(() =>
  import("./AssumptionsPage").then((module) => ({ default: module.AssumptionsPage })),
);
export { shownWhole, wholeOrNone } from "./whole";
