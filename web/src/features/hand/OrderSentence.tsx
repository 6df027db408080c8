import { useEffect, useState } from "react";
import { Link } from "react-router";
import type { Schema } from "../../api/client";
import { partsOf, shown } from "../../lib/money";
import { useAskBeforeLeaving } from "../../lib/useAskBeforeLeaving";
import { Picker } from "../../ui/Picker";
import { useChoices } from "../shop";
import { partsAsked, UNKNOWN } from "./parts";
import { readAmount } from "./readAmount";
import { type Hand, useHand } from "./useHand";

export const FIRST_PICKER = "order-market";

/** Go to the part of the sentence where something is said that is not known. */
export function sayPart(part: string) {
  document.getElementById(`order-${part}`)?.focus();
}

interface Props {
  /** Why the order cannot be read; empty where it can. */
  problem: string;
  /** The facts that a condition or the delivery asks, which are shown too. */
  asked: string[];
  /** Tells what the order comes to, as the newest answer says; empty until there is one. */
  amount: string;
  /** The ways by which it can go: the goods stay when another is picked, what there is to pay becomes another. */
  deliveries: Schema<"WayOut">[];
  /** Tells what of it is paid on the day; empty where all of it is paid now. */
  rest: string;
}

/** The order in hand as one sentence; each part is a picker in place. */
export function OrderSentence({ problem, asked, amount, deliveries, rest }: Props) {
  const { hand, shop, begins, change, expect } = useHand();
  // The server answers the goods with what there is to pay.
  const pays = hand?.goods && amount ? partsOf(amount).amount : "";
  useEffect(() => {
    if (hand?.goods && pays && pays !== hand.amount) {
      change({ amount: pays, goods: hand.goods }, { replace: true });
    }
  }, [hand, pays, change]);
  const names = new Map(useChoices().data?.countries.map((choice) => [choice.code, choice.name]));
  if (!shop) return null;
  if (!hand) {
    return (
      <section aria-label="The order in hand" className="bg-sheet border-b border-rule px-6 py-3">
        <p className="font-serif text-sentence">
          There is no order to look at: your shop needs a market and a line.{" "}
          <Link to="/shop" className="underline underline-offset-4">
            Describe them
          </Link>
        </p>
      </section>
    );
  }
  const markets = shop.markets;
  const lines = shop.lines;
  const line = lines.find((entry) => entry.id === hand.line);
  // An order at its line's own amount comes to that amount in another currency too; one that was typed stays.
  const paidIn = (currency: string) =>
    line && !hand.goods && hand.amount === begins(line, hand.currency)
      ? { amount: begins(line, currency) }
      : {};
  const seen = new Set(markets.map((market) => market.country));
  const doubled = seen.size < markets.length;
  const parts = shop && hand ? partsAsked(shop, hand, asked) : [];
  /** Another way of delivery keeps the goods; what there is to pay with it comes from the server. */
  const picked = (part: string, value: string) => {
    if (part !== "delivery") return { [part]: value };
    const said = deliveries.find((way) => way.chosen)?.goods ?? deliveries.find((way) => way.goods)?.goods;
    const goods = hand.goods ?? (said ? partsOf(said).amount : hand.amount);
    const way = deliveries.find((entry) => entry.id === value);
    const amount = way?.amount ? partsOf(way.amount).amount : goods;
    return { delivery: value, amount, goods: value ? goods : "" };
  };
  const currencies = [
    ...new Set([hand.currency, shop.currency, ...markets.map((market) => market.currency)]),
  ];

  return (
    <section aria-label="The order in hand" className="bg-sheet border-b border-rule px-6 py-3">
      <div className="font-serif text-sentence flex flex-wrap items-baseline gap-x-1.5 gap-y-1">
        A buyer in
        <Picker
          look="sentence"
          label="Market of the buyer"
          id={FIRST_PICKER}
          value={hand.market}
          options={markets.map((market) => ({
            value: market.id,
            label: `${names.get(market.country) ?? market.country}${doubled ? ` (${market.currency})` : ""}`,
          }))}
          onPick={(id) => {
            const market = markets.find((entry) => entry.id === id);
            const currency = market?.currency ?? hand.currency;
            change({ market: id, currency, ...paidIn(currency) });
          }}
        />
        orders
        <Picker
          look="sentence"
          label="Line that is ordered"
          value={hand.line}
          options={lines.map((entry) => ({ value: entry.id, label: entry.name }))}
          onPick={(id) => {
            const line = lines.find((entry) => entry.id === id);
            // Another line may go other ways, and comes at its own amount.
            change({
              line: id,
              amount: line ? begins(line, hand.currency) : hand.amount,
              delivery: "",
            });
          }}
        />
        {line?.highest ? "for at most" : "for"}
        <AmountWord
          hand={hand}
          invalid={problem !== ""}
          onAmount={change}
          onLikely={(amount) => expect({ amount })}
        />
        <span className="whitespace-nowrap">
          <Picker
            look="sentence"
            label="Currency of the order"
            value={hand.currency}
            options={currencies.map((code) => ({ value: code, label: code }))}
            onPick={(currency) => change({ currency, ...paidIn(currency) })}
          />
          , {line?.recurring ? "every month" : "once"}
          {parts.length === 0 ? "." : ","}
        </span>
        {parts.map((part, place) => (
          <span key={part.part} className="whitespace-nowrap">
            {part.part === "postcode" || part.part === "town" ? (
              <>
                {TO[part.part]}{" "}
                <TypedWord
                  id={`order-${part.part}`}
                  label={part.label}
                  value={hand[part.part] ?? ""}
                  onPick={(text) => change({ [part.part]: text })}
                />
              </>
            ) : (
              <Picker
                look="sentence"
                id={`order-${part.part}`}
                label={part.label}
                value={hand[part.part] ?? UNKNOWN}
                options={[{ value: UNKNOWN, label: part.unknown }, ...part.options]}
                onPick={(value) => change(picked(part.part, value === UNKNOWN ? "" : value))}
              />
            )}
            {place < parts.length - 1 ? "," : "."}
          </span>
        ))}
      </div>
      {rest && !problem && (
        <p className="text-small text-soft">
          {rest === amount
            ? "All of it is paid on the day."
            : `${shown(rest)} of it is paid on the day, all else now.`}
        </p>
      )}
      {problem && (
        <p role="alert" id="order-problem" className="text-copper font-medium mt-1">
          {problem}
        </p>
      )}
    </section>
  );
}

