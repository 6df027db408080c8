import { lazy } from "react";

export { useRehearsalState } from "./gridQueries";

export const RehearsePage = lazy(() =>
  import("./RehearsePage").then((module) => ({ default: module.RehearsePage })),
);
