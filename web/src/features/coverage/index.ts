import { lazy } from "react";

export const CoveragePage = lazy(() =>
  import("./CoveragePage").then((module) => ({ default: module.CoveragePage })),
);
