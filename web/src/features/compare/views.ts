/** Tells where a provider of the owner's own is put in. */
export const NEW_PROVIDER = "/compare/new";

/** The views of Compare. */
export const VIEWS = [
  { path: "/compare", name: "Routes" },
  { path: "/compare/best", name: "The best set" },
  { path: "/compare/plans", name: "Plans and providers" },
  { path: "/compare/catalogue", name: "Catalogue and rate cards" },
  { path: "/compare/print", name: "On one page" },
];
