import { useCallback, useMemo } from "react";
import { useNavigate, useSearchParams } from "react-router";
import type { Schema } from "../../api/client";
import { MAY_BE_UNKNOWN, type PARTS } from "../../lib/handSearch";
import { lineAmount } from "../../lib/lineAmount";
import { type Shop, useShop } from "../shop";

/** The order in hand, as the address says it. */
export type Hand = Pick<
  Schema<"InHand">,
  | "market"
  | "line"
  | "amount"
  | "goods"
  | "currency"
  | "card_kind"
  | "storefront"
  | (typeof MAY_BE_UNKNOWN)[number]
>;

/** Stands for a hand where a query is not enabled yet; it is never asked with. */
export const NOTHING: Hand = { market: "", line: "", amount: "", currency: "" };

type BeginsAt = Schema<"ShopState">["begins_at"];
const NOWHERE: BeginsAt = {};

/** The order in hand from the address; what the address leaves out, or names wrongly, comes from the shop. */
function handOf(address: URLSearchParams, shop: Shop, beginsAt: BeginsAt): Hand | null {
  const market = shop.markets.find((entry) => entry.id === address.get("market")) ?? shop.markets[0];
  const line = shop.lines.find((entry) => entry.id === address.get("line")) ?? shop.lines[0];
  if (!market || !line) return null;
  const currency = address.get("currency") ?? market.currency;
  const begins = () => lineAmount(beginsAt, line, currency);
  const hand: Hand = {
    market: market.id,
    line: line.id,
    amount: address.get("amount") ?? begins(),
    currency,
  };
  const front = shop.storefronts?.find((entry) => entry.id === address.get("storefront"));
  if (front) hand.storefront = front.id;
  const kind = address.get("card_kind");
  // A kind that does not exist is refused by the server, with its name.
  if (kind) hand.card_kind = kind as NonNullable<Hand["card_kind"]>;
  // An address that says only the way of delivery means the line's amount as that of the goods.
  const amountSaid = address.get("amount") !== null || !address.get("delivery");
  const goods = address.get("goods") ?? (amountSaid ? null : begins());
  if (goods) hand.goods = goods;
  for (const part of MAY_BE_UNKNOWN) {
    const value = address.get(part);
    if (value) hand[part] = value;
  }
  return hand;
}

/** An address with the parts of a hand written over it; an empty part is taken out. */
function written(
  address: URLSearchParams,
  parts: Record<string, string | null | undefined>,
): URLSearchParams {
  for (const [part, value] of Object.entries(parts)) {
    if (value) address.set(part, value);
    else address.delete(part);
  }
  return address;
}

/** The parts with their consequences: another amount is said as it is, whatever the goods were. */
const whole = (parts: Parts): Parts =>
  "amount" in parts && !("goods" in parts) ? { ...parts, goods: "" } : parts;

type Parts = Partial<Record<(typeof PARTS)[number], string>>;

type Tell = (next: Hand) => Promise<unknown>;
const told = new Set<Tell>();

/** How long a change of the address waits for those that draw its order first, in milliseconds. */
const MOMENT = 150;

/**
 * Be told of the next order in hand as soon as it is known, before anything is drawn anew. The address changes when all
 * that were told have what they want to draw first, or after a moment.
 */
export function beforeHandChanges(tell: Tell): () => void {
  told.add(tell);
  return () => told.delete(tell);
}

/** Tells what is on its way into the address: a change waits a moment, and others may come meanwhile. */
const coming: { parts: Parts; changes: number } = { parts: {}, changes: 0 };

/**
 * The order in hand, and how to change parts of it. An empty part is taken out of the address; `replace` leaves no
 * trace in the history, for changes that come many at a time. `expect` asks ahead for what a change will likely be;
 * `begins` is the amount at which an order of a line begins in a currency.
 */
export function useHand() {
  const [address] = useSearchParams();
  const navigate = useNavigate();
  const held = useShop().data;
  const shop = held?.shop ?? null;
  const beginsAt = held?.begins_at ?? NOWHERE;
  const hand = useMemo(() => (shop ? handOf(address, shop, beginsAt) : null), [address, shop, beginsAt]);
  const begins = useCallback(
    (line: Shop["lines"][number], currency: string) => lineAmount(beginsAt, line, currency),
    [beginsAt],
  );
  const expect = useCallback(
    async (parts: Parts) => {
      const after = written(new URLSearchParams(window.location.search), { ...hand, ...whole(parts) });
      const next = shop && handOf(after, shop, beginsAt);
      if (!next || told.size === 0) return;
      const moment = new Promise((done) => window.setTimeout(done, MOMENT));
      await Promise.race([Promise.all([...told].map((tell) => tell(next))), moment]);
    },
    [hand, shop, beginsAt],
  );
  const change = useCallback(
    async (parts: Parts, how?: { replace: boolean }) => {
      coming.parts = { ...coming.parts, ...whole(parts) };
      coming.changes += 1;
      const mine = coming.changes;
      await expect(coming.parts);
      // The newest change carries the parts of those before it.
      if (mine !== coming.changes) return;
      const all = coming.parts;
      coming.parts = {};
      // The owner may be on another page by now; the order in hand changes there.
      const { pathname, search } = window.location;
      void navigate(
        { pathname, search: `${written(new URLSearchParams(search), { ...hand, ...all })}` },
        how,
      );
    },
    [navigate, hand, expect],
  );
  return { hand, shop, begins, change, expect };
}
