import { lazy } from "react";

export { useAccounts, useClock, useWind } from "./queries";
export { VIEWS } from "./views";

export const AccountsPage = lazy(() =>
  import("./AccountsPage").then((module) => ({ default: module.AccountsPage })),
);
export const ApplicationPage = lazy(() =>
  import("./ApplicationPage").then((module) => ({ default: module.ApplicationPage })),
);
export const TakeAway = lazy(() => import("./TakeAway").then((module) => ({ default: module.TakeAway })));
export const PapersPage = lazy(() =>
  import("./PapersPage").then((module) => ({ default: module.PapersPage })),
);
export const LettersPage = lazy(() =>
  import("./LettersPage").then((module) => ({ default: module.LettersPage })),
);
export const NotificationsPage = lazy(() =>
  import("./NotificationsPage").then((module) => ({ default: module.NotificationsPage })),
);
