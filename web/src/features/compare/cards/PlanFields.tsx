import type { ReactNode } from "react";
import { inCurrency } from "../../../lib/money";
import { Picker } from "../../../ui/Picker";
import { TextField } from "../../../ui/TextField";
import { Toggle } from "../../../ui/Toggle";
import { useChoices } from "../../shop";
import { currencyOf, listOf } from "./edits";
import type { Card } from "./queries";

interface Props {
  card: Card;
  save: (change: (card: Card) => Card) => Promise<unknown>;
}

const COMPANY = [
  ["countries", "Shops in"],
  ["region", "Its region"],
  ["settles_in", "Pays out in; what is in another currency is converted to the first"],
] as const;

const RETURNS = [
  { value: "none", label: "nothing of the fee comes back with a refund" },
  { value: "percent", label: "the percentage comes back with a refund" },
  { value: "all", label: "the whole fee comes back with a refund" },
];

const MONEY = [
  ["monthly", "monthly charge"],
  ["minimum_monthly", "fees at the least"],
] as const;

const TERMS = [
  ["set_up", "Set-up"],
  ["exit_fee", "Leaving costs"],
  ["terminal_rent", "Terminal, a month"],
  ["monthly_cap", "At most a month, new account"],
] as const;

const DAYS = [
  ["shortest_term_months", "Shortest term, months"],
  ["notice_days", "Notice, days"],
  ["first_payout_days", "First payout after, days"],
] as const;

/** Plans with their monthly charges, when the money arrives, and the terms of contract. */
export function PlanFields({ card, save }: Props) {
  const terms = card.terms ?? {};
  const named = useNamed();
  const currency = currencyOf(card);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-10">
      <section aria-labelledby="plans" className="mb-6">
        <h2 id="plans" className="text-lg mb-1">
          Plans
        </h2>
        {card.plans.map((plan) => (
          <div key={plan.id} className="grid grid-cols-3 gap-3 items-end border-b border-rule-soft pb-1">
            <TextField
              cell
              label={`Name of ${plan.id}`}
              hideLabel
              value={plan.name}
              save={(name) => save((before) => withPlan(before, plan.id, { name }))}
            />
            {MONEY.map(([key, label]) => (
              <TextField
                key={key}
                align="right"
                label={`${plan.name}, ${label}`}
                value={plan[key] ?? ""}
                save={(text) =>
                  save((before) => withPlan(before, plan.id, { [key]: inCurrency(text, currency) || null }))
                }
              />
            ))}
          </div>
        ))}
      </section>
      <section aria-labelledby="company" className="mb-6">
        <h2 id="company" className="text-lg mb-1">
          Provider
        </h2>
        <div className="grid gap-y-2">
          {COMPANY.map(([key, label]) => (
            <TextField
              key={key}
              label={label}
              value={card.provider[key].join(", ")}
              save={(text) =>
                save((before) => ({ ...before, provider: { ...before.provider, [key]: listOf(text) ?? [] } }))
              }
            />
          ))}
          <TextField
            width="w-40"
            label="Tax on its fees"
            align="right"
            suffix="%"
            value={card.fee_tax_percent ?? ""}
            save={(text) => save((before) => ({ ...before, fee_tax_percent: text || null }))}
          />
        </div>
      </section>
      <section aria-labelledby="terms" className="mb-6">
        <h2 id="terms" className="text-lg mb-1">
          Terms
        </h2>
        <div className="grid grid-cols-2 gap-x-5 gap-y-2">
          {TERMS.map(([key, label]) => (
            <TextField
              key={key}
              label={label}
              align="right"
              value={terms[key] ?? ""}
              save={(text) =>
                save((before) => ({
                  ...before,
                  terms: { ...before.terms, [key]: inCurrency(text, currency) || null },
                }))
              }
            />
          ))}
          {DAYS.map(([key, label]) => (
            <TextField
              key={key}
              label={label}
              align="right"
              value={terms[key] === null || terms[key] === undefined ? "" : String(terms[key])}
              save={(text) =>
                save((before) => ({ ...before, terms: { ...before.terms, [key]: numberOf(text) } }))
              }
            />
          ))}
        </div>
      </section>
      <section aria-labelledby="arrival" className="mb-6">
        <h2 id="arrival" className="text-lg mb-1">
          When the money arrives
        </h2>
        {(card.settlement ?? []).map((rule, place) => (
          <RuleRow
            key={(rule.methods ?? ["all"]).join()}
            methods={named(rule.methods)}
            fields={ARRIVAL.map(([key, label]) => ({
              label,
              value: String(rule[key]),
              save: (text) =>
                save((before) => ({
                  ...before,
                  settlement: changed(before.settlement, place, {
                    [key]: key === "business_days" ? numberOf(text) : text,
                  }),
                })),
            }))}
          />
        ))}
      </section>
      <section aria-labelledby="events" className="mb-6">
        <h2 id="events" className="text-lg mb-1">
          What may happen after
        </h2>
        {(card.events ?? []).map((event, place) => (
          <RuleRow
            key={(event.methods ?? ["all"]).join()}
            methods={named(event.methods)}
            fields={EVENTS.map(([key, label]) => ({
              label,
              value: event[key]?.fixed ?? "",
              save: (text) =>
                save((before) => ({
                  ...before,
                  events: changed(before.events, place, {
                    [key]: text
                      ? {
                          ...NEW_EVENTS[key],
                          ...before.events?.[place]?.[key],
                          fixed: inCurrency(text, currency),
                        }
                      : null,
                  }),
                })),
            }))}
          >
            {event.refund && (
              <Picker
                label={`What a refund brings back, ${named(event.methods)}`}
                value={event.refund.returns}
                options={RETURNS}
                onPick={(returns) =>
                  void save((before) => ({
                    ...before,
                    events: changed(before.events, place, {
                      refund: { ...before.events?.[place]?.refund, returns },
                    }),
                  }))
                }
              />
            )}
            {event.dispute && (
              <span className="flex items-center gap-2 text-small text-soft">
                the dispute's fee comes back when won
                <Toggle
                  label={`The dispute's fee comes back when won, ${named(event.methods)}`}
                  on={event.dispute.returned_if_won}
                  onChange={(returned_if_won) =>
                    void save((before) => ({
                      ...before,
                      events: changed(before.events, place, {
                        dispute: { ...before.events?.[place]?.dispute, returned_if_won },
                      }),
                    }))
                  }
                />
              </span>
            )}
          </RuleRow>
        ))}
      </section>
    </div>
  );
}

