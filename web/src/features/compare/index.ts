import { lazy } from "react";

export { useCards } from "./cards/queries";
export { type CatalogueEntry, useCatalogue } from "./queries";
export { NEW_PROVIDER, VIEWS } from "./views";

export const ComparePage = lazy(() =>
  import("./ComparePage").then((module) => ({ default: module.ComparePage })),
);
export const BestSetPage = lazy(() =>
  import("./BestSetPage").then((module) => ({ default: module.BestSetPage })),
);
export const PlansPage = lazy(() => import("./PlansPage").then((module) => ({ default: module.PlansPage })));
export const CataloguePage = lazy(() =>
  import("./CataloguePage").then((module) => ({ default: module.CataloguePage })),
);
export const PrintPage = lazy(() => import("./PrintPage").then((module) => ({ default: module.PrintPage })));
export const NewProviderPage = lazy(() =>
  import("./newprovider/NewProviderPage").then((module) => ({ default: module.NewProviderPage })),
);
export const CardPage = lazy(() =>
  import("./cards/CardPage").then((module) => ({ default: module.CardPage })),
);
