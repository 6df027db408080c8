/** The views of Compare. */
export const VIEWS = [
  { path: "/compare", name: "Routes" },
  { path: "/compare/plans", name: "Plans and providers" },
  { path: "/compare/catalogue", name: "Catalogue and rate cards" },
];