interface RuleRowProps {
  methods: string;
  fields: { label: string; value: string; save: (text: string) => Promise<unknown> }[];
  children?: ReactNode;
}

/** A rule of a card, by the methods that it is for, with its fields. */
function RuleRow({ methods, fields, children }: RuleRowProps) {
  return (
    <div className="border-b border-rule-soft pb-1">
      <div className="grid grid-cols-[minmax(0,1fr)_repeat(3,5.5rem)] gap-3 items-end">
        <span className="text-soft">{methods}</span>
        {fields.map((field) => (
          <TextField key={field.label} align="right" {...field} />
        ))}
      </div>
      {children}
    </div>
  );
}

/** The methods that a rule is for, by name; a rule that names none is for all. */
function useNamed() {
  const names = new Map(useChoices().data?.methods.map(({ code, name }) => [code, name]));
  return (methods: string[] | null | undefined) =>
    methods?.map((method) => names.get(method) ?? method).join(", ") ?? "all methods";
}

/** A list with one of its entries changed in part. */
function changed<Rule>(rules: Rule[] | undefined, place: number, part: object): Rule[] {
  return (rules ?? []).map((rule, index) => (index === place ? { ...rule, ...part } : rule));
}

const ARRIVAL = [
  ["business_days", "business days"],
  ["calendar", "calendar"],
  ["payout", "payout"],
] as const;

const EVENTS = [
  ["refund", "a refund"],
  ["dispute", "a dispute"],
  ["failed", "a failed debit"],
] as const;

const NEW_EVENTS = { refund: { returns: "none" }, dispute: { returned_if_won: false }, failed: {} };

function withPlan(card: Card, id: string, part: Partial<Card["plans"][number]>): Card {
  return { ...card, plans: card.plans.map((plan) => (plan.id === id ? { ...plan, ...part } : plan)) };
}

/** A whole number; what is none goes as it was typed, for the server to refuse. */
function numberOf(text: string): number | null {
  if (text === "") return null;
  return /^\d+$/.test(text) ? Number(text) : (text as unknown as number);
}
