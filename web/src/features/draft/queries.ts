import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";
import { type Hand, NOTHING } from "../hand";
import { useStorefront } from "../shop";

type Draft = Schema<"Draft">;
export type Tender = Schema<"Tender">;
export type Window = Schema<"Window">;
export type Outcome = Schema<"OutcomeOut">;
export type Condition = Schema<"Condition">;
export type SharedSet = Schema<"SharedConditions">;
export type Heading = Schema<"Heading">;
/** Tells what of a checkout is composed. */
export type Composed = Pick<Draft, "tenders" | "headings" | "shared_conditions">;

/** The address of a storefront's checkout. */
const at = (storefront: string) => ({ path: { storefront } });

function readDraft(storefront: string) {
  return answered(api.GET("/api/checkouts/{storefront}", { params: at(storefront) }));
}

/** The draft of the storefront's checkout. */
export function useDraft() {
  const storefront = useStorefront();
  return useQuery({
    queryKey: keys.checkout(storefront),
    queryFn: () => readDraft(storefront ?? ""),
    enabled: storefront !== undefined,
  });
}

/**
 * Asks for what the draft offers to the order in hand; its buyer reads in a language of the shop, else in its first. Where
 * it is asked for quietly, an answer that fails takes nothing from the page.
 */
export function useView(hand: Hand | null, language = "", quiet = false) {
  const storefront = useStorefront();
  return useQuery({
    queryKey: [...keys.view, storefront, hand, language],
    queryFn: () =>
      answered(
        api.GET("/api/checkouts/{storefront}/view", {
          params: { ...at(storefront ?? ""), query: { ...(hand ?? NOTHING), language } },
        }),
      ),
    enabled: hand !== null && storefront !== undefined,
    placeholderData: keepPreviousData,
    retry: false,
    ...(quiet ? { throwOnError: false } : {}),
  });
}

