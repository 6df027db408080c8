import type { State } from "./queries";

/** How a state is inked: money is there, money is on its way, or something needs a hand. */
export const STATE_INK: Record<State, string> = {
  open: "text-soft",
  "at-provider": "text-saffron-ink",
  confirming: "text-saffron-ink",
  authorised: "text-saffron-ink",
  declined: "text-copper",
  abandoned: "text-soft",
  expired: "text-soft",
  released: "text-soft",
  "authorisation-lapsed": "text-copper",
  "awaiting-payment": "text-saffron-ink",
  "receipt-sent": "text-copper",
  overdue: "text-copper",
  lapsed: "text-soft",
  "part-taken": "text-saffron-ink",
  paid: "text-verdigris",
  "part-refunded": "text-verdigris",
  refunded: "text-soft",
  disputed: "text-copper",
  "dispute-lost": "text-copper",
  returned: "text-copper",
};
