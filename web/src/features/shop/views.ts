/** The views of Shop. */
export const VIEWS = [
  { path: "/shop", name: "Shop" },
  { path: "/shop/delivery", name: "Delivery and buyers" },
  { path: "/shop/arrangements", name: "Own arrangements" },
  { path: "/shop/vouchers", name: "Vouchers" },
  { path: "/shop/orders", name: "Orders a month" },
  { path: "/shop/buyers", name: "What buyers pay with" },
  { path: "/shop/assumptions", name: "Assumptions" },
];