/** Tells what buyers read of every tender in every language, for the order in hand. */
export function useWords(hand: Hand | null) {
  const storefront = useStorefront();
  return useQuery({
    queryKey: [...keys.words, storefront, hand],
    queryFn: () =>
      answered(
        api.GET("/api/checkouts/{storefront}/words", {
          params: { ...at(storefront ?? ""), query: hand ?? NOTHING },
        }),
      ),
    enabled: hand !== null && storefront !== undefined,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** Tells what the limits and fees of the draft come to, for the order in hand and over the shop's month. */
export function useFigures(hand: Hand | null) {
  const storefront = useStorefront();
  return useQuery({
    queryKey: [...keys.figures, storefront, hand],
    queryFn: () =>
      answered(
        api.GET("/api/checkouts/{storefront}/figures", {
          params: { ...at(storefront ?? ""), query: hand ?? NOTHING },
        }),
      ),
    enabled: hand !== null && storefront !== undefined,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** How the draft stands: how many dead ends there are, and those that its last change made. */
export function useCoverageState() {
  const storefront = useStorefront();
  return useQuery({
    queryKey: [...keys.coverageState, storefront],
    queryFn: () =>
      answered(
        api.GET("/api/checkouts/{storefront}/coverage/state", {
          params: at(storefront ?? ""),
        }),
      ),
    enabled: storefront !== undefined,
  });
}

/** Tells what is done once a draft is saved: it is kept here as it is now. */
export function useAfterDraft() {
  const client = useQueryClient();
  return {
    client,
    onSuccess: (saved: Draft) => {
      client.setQueryData(keys.checkout(saved.storefront), saved);
    },
  };
}

/** The draft as it is known here, to change it over its version. */
export function useHeld() {
  const client = useQueryClient();
  const storefront = useStorefront() ?? "";
  return {
    storefront,
    held: () => {
      const held = client.getQueryData<Draft>(keys.checkout(storefront));
      if (!held) throw new Error("The checkout is not here yet.");
      return held;
    },
  };
}

/** Change the checkout: made on the newest draft that is known here, one change at a time. */
export function useChangeCheckout() {
  const { client: _, ...after } = useAfterDraft();
  const { storefront, held } = useHeld();
  const params = at(storefront);
  return useMutation({
    scope: { id: "draft" },
    mutationFn: (change: (composed: Composed) => Composed) => {
      const { version, ...before } = held();
      const { tenders, headings, shared_conditions } = change(before);
      const body = { version, tenders, headings, shared_conditions };
      return answered(api.PUT("/api/checkouts/{storefront}", { params, body }));
    },
    ...after,
  });
}

/** Change one tender of the checkout: it alone is sent, and what changed comes back. */
export function useChangeTender() {
  const client = useQueryClient();
  const { storefront, held } = useHeld();
  return useMutation({
    scope: { id: "draft" },
    mutationFn: ({ id, edit }: { id: string; edit: (tender: Tender) => Tender }) => {
      const { version, tenders } = held();
      const before = tenders.find((tender) => tender.id === id);
      if (!before) throw new Error("This way to pay is not in the checkout any more.");
      const params = { path: { storefront, tender: id } };
      const body = { version, tender: edit(before) };
      return answered(api.PUT("/api/checkouts/{storefront}/tenders/{tender}", { params, body }));
    },
    onSuccess: ({ tender, version, back, again }) =>
      client.setQueryData<Draft>(
        keys.checkout(storefront),
        (draft) =>
          draft && {
            ...draft,
            version,
            back,
            again,
            tenders: draft.tenders.map((entry) => (entry.id === tender.id ? tender : entry)),
          },
      ),
  });
}

type Arranged =
  | { act: "move"; tender: string; over: string }
  | { act: "move-by"; tender: string; by: number }
  | { act: "put-back"; tender: Tender; place: number }
  | { act: "share"; tender: string; name: string }
  | { act: "write-in"; set: string; tender?: string };

function arrange(storefront: string, version: number, asked: Arranged) {
  const params = at(storefront);
  switch (asked.act) {
    case "move": {
      const body = { version, tender: asked.tender, over: asked.over };
      return api.POST("/api/checkouts/{storefront}/moves", { params, body });
    }
    case "move-by": {
      const body = { version, tender: asked.tender, by: asked.by };
      return api.POST("/api/checkouts/{storefront}/moves-by", { params, body });
    }
    case "put-back": {
      const body = { version, tender: asked.tender, place: asked.place };
      return api.POST("/api/checkouts/{storefront}/put-back", { params, body });
    }
    case "share": {
      const body = { version, tender: asked.tender, name: asked.name };
      return api.POST("/api/checkouts/{storefront}/sets", { params, body });
    }
    case "write-in":
      return api.POST("/api/checkouts/{storefront}/sets/{shared}/write-in", {
        params: { path: { storefront, shared: asked.set } },
        body: { version, tender: asked.tender ?? null },
      });
  }
}

/** Arrange the checkout: move a tender, put one back, share its conditions or write shared ones in. */
export function useArrange() {
  const { client: _, ...after } = useAfterDraft();
  const { storefront, held } = useHeld();
  return useMutation({
    scope: { id: "draft" },
    mutationFn: (asked: Arranged) => answered(arrange(storefront, held().version, asked)),
    ...after,
  });
}

/** Put the best set of ways in the checkout, within limits. */
export function usePutBestSet() {
  const client = useQueryClient();
  const { storefront, held } = useHeld();
  return useMutation({
    scope: { id: "draft" },
    mutationFn: (limits: Omit<Schema<"PutIn">, "version">) => {
      const body = { ...limits, version: held().version };
      return answered(api.POST("/api/checkouts/{storefront}/best-set", { params: at(storefront), body }));
    },
    onSuccess: ({ draft }) => client.setQueryData(keys.checkout(storefront), draft),
  });
}

/** Copy a tender of this checkout to another storefront, or (null) all of another one's into this. */
export function useCopy() {
  const { client, ...after } = useAfterDraft();
  return useMutation({
    scope: { id: "draft" },
    mutationFn: async (copied: { from: string; to: string; tender: string | null }) => {
      const held = await readDraft(copied.to);
      const body = { version: held.version, source: copied.from, tender: copied.tender };
      return answered(api.POST("/api/checkouts/{storefront}/copies", { params: at(copied.to), body }));
    },
    ...after,
  });
}

/** Take the last change of the checkout back, or make one again that was taken back. */
export function useStep() {
  const { client: _, ...after } = useAfterDraft();
  const { storefront, held } = useHeld();
  return useMutation({
    scope: { id: "draft" },
    mutationFn: (way: "back" | "again") => {
      const body = { version: held().version, way };
      return answered(api.POST("/api/checkouts/{storefront}/steps", { params: at(storefront), body }));
    },
    ...after,
  });
}

/** End a reason why a tender is held back from the order in hand. */
export function useEndReason(order: Hand | null) {
  const { client: _, ...after } = useAfterDraft();
  const { storefront, held } = useHeld();
  return useMutation({
    scope: { id: "draft" },
    mutationFn: ({ tender, code }: { tender: string; code: string }) => {
      const asked = { version: held().version, tender, order: order ?? NOTHING };
      const body = { ...asked, code: code as Schema<"ReasonCode"> };
      return answered(api.POST("/api/checkouts/{storefront}/end-reason", { params: at(storefront), body }));
    },
    ...after,
  });
}

/** Let one tender end exactly where another begins. */
export function useMeet() {
  const { client: _, ...after } = useAfterDraft();
  const { storefront, held } = useHeld();
  return useMutation({
    scope: { id: "draft" },
    mutationFn: (pair: { lower: string; upper: string; amount: string }) => {
      const body = { version: held().version, ...pair };
      return answered(api.POST("/api/checkouts/{storefront}/meet", { params: at(storefront), body }));
    },
    ...after,
  });
}

/** Tells what a change of the checkout would do to the orders of a month; nothing is changed. */
export function useWouldChange(order: Hand | null) {
  const { storefront, held } = useHeld();
  return useMutation({
    mutationFn: (change: (composed: Composed) => Composed) => {
      const { version, ...now } = held();
      const { tenders, headings, shared_conditions } = change(now);
      const body = { edit: { version, tenders, headings, shared_conditions }, order: order ?? NOTHING };
      return answered(api.POST("/api/checkouts/{storefront}/would-change", { params: at(storefront), body }));
    },
  });
}

/** Everything that a condition can be about in this shop. */
export function useConditionFacts() {
  return useQuery({
    queryKey: keys.conditionFacts,
    queryFn: () => answered(api.GET("/api/condition-facts")),
  });
}

/** Put a route, or an arrangement of the shop's own, in the checkout. */
export function useAddTender() {
  const { client, ...after } = useAfterDraft();
  const storefront = useStorefront() ?? "";
  return useMutation({
    scope: { id: "draft" },
    mutationFn: async (added: { method: string; route: Schema<"Route"> | null }) => {
      const held = client.getQueryData<Draft>(keys.checkout(storefront)) ?? (await readDraft(storefront));
      const body = { ...added, version: held.version };
      return answered(api.POST("/api/checkouts/{storefront}/tenders", { params: at(storefront), body }));
    },
    ...after,
  });
}

/** The month of the draft against what buyers see, and what its last change did to it. */
export function useMonth(hand: Hand | null) {
  const storefront = useStorefront();
  return useQuery({
    queryKey: [...keys.month, storefront, hand],
    queryFn: () =>
      answered(
        api.GET("/api/checkouts/{storefront}/month", {
          params: { ...at(storefront ?? ""), query: hand ?? NOTHING },
        }),
      ),
    enabled: hand !== null && storefront !== undefined,
    placeholderData: keepPreviousData,
    retry: false,
  });
}
