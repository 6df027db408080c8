import { lazy } from "react";

export { useCoverageState } from "./queries";

export const CoveragePage = lazy(() =>
  import("./CoveragePage").then((module) => ({ default: module.CoveragePage })),
);
