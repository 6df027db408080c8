import { MutationCache, QueryClient } from "@tanstack/react-query";
import { api, isFailure, SENT_AGAIN } from "./client";
import type { keys } from "./keys";

/** Tells what can have changed in a shop; the server counts each, and says so with every answer. */
type Cause = "prices" | "month" | "accounts" | "checkout" | "clock" | "any";

type First<Key> = Key extends readonly [infer Name, ...unknown[]]
  ? Name
  : Key extends (...given: never[]) => readonly [infer Name, ...unknown[]]
    ? Name
    : never;
type Kind = First<(typeof keys)[keyof typeof keys]>;

/** Tells what each kind of answer rests on: it is asked for anew when one of these has changed. */
const RESTS_ON: Record<Kind, readonly Cause[]> = {
  shop: ["prices"],
  choices: ["prices", "month"],
  assumptions: ["prices"],
  cards: ["prices", "clock"],
  facts: ["prices"],
  tried: ["prices", "clock"],
  profile: ["prices", "month"],
  "past-orders": ["month"],
  progress: [],
  compare: ["prices", "month", "accounts", "checkout", "clock"],
  curves: ["prices", "month", "accounts", "checkout", "clock"],
  plans: ["prices", "month", "accounts", "clock"],
  "best-set": ["prices", "month", "accounts", "checkout", "clock"],
  buyers: ["prices", "month", "accounts", "checkout", "clock"],
  catalogue: ["prices", "accounts", "checkout", "clock"],
  checkout: ["checkout"],
  "country-groups": [],
  "condition-facts": ["prices"],
  view: ["prices", "accounts", "checkout", "clock"],
  vouchers: ["any"],
  words: ["prices", "accounts", "checkout", "clock"],
  figures: ["prices", "month", "accounts", "checkout", "clock"],
  month: ["prices", "month", "accounts", "checkout", "clock"],
  coverage: ["prices", "month", "accounts", "checkout", "clock"],
  fixes: ["prices", "month", "accounts", "checkout", "clock"],
  "coverage-state": ["prices", "accounts", "checkout", "clock"],
  offer: ["prices", "accounts", "checkout", "clock"],
  moves: ["prices", "month", "accounts", "checkout", "clock"],
  publication: ["any"],
  pause: ["any"],
  ready: ["any"],
  rehearsal: ["any"],
  accounts: ["any"],
  business: ["any"],
  next: ["any"],
  letters: ["any"],
  clock: ["any"],
  orders: ["any"],
  order: ["any"],
};

/** Numbers by cause, from the header of an answer (a dictionary of RFC 9651). */
export function revisionsOf(header: string): Map<string, string> {
  return new Map(
    header.split(", ").map((entry) => {
      const [cause = "", number = ""] = entry.split("=");
      return [cause, number];
    }),
  );
}

/** The causes whose number is another one than was known. */
export function changedSince(known: Map<string, string>, now: Map<string, string>): Set<string> {
  return new Set(
    [...now]
      .filter(([cause, number]) => known.has(cause) && known.get(cause) !== number)
      .map(([cause]) => cause),
  );
}

/** True if an answer of a kind is old when some causes have changed. */
export function isOld(kind: unknown, changed: Set<string>): boolean {
  return (RESTS_ON[kind as Kind] ?? []).some((cause) => changed.has(cause));
}

/**
 * The cache of answers, with the one rule that says which of them have become old: each answer tells at which
 * revisions the shop is, and everything that rests on one that has changed is asked for anew.
 *
 * A question that is under way when a change becomes known may still be from before it. Where the change is our own, it is asked
 * for again at once, and where it is another one's, when it has come. An act is over when what it changed is here; only
 * edits that are saved one after the other (those with a scope) do not wait for that.
 */
export function answersKept(): QueryClient {
  let known = new Map<string, string>();
  let renewing: Promise<unknown> = Promise.resolve();
  /** Tells what has changed while a question was under way, by the question. */
  const meanwhile = new Map<string, Set<string>>();
  const client = new QueryClient({
    defaultOptions: {
      queries: {
        retry: 1,
        refetchOnWindowFocus: true,
        // Parts of one view that ask for the same within a moment share an answer; a change makes it old at once.
        staleTime: 2_000,
        networkMode: "always",
        // A view without its answer says so; one that has an older answer keeps it.
        throwOnError: (failed, query) => query.state.data === undefined && isFailure(failed),
      },
      mutations: SENT_AGAIN,
    },
    mutationCache: new MutationCache({
      onSettled: async (_data, _error, _given, _result, mutation) => {
        if (!mutation.options.scope) await renewing;
      },
    }),
  });
  client.getQueryCache().subscribe((event) => {
    if (event.type !== "updated") return;
    const { queryHash, queryKey } = event.query;
    if (event.action.type === "fetch") meanwhile.set(queryHash, new Set());
    if (event.action.type !== "success" || event.action.manual) return;
    const changed = meanwhile.get(queryHash);
    meanwhile.delete(queryHash);
    if (changed && isOld(queryKey[0], changed)) void client.invalidateQueries({ queryKey, exact: true });
  });
  api.use({
    onResponse({ request, response }) {
      const header = response.headers.get("Monedero-Revisions");
      if (!header) return;
      const now = revisionsOf(header);
      const changed = changedSince(known, now);
      known = now;
      if (changed.size === 0) return;
      for (const seen of meanwhile.values()) for (const cause of changed) seen.add(cause);
      const own = request.method !== "GET";
      renewing = client.invalidateQueries({
        predicate: (query) =>
          isOld(query.queryKey[0], changed) && (own || query.state.fetchStatus === "idle"),
      });
    },
  });
  return client;
}
