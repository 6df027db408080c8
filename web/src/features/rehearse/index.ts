import { lazy } from "react";

export { useRecords } from "./queries";

export const RehearsePage = lazy(() =>
  import("./RehearsePage").then((module) => ({ default: module.RehearsePage })),
);
