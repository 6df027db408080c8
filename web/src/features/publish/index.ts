import { lazy } from "react";

export { usePublication } from "./queries";

export const PublishPage = lazy(() =>
  import("./PublishPage").then((module) => ({ default: module.PublishPage })),
);
