/** The views of Checkout. */
export const CHECKOUT_VIEWS = [
  { path: "/checkout", name: "Ways to pay" },
  { path: "/checkout/words", name: "Words" },
];
