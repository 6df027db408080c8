import { useAccounts } from "../features/accounts";
import { useCoverageState, useDraft } from "../features/draft";
import { usePublication } from "../features/publish";
import { useRehearsalState } from "../features/rehearse";
import { useShop } from "../features/shop";

/** `unknown`: the answer that says it is not here yet. */
export type Mark = "done" | "open" | "waiting" | "unknown";

interface Stage {
  path: string;
  name: string;
}

interface Marked extends Stage {
  mark: Mark;
  note: string;
}

/** The stages in the sequence of the work. */
export const STAGES = [
  { path: "/shop", name: "Shop" },
  { path: "/compare", name: "Compare" },
  { path: "/accounts", name: "Accounts" },
  { path: "/checkout", name: "Checkout" },
  { path: "/coverage", name: "Coverage" },
  { path: "/rehearse", name: "Rehearse" },
  { path: "/publish", name: "Publish" },
] as const satisfies Stage[];

/** An account at one of these stages waits for the owner. */
const IN_HAND = new Set(["question", "refused", "approved", "lapsed"]);

/** A stage by what was answered about it; not known where an answer is not here yet. */
function marked<Answers extends unknown[]>(
  stage: Stage,
  answers: { [Of in keyof Answers]: Answers[Of] | undefined },
  said: (...answers: Answers) => { mark: Mark; note: string },
): Marked {
  const known = answers.every((answer) => answer !== undefined);
  return {
    ...stage,
    ...(known ? said(...(answers as Answers)) : { mark: "unknown", note: "not known yet" }),
  };
}

/** The stages in the sequence of the work, each with what is unfinished there. */
export function useMarkedStages(): Marked[] {
  const shop = useShop().data;
  const draft = useDraft().data;
  const publication = usePublication().data;
  const coverage = useCoverageState().data;
  const rehearsal = useRehearsalState().data;
  const accounts = useAccounts().data;
  const [shopStage, compare, accountsStage, checkout, coverageStage, rehearse, publish] = STAGES;
  return [
    marked(shopStage, [shop], ({ shop: described }) => ({
      mark: described?.markets?.length && described.lines?.length ? "done" : "open",
      note: described ? "described" : "not described",
    })),
    marked(compare, [draft], ({ tenders }) => ({ mark: tenders.length ? "done" : "open", note: "" })),
    marked(accountsStage, [accounts, draft], ({ providers }, { tenders }) => {
      const needed = new Set(
        tenders.flatMap((tender) => (tender.on && tender.route ? [tender.route.provider] : [])),
      );
      const needing = providers.filter((entry) => IN_HAND.has(entry.stage));
      const held = providers.filter((entry) => needed.has(entry.provider) && entry.stage !== "connected");
      const names = (some: typeof providers) => some.map((entry) => entry.name).join(", ");
      if (needing.length) return { mark: "open", note: `${names(needing)} need you` };
      return held.length
        ? { mark: "waiting", note: `${names(held)} not connected yet` }
        : { mark: "done", note: "" };
    }),
    marked(checkout, [draft], ({ tenders }) => {
      const on = tenders.filter((tender) => tender.on).length;
      return { mark: on ? "done" : "open", note: `${on} switched on` };
    }),
    marked(coverageStage, [coverage], ({ dead_ends, singles, note }) => ({
      mark: dead_ends ? "open" : singles ? "waiting" : "done",
      note,
    })),
    marked(rehearse, [rehearsal], ({ counts }) => {
      const { failed = 0, stale = 0, open = 0, passed = 0 } = counts;
      if (failed) return { mark: "open", note: `${failed} failed` };
      if (stale + open === 0) return { mark: passed ? "done" : "open", note: `${passed} passed` };
      return passed || stale
        ? { mark: "waiting", note: `${stale + open} to play` }
        : { mark: "open", note: "nothing rehearsed" };
    }),
    marked(publish, [publication], ({ changes, editions }) => ({
      mark: changes.length ? "waiting" : editions.length ? "done" : "open",
      note: changes.length ? `${changes.length} changes wait` : "",
    })),
  ];
}
