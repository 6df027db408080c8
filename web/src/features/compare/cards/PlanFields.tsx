import type { ReactNode } from "react";
import { toast } from "sonner";
import { inCurrency } from "../../../lib/money";
import { Button } from "../../../ui/Button";
import { type Option, optionsOf, Picker } from "../../../ui/Picker";
import { Picks } from "../../../ui/Picks";
import { TextField } from "../../../ui/TextField";
import { Toggle } from "../../../ui/Toggle";
import { useChoices } from "../../shop";
import { currencyOf, withoutPlan } from "./edits";
import type { Card } from "./queries";

interface Props {
  card: Card;
  save: (change: (card: Card) => Card) => Promise<unknown>;
  quietly: (change: (card: Card) => Card) => void;
}

const COMPANY = [
  ["countries", "Shops in"],
  ["region", "Its region"],
  ["settles_in", "Pays out in; what is in another currency is converted to the first"],
] as const;

const CALENDARS: Option[] = [{ value: "TARGET", label: "euro banks" }];

const WEEKDAYS = [
  ["MON", "Monday"],
  ["TUE", "Tuesday"],
  ["WED", "Wednesday"],
  ["THU", "Thursday"],
  ["FRI", "Friday"],
  ["SAT", "Saturday"],
  ["SUN", "Sunday"],
] as const;

const PAYOUTS: Option[] = [
  { value: "daily", label: "every business day" },
  ...WEEKDAYS.map(([code, name]) => ({ value: `weekly:${code}`, label: `every ${name}` })),
  ...Array.from({ length: 28 }, (_, day) => ({
    value: `monthly:${day + 1}`,
    label: `on day ${day + 1} of every month`,
  })),
];

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
  ["yearly_fee", "Besides, a year"],
  ["monthly_cap", "At most a month, new account"],
] as const;

const DAYS = [
  ["shortest_term_months", "Shortest term, months"],
  ["notice_days", "Notice, days"],
  ["first_payout_days", "First payout after, days"],
] as const;

