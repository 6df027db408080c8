import { putIn } from "../../../lib/lists";
import { inCurrency } from "../../../lib/money";
import type { Card, Extra, Rate, When } from "./queries";

type Band = NonNullable<When["amount"]>;

export type Entry = Rate | Extra;
export type Kind = "rates" | "extras";

/** The currency that is meant where an amount on a card is typed without one. */
export function currencyOf(card: Card): string {
  return card.provider.settles_in[0] ?? "";
}

/** A card with one entry changed. */
export function withEntry(card: Card, kind: Kind, id: string, change: (entry: Entry) => Entry): Card {
  const entries = (card[kind] ?? []) as Entry[];
  return { ...card, [kind]: entries.map((entry) => (entry.id === id ? change(entry) : entry)) };
}

/** An entry with a key set, or left out where the text is empty. */
export function withText(entry: Entry, key: string, text: string): Entry {
  const { [key]: _, ...rest } = entry as unknown as Record<string, unknown>;
  return (text ? { ...rest, [key]: text } : rest) as unknown as Entry;
}

/** Conditions with one key set; an undefined value takes the key away. */
export function withCondition(when: When, key: keyof When, value: unknown): When {
  const { [key]: _, ...rest } = when as Record<string, unknown>;
  return (value === undefined ? rest : { ...rest, [key]: value }) as When;
}

/** A band with one end set; without ends it is none. */
export function withEnd(
  band: Band | null | undefined,
  end: "from" | "below",
  text: string,
): Band | undefined {
  const next: Band = { ...band, [end]: text || null };
  return next.from || next.below ? next : undefined;
}

type Steps = NonNullable<Rate["graduated"]>;

/** The steps of a graduated rate as they are typed: `2 below 10000 EUR, 1.5`; the last one has no end. */
export function stepsText(steps: Steps | null | undefined): string {
  return (steps ?? [])
    .map((step) => (step.below ? `${step.percent} below ${step.below}` : step.percent))
    .join(", ");
}

/** Tells what was typed as steps; nothing where it is empty. A comma without a space behind it belongs to a number. */
export function stepsOf(text: string, currency: string): Steps | undefined {
  const parts = text
    .split(/[,;]\s+/)
    .map((part) => part.trim())
    .filter(Boolean);
  const steps = parts.map((step) => {
    const [percent = "", below] = step.split(/\s+below\s+/);
    return { percent, below: below ? inCurrency(below, currency) : null };
  });
  return steps.length > 0 ? steps : undefined;
}

/** A card with an entry moved by some places. */
export function moved(card: Card, kind: Kind, place: number, by: number): Card {
  const entries = [...((card[kind] ?? []) as Entry[])];
  const [taken] = entries.splice(place, 1);
  if (taken) entries.splice(place + by, 0, taken);
  return { ...card, [kind]: entries };
}

/**
 * A card without an entry. Where no rate is left for a method, what named the method names it no more, since a card
 * that speaks of a method without a price is refused.
 */
export function withoutEntry(card: Card, kind: Kind, id: string): Card {
  const less = {
    ...card,
    [kind]: ((card[kind] ?? []) as Entry[]).filter((entry) => entry.id !== id),
  } as Card;
  const priced = new Set(less.rates.map((rate) => rate.method));
  const still = <Named extends { methods?: string[] | null }>(entries: Named[] | undefined): Named[] =>
    (entries ?? []).flatMap((entry) => {
      if (!entry.methods) return [entry];
      const methods = entry.methods.filter((method) => priced.has(method));
      return methods.length > 0 ? [{ ...entry, methods }] : [];
    });
  return {
    ...less,
    extras: still(less.extras),
    events: still(less.events),
    settlement: still(less.settlement),
  };
}

/**
 * A card with an entry back in its place, as it was in the card before it was taken away, and with what named its method
 * then. What was changed meanwhile stays.
 */
export function putBack(before: Card, kind: Kind, id: string): (now: Card) => Card {
  const entries = (before[kind] ?? []) as Entry[];
  const place = entries.findIndex((entry) => entry.id === id);
  const less = withoutEntry(before, kind, id);
  /** Tells what was there before in the place of what was left of it; what was taken away whole is put in again. */
  function named<Named>(
    was: Named[] | undefined,
    left: Named[] | undefined,
    now: Named[] | undefined,
  ): Named[] {
    const same = (one: Named, other: Named) => JSON.stringify(one) === JSON.stringify(other);
    const gone = (was ?? []).filter((entry) => !(left ?? []).some((one) => same(one, entry)));
    const shorter = (left ?? []).filter((entry) => !(was ?? []).some((one) => same(one, entry)));
    return [...(now ?? []).filter((entry) => !shorter.some((one) => same(one, entry))), ...gone];
  }
  return (now) => {
    const held = (now[kind] ?? []) as Entry[];
    const entry = entries[place];
    if (!entry || held.some((other) => other.id === id)) return now;
    const card = kind === "extras" ? now : { ...now, extras: named(before.extras, less.extras, now.extras) };
    return {
      ...card,
      [kind]: putIn(held, place, entry),
      events: named(before.events, less.events, now.events),
      settlement: named(before.settlement, less.settlement, now.settlement),
    } as Card;
  };
}

/** A card without a plan; what was on that plan alone goes with it. */
export function withoutPlan(card: Card, id: string): Card {
  const still = <Planned extends { plans?: string[] | null }>(entries: Planned[] | undefined): Planned[] =>
    (entries ?? []).flatMap((entry) => {
      if (!entry.plans) return [entry];
      const plans = entry.plans.filter((plan) => plan !== id);
      return plans.length > 0 ? [{ ...entry, plans }] : [];
    });
  const less = { ...card, plans: card.plans.filter((plan) => plan.id !== id), extras: still(card.extras) };
  // Rates go one by one, so that nothing is left that names a method without a price.
  const gone = card.rates.filter((rate) => still([rate]).length === 0);
  const kept = {
    ...less,
    rates: card.rates.flatMap((rate) => (gone.includes(rate) ? [rate] : still([rate]))),
  };
  return gone.reduce((before, rate) => withoutEntry(before, "rates", rate.id), kept);
}

/** An id that no rate or extra of the card has yet. */
export function freeEntryId(card: Card, base: string): string {
  const taken = new Set([...card.rates, ...(card.extras ?? [])].map((entry) => entry.id));
  let id = base;
  for (let number = 2; taken.has(id); number += 1) id = `${base}-${number}`;
  return id;
}
