import { lazy } from "react";

export { useAddTender, useChangeTenders, useDraft, useView } from "./queries";

export const CheckoutPage = lazy(() =>
  import("./CheckoutPage").then((module) => ({ default: module.CheckoutPage })),
);
