import type { Look } from "./queries";

/** The parts of the address that hold which orders are looked at. */
const PARTS = ["delivery", "customer_group", "device", "signed_in", "recurring", "accounts"] as const;
export type Part = (typeof PARTS)[number];

/** The name of a part in the address: apart from the order in hand, which has parts of the same names. */
export const named = (part: Part | "finding" | "fix" | "as") => `cover_${part}`;

const READY = "ready";
const WITHOUT = "without:";

/** Tells which orders are looked at, from the address. */
export function lookOf(address: URLSearchParams): Look {
  const look: Look = {};
  const said = (part: Part) => address.get(named(part)) ?? "";
  if (said("delivery")) look.delivery = said("delivery");
  if (said("customer_group")) look.customer_group = said("customer_group");
  const device = said("device");
  if (device === "phone" || device === "desktop") look.device = device;
  if (said("signed_in")) look.signed_in = said("signed_in") === "true";
  if (said("recurring")) look.recurring = said("recurring") === "true";
  const accounts = said("accounts");
  if (accounts === READY) look.ready = true;
  if (accounts.startsWith(WITHOUT)) look.without = accounts.slice(WITHOUT.length);
  return look;
}

/** How the accounts count, as a choice: as they stand, all ready, or without one provider's. */
export const accountsOptions = (providers: { id: string; name: string }[]) => [
  { value: "any", label: "accounts as they are" },
  { value: READY, label: "as if all accounts were ready" },
  ...providers.map(({ id, name }) => ({ value: `${WITHOUT}${id}`, label: `without ${name}` })),
];
