import { describe, expect, test } from "vitest";
import type { Composed, Tender } from "../draft";
import { inPlace, movedTo, putBack, sharedFrom, withoutSet } from "./edits";

const tender = (id: string, more: Partial<Tender> = {}): Tender => ({
  id,
  method: id,
  on: true,
  follows: false,
  on_line_page: false,
  in_cart: false,
  take: "now",
  gives: "at-certainty",
  name: id,
  names: {},
  texts: {},
  fields: [],
  conditions: [],
  shared: [],
  windows: [],
  ...more,
});
const PORTUGAL = { fact: "country" as const, only: ["PT"] };
const GOODS = { fact: "kind" as const, not: ["goods"] };
const composed: Composed = {
  headings: [
    { id: "now", name: { en: "Now" } },
    { id: "later", name: { en: "Later" } },
  ],
  shared_conditions: [{ id: "home", name: "Home", conditions: [PORTUGAL] }],
  tenders: [
    tender("card", { heading: "later", shared: ["home"], conditions: [GOODS] }),
    tender("cash"),
    tender("wallet", { heading: "now", shared: ["home"] }),
  ],
};
const ids = (tenders: Tender[]) => tenders.map(({ id }) => id);

describe("tenders under headings", () => {
  test("stand without a heading first, then heading by heading", () => {
    expect(ids(inPlace(composed))).toEqual(["cash", "wallet", "card"]);
  });

  test("go under the heading of the one to whose place they are moved", () => {
    const moved = movedTo(composed, "cash", "card");
    expect(ids(moved.tenders)).toEqual(["wallet", "card", "cash"]);
    expect(moved.tenders.at(-1)?.heading).toBe("later");
    expect(ids(movedTo(composed, "card", "cash").tenders)).toEqual(["card", "cash", "wallet"]);
    expect(movedTo(composed, "card", "nobody")).toBe(composed);
  });
});

test("a tender that was removed comes back where it stood, without what is gone since", () => {
  const [card] = composed.tenders;
  if (!card) throw new Error("no tender");
  const rest = composed.tenders.filter(({ id }) => id !== "card");
  const back = putBack({ ...composed, tenders: rest }, composed, card);
  expect(back).toEqual(composed);
  const changed = { headings: [], shared_conditions: [], tenders: rest };
  const bare = putBack(changed, composed, card).tenders[0];
  expect([bare?.id, bare?.heading, bare?.shared]).toEqual(["card", null, []]);
});

describe("shared conditions", () => {
  test("are written into whoever used them when they are put away", () => {
    const without = withoutSet(composed, "home");
    expect(without.shared_conditions).toEqual([]);
    expect(without.tenders.map(({ conditions }) => conditions)).toEqual([[GOODS, PORTUGAL], [], [PORTUGAL]]);
    expect(without.tenders.every(({ shared }) => shared.length === 0)).toBe(true);
  });

  test("begin as the conditions of one tender, which uses them from then on", () => {
    const shared = sharedFrom(composed, "card", "No goods", "no-goods");
    expect(shared.shared_conditions.at(-1)).toEqual({
      id: "no-goods",
      name: "No goods",
      conditions: [GOODS],
    });
    expect(shared.tenders[0]?.conditions).toEqual([]);
    expect(shared.tenders[0]?.shared).toEqual(["home", "no-goods"]);
    expect(sharedFrom(composed, "cash", "Nothing", "nothing")).toBe(composed);
  });
});
