/** The views of Shop. */
export const VIEWS = [
  { path: "/shop", name: "Shop" },
  { path: "/shop/orders", name: "Orders a month" },
  { path: "/shop/assumptions", name: "Assumptions" },
];
