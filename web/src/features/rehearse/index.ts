import { lazy } from "react";

export { useOrders } from "./queries";

export const RehearsePage = lazy(() =>
  import("./RehearsePage").then((module) => ({ default: module.RehearsePage })),
);