const TO = { postcode: "to the postcode", town: "in the town of" };

/** A part of the address as a word of the sentence, typed in place. */
function TypedWord({
  id,
  label,
  value,
  onPick,
}: {
  id: string;
  label: string;
  value: string;
  onPick: (text: string) => void;
}) {
  const [text, setText] = useState(value);
  useEffect(() => setText(value), [value]);
  const keep = () => text !== value && onPick(text.trim());
  return (
    <input
      id={id}
      aria-label={label}
      autoComplete="off"
      placeholder="not known"
      value={text}
      style={{ width: `${Math.max(text.length, 9) + 1}ch` }}
      onChange={(event) => setText(event.target.value)}
      onBlur={keep}
      onKeyDown={(event) => {
        if (event.key === "Enter") keep();
        if (event.key === "Escape") setText(value);
      }}
      className="bg-transparent font-semibold border-b border-dotted border-ink px-0.5 leading-7"
    />
  );
}

interface AmountWordProps {
  hand: Pick<Hand, "amount" | "currency">;
  invalid: boolean;
  onAmount: (typed: { amount: string; currency?: string }) => void;
  /** Told of an amount that is likely to be read as it was typed. */
  onLikely: (amount: string) => Promise<unknown>;
}

/** Digits with a point, and as many behind it as another amount of the currency has. */
const written = (typed: string, like: string) =>
  /^\d+(\.\d+)?$/.test(typed) && typed.split(".")[1]?.length === like.split(".")[1]?.length;

/** The amount as a word of the sentence, typed in place; kept on Enter or when it is left. */
function AmountWord({ hand, invalid, onAmount, onLikely }: AmountWordProps) {
  const { amount } = hand;
  const [text, setText] = useState(amount);
  useEffect(() => setText(amount), [amount]);
  useAskBeforeLeaving(text !== amount);

  async function keep() {
    const typed = text.trim();
    if (!typed || typed === amount) {
      setText(amount);
      return;
    }
    // Most amounts are typed as they are written: what they lead to is asked for before the server reads them.
    if (written(typed, amount)) await onLikely(typed);
    try {
      const read = await readAmount(typed, hand.currency);
      setText(read.amount);
      onAmount(read);
    } catch {
      // A part that cannot be read stands in the sentence as it was typed, with the reason under it.
      onAmount({ amount: typed });
    }
  }

  return (
    <input
      aria-label="Amount of the order"
      aria-invalid={invalid}
      aria-describedby={invalid ? "order-problem" : undefined}
      inputMode="decimal"
      autoComplete="off"
      value={text}
      style={{ width: `${Math.max(text.length, 3) + 1}ch` }}
      onChange={(event) => setText(event.target.value)}
      onBlur={() => void keep()}
      onKeyDown={(event) => {
        if (event.key === "Enter") void keep();
        if (event.key === "Escape") setText(amount);
      }}
      className={`bg-transparent font-semibold text-center border-b border-dotted px-0.5 leading-7 ${
        invalid ? "border-copper text-copper" : "border-ink"
      }`}
    />
  );
}