/** Plans with their monthly charges, when the money arrives, and the terms of contract. */
export function PlanFields({ card, save, quietly }: Props) {
  const choices = useChoices().data;
  const countries = optionsOf(choices?.countries);
  const currencies = optionsOf(choices?.currencies);
  const terms = card.terms ?? {};
  const named = useNamed();
  const currency = currencyOf(card);
  const priced = [...new Set(card.rates.map((rate) => rate.method))].map((method) => ({
    value: method,
    label: named([method]),
  }));
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-10">
      <section aria-labelledby="plans" className="mb-6">
        <h2 id="plans" className="text-lg mb-1">
          Plans
        </h2>
        {card.plans.map((plan) => (
          <div
            key={plan.id}
            className="grid grid-cols-[1fr_1fr_1fr_auto] gap-3 items-end border-b border-rule-soft pb-1"
          >
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
            <Button
              look="quiet"
              className="mb-1"
              disabled={card.plans.length === 1}
              aria-label={`Remove the plan ${plan.name}`}
              onClick={() => {
                const gone = card.rates.length - withoutPlan(card, plan.id).rates.length;
                quietly((before) => withoutPlan(before, plan.id));
                const rates = gone === 1 ? "1 rate that was" : `${gone} rates that were`;
                toast(`The plan ${plan.name} is removed${gone ? `, with ${rates} on it alone` : ""}.`, {
                  duration: 12_000,
                  action: { label: "Undo", onClick: () => quietly(() => card) },
                });
              }}
            >
              Remove
            </Button>
          </div>
        ))}
        <Button
          look="link"
          className="mt-1"
          onClick={() =>
            quietly((before) => ({ ...before, plans: [...before.plans, freePlan(before.plans)] }))
          }
        >
          Add a plan
        </Button>
      </section>
      <section aria-labelledby="company" className="mb-6">
        <h2 id="company" className="text-lg mb-1">
          Provider
        </h2>
        <div className="grid gap-y-2">
          {COMPANY.map(([key, label]) => (
            <Picks
              key={key}
              label={label}
              values={card.provider[key]}
              options={key === "settles_in" ? currencies : countries}
              none="none"
              onPick={(picked) =>
                quietly((before) => ({ ...before, provider: { ...before.provider, [key]: picked } }))
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
          <TextField
            label="Held back as a reserve, %"
            align="right"
            value={terms.reserve?.percent ?? ""}
            save={(percent) =>
              save((before) => ({
                ...before,
                terms: {
                  ...before.terms,
                  reserve: percent ? { percent, days: before.terms?.reserve?.days ?? 0 } : null,
                },
              }))
            }
          />
          {terms.reserve && (
            <TextField
              label="for days"
              align="right"
              value={String(terms.reserve.days)}
              save={(text) =>
                save((before) => ({
                  ...before,
                  terms: {
                    ...before.terms,
                    reserve: {
                      percent: before.terms?.reserve?.percent ?? "0",
                      days: numberOf(text || "0") ?? 0,
                    },
                  },
                }))
              }
            />
          )}
        </div>
      </section>
      <section aria-labelledby="arrival" className="mb-6">
        <h2 id="arrival" className="text-lg mb-1">
          When the money arrives
        </h2>
        {(card.settlement ?? []).map((rule, place) => {
          const edit = (part: object) =>
            quietly((before) => ({ ...before, settlement: changed(before.settlement, place, part) }));
          const which = named(rule.methods);
          return (
            <div
              key={which}
              className="grid grid-cols-2 sm:grid-cols-[5rem_1fr_1fr_auto] gap-3 items-end border-b border-rule-soft pb-1"
            >
              <div className="col-span-full">
                <Picks
                  label="Methods"
                  values={rule.methods ?? []}
                  options={priced}
                  none="all"
                  onPick={(methods) => edit({ methods: methods.length > 0 ? methods : null })}
                />
              </div>
              <TextField
                align="right"
                label="after days"
                value={String(rule.business_days)}
                save={(text) =>
                  save((before) => ({
                    ...before,
                    settlement: changed(before.settlement, place, { business_days: numberOf(text) }),
                  }))
                }
              />
              <Picks
                single
                label="Counted as"
                values={[rule.calendar]}
                options={[...CALENDARS, ...countries]}
                none="none"
                onPick={([calendar]) => edit({ calendar })}
              />
              <Picks
                single
                label="Paid out"
                values={[rule.payout]}
                options={PAYOUTS}
                none="none"
                onPick={([payout]) => edit({ payout })}
              />
              <Button
                look="quiet"
                className="mb-1"
                aria-label={`Remove when the money arrives, ${which}`}
                onClick={() =>
                  quietly((before) => ({
                    ...before,
                    settlement: (before.settlement ?? []).filter((_, index) => index !== place),
                  }))
                }
              >
                Remove
              </Button>
            </div>
          );
        })}
        <Button
          look="link"
          className="mt-1"
          onClick={() =>
            quietly((before) => ({
              ...before,
              settlement: [...(before.settlement ?? []), arrivalOf(before)],
            }))
          }
        >
          Add when the money arrives
        </Button>
      </section>
      <section aria-labelledby="events" className="mb-6">
        <h2 id="events" className="text-lg mb-1">
          What may happen after
        </h2>
        {(card.events ?? []).map((event, place) => (
          <RuleRow
            key={(event.methods ?? ["all"]).join()}
            methods={named(event.methods)}
            picks={
              <Picks
                label="Methods"
                values={event.methods ?? []}
                options={priced}
                none="all"
                onPick={(methods) =>
                  quietly((before) => ({
                    ...before,
                    events: changed(before.events, place, { methods: methods.length > 0 ? methods : null }),
                  }))
                }
              />
            }
            onRemove={() =>
              quietly((before) => ({
                ...before,
                events: (before.events ?? []).filter((_, index) => index !== place),
              }))
            }
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
        <Button
          look="link"
          className="mt-1"
          onClick={() =>
            quietly((before) => ({ ...before, events: [...(before.events ?? []), eventOf(before)] }))
          }
        >
          Add what a refund, a dispute or a failed debit costs
        </Button>
      </section>
    </div>
  );
}

interface RuleRowProps {
  methods: string;
  picks: ReactNode;
  fields: { label: string; value: string; save: (text: string) => Promise<unknown> }[];
  onRemove: () => void;
  children?: ReactNode;
}

/** A rule of a card, by the methods that it is for, with its fields. */
function RuleRow({ methods, picks, fields, onRemove, children }: RuleRowProps) {
  return (
    <div className="border-b border-rule-soft pb-1">
      <div className="grid grid-cols-2 sm:grid-cols-[repeat(3,minmax(0,1fr))_auto] gap-x-3 items-end">
        <div className="col-span-full">{picks}</div>
        {fields.map((field) => (
          <TextField key={field.label} align="right" {...field} />
        ))}
        <Button
          look="quiet"
          className="mb-1"
          aria-label={`Remove what may happen after, ${methods}`}
          onClick={onRemove}
        >
          Remove
        </Button>
      </div>
      {children}
    </div>
  );
}

type Plan = Card["plans"][number];

/** A plan that the card does not have yet. */
function freePlan(plans: Plan[]): Plan {
  const taken = plans.map((plan) => plan.id);
  let number = plans.length + 1;
  while (taken.includes(`plan-${number}`)) number += 1;
  return { id: `plan-${number}`, name: `Plan ${number}` };
}

/** A first rule for when the money arrives, of the methods that have none yet. */
function arrivalOf(card: Card): NonNullable<Card["settlement"]>[number] {
  const methods = withoutRule(card, card.settlement);
  const calendar = currencyOf(card) === "EUR" ? "TARGET" : (card.provider.countries[0] ?? "TARGET");
  return { methods, business_days: 2, calendar, payout: "daily" };
}

function eventOf(card: Card): NonNullable<Card["events"]>[number] {
  return { methods: withoutRule(card, card.events) };
}

/** The methods of the card that no rule names yet; null, which is all of them, while there is no rule. */
function withoutRule(card: Card, rules: { methods?: string[] | null }[] | undefined): string[] | null {
  if (!rules || rules.length === 0) return null;
  const named = new Set(rules.flatMap((rule) => rule.methods ?? []));
  const free = [...new Set(card.rates.map((rate) => rate.method))].filter((method) => !named.has(method));
  return free.length > 0 ? free : null;
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
