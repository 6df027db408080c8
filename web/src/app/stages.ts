import { useAccounts } from "../features/accounts";
import { useCoverageState, useDraft } from "../features/draft";
import { usePublication } from "../features/publish";
import { useRecords } from "../features/rehearse";
import { useShop } from "../features/shop";

export type Mark = "done" | "open" | "waiting";

interface Stage {
  path: string;
  name: string;
}

interface Marked extends Stage {
  mark: Mark;
  note: string;
}

/** The stages in the sequence of the work. */
export const STAGES: Stage[] = [
  { path: "/shop", name: "Shop" },
  { path: "/compare", name: "Compare" },
  { path: "/accounts", name: "Accounts" },
  { path: "/checkout", name: "Checkout" },
  { path: "/coverage", name: "Coverage" },
  { path: "/rehearse", name: "Rehearse" },
  { path: "/publish", name: "Publish" },
];

/** An account at one of these stages waits for the owner. */
const IN_HAND = new Set(["question", "refused", "approved", "lapsed"]);

/** The stages in the sequence of the work, each with what is unfinished there. */
export function useMarkedStages(): Marked[] {
  const shop = useShop().data?.shop;
  const tenders = useDraft().data?.tenders ?? [];
  const publication = usePublication().data;
  const coverage = useCoverageState().data;
  const orders = useRecords({ at_most: 1 }).data;
  const accounts = useAccounts().data?.providers ?? [];
  const needed = new Set(
    tenders.flatMap((tender) => (tender.on && tender.route ? [tender.route.provider] : [])),
  );
  const needing = accounts.filter((entry) => IN_HAND.has(entry.stage));
  const held = accounts.filter((entry) => needed.has(entry.provider) && entry.stage !== "connected");
  const on = tenders.filter((tender) => tender.on).length;
  const changes = publication?.changes.length ?? 0;
  return [
    {
      path: "/shop",
      name: "Shop",
      mark: shop?.markets?.length && shop.lines?.length ? "done" : "open",
      note: shop ? "described" : "not described",
    },
    { path: "/compare", name: "Compare", mark: tenders.length ? "done" : "open", note: "" },
    {
      path: "/accounts",
      name: "Accounts",
      mark: needing.length ? "open" : held.length ? "waiting" : "done",
      note: needing.length
        ? `${needing.map((entry) => entry.name).join(", ")} need you`
        : held.length
          ? `${held.map((entry) => entry.name).join(", ")} not connected yet`
          : "",
    },
    { path: "/checkout", name: "Checkout", mark: on ? "done" : "open", note: `${on} switched on` },
    {
      path: "/coverage",
      name: "Coverage",
      mark: !coverage || coverage.dead_ends ? "open" : coverage.singles ? "waiting" : "done",
      note: coverage?.note ?? "",
    },
    {
      path: "/rehearse",
      name: "Rehearse",
      mark: orders?.total ? "done" : "open",
      note: orders?.total ? `${orders.total} test orders` : "nothing rehearsed",
    },
    {
      path: "/publish",
      name: "Publish",
      mark: changes ? "waiting" : publication?.editions.length ? "done" : "open",
      note: changes ? `${changes} changes wait` : "",
    },
  ];
}
