import { Fragment, useState } from "react";
import { inCurrency, shown } from "../../../lib/money";
import { Button } from "../../../ui/Button";
import { optionsOf } from "../../../ui/Picker";
import { Picks } from "../../../ui/Picks";
import { TextField } from "../../../ui/TextField";
import { idOf, useChoices } from "../../shop";
import { Conditions } from "./Conditions";
import { currencyOf, type Entry, type Kind, moved, stepsOf, stepsText, withEntry, withText } from "./edits";
import type { Card, Rate, Tried } from "./queries";

interface Props {
  kind: Kind;
  card: Card;
  /** For which orders each entry is, in words by its id. */
  conditions: Record<string, string>;
  tried: Tried[];
  save: (change: (card: Card) => Card) => Promise<unknown>;
  quietly: (change: (card: Card) => Card) => void;
  onTyped: (change: ((card: Card) => Card) | null) => void;
  onRemove: (entry: Entry) => void;
  onAdd: () => void;
}

const ADDED = { interchange: "interchange", scheme: "scheme fees" } as const;

const FIGURES = {
  rates: ["percent", "fixed", "minimum", "maximum"],
  extras: ["percent", "fixed"],
} as const;

/** Rates or extras of a card as a table. The first rate that fits counts, so their sequence matters. */
export function EntriesTable(props: Props) {
  const { kind, card, conditions, tried, save, quietly, onTyped, onRemove, onAdd } = props;
  const [open, setOpen] = useState("");
  const entries = (card[kind] ?? []) as Entry[];
  const figures = FIGURES[kind];
  const many = card.plans.length > 1;
  const currency = currencyOf(card);
  const methods = optionsOf(useChoices().data?.methods);

  return (
    <>
      <div className="overflow-x-auto relative">
        <table className="w-full">
          <thead>
            <tr className="border-b border-ink text-small text-soft text-left">
              <th className="font-normal">{kind === "rates" ? "Method" : "What for"}</th>
              {many && <th className="font-normal">plans</th>}
              <th className="font-normal">for which orders</th>
              {figures.map((figure) => (
                <th key={figure} className="font-normal text-right">
                  {figure === "percent" ? "%" : figure}
                </th>
              ))}
              {kind === "rates" && <th className="font-normal text-right pl-2">this order</th>}
              <th>
                <span className="sr-only">Sequence and removal</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {entries.map((entry, place) => {
              const name = entry.id;
              const edit = (change: (before: Entry) => Entry) => (before: Card) =>
                withEntry(before, kind, name, change);
              const prices = tried.filter((route) => route.rate === name && route.fee);
              return (
                <Fragment key={name}>
                  <tr className="border-b border-rule-soft align-top">
                    <th scope="row" className="font-normal text-left w-34 pt-1">
                      {"method" in entry ? (
                        <Picks
                          single
                          look="word"
                          label={`Method of ${name}`}
                          values={[entry.method]}
                          options={methods}
                          none="none"
                          add={idOf}
                          onPick={([method]) =>
                            quietly(edit((before) => withText(before, "method", method ?? entry.method)))
                          }
                        />
                      ) : (
                        <TextField
                          cell
                          label={`Label of ${name}`}
                          hideLabel
                          value={entry.label}
                          save={(text) => save(edit((before) => withText(before, "label", text)))}
                        />
                      )}
                    </th>
                    {many && (
                      <td className="w-20 pt-1">
                        <Picks
                          look="word"
                          label={`Plans of ${name}`}
                          values={entry.plans ?? []}
                          options={card.plans.map((plan) => ({ value: plan.id, label: plan.name }))}
                          none="all"
                          onPick={(plans) =>
                            quietly(edit((before) => ({ ...before, plans: plans.length > 0 ? plans : null })))
                          }
                        />
                      </td>
                    )}
                    <td>
                      <button
                        type="button"
                        aria-expanded={open === name}
                        aria-label={`For which orders, ${name}: ${conditions[entry.id] ?? ""}`}
                        onClick={() => setOpen(open === name ? "" : name)}
                        className="text-left min-h-6 mt-1 underline decoration-dotted decoration-soft underline-offset-4 hover:decoration-solid"
                      >
                        {conditions[entry.id]}
                      </button>
                      {"adds" in entry && entry.adds && (
                        <p className="text-small text-soft">
                          plus {entry.adds.map((cost) => ADDED[cost]).join(" and ")}, as assumed
                        </p>
                      )}
                      {"graduated" in entry && entry.graduated && (
                        <p className="text-small text-soft">
                          {entry.graduated
                            .map(
                              (step) =>
                                `${step.percent} %${step.below ? ` below ${step.below} a month` : " from there"}`,
                            )
                            .join(", ")}
                        </p>
                      )}
                    </td>
                    {figures.map((figure) => {
                      const figureOf = (text: string) =>
                        figure === "percent" ? text : inCurrency(text, currency);
                      return (
                        <td key={figure} className={figure === "percent" ? "w-14" : "w-22"}>
                          <TextField
                            cell
                            align="right"
                            label={`${figure} of ${name}`}
                            hideLabel
                            value={
                              ((entry as unknown as Record<string, string | null>)[figure] ?? "") as string
                            }
                            onTyped={(text) =>
                              onTyped(edit((before) => withText(before, figure, figureOf(text))))
                            }
                            save={async (text) => {
                              await save(edit((before) => withText(before, figure, figureOf(text))));
                              onTyped(null);
                            }}
                          />
                        </td>
                      );
                    })}
                    {kind === "rates" && (
                      <td
                        className="text-right pl-2 pt-1.5 whitespace-nowrap font-semibold text-copper"
                        data-fee={name}
                      >
                        {prices[0]?.fee ? shown(prices[0].fee) : ""}
                      </td>
                    )}
                    <td className="text-right whitespace-nowrap pl-2 pt-1">
                      <Button
                        look="quiet"
                        className="px-1 min-w-6"
                        disabled={place === 0}
                        aria-label={`Move ${name} up`}
                        onClick={() => quietly((before) => moved(before, kind, place, -1))}
                      >
                        ↑
                      </Button>
                      <Button
                        look="quiet"
                        className="px-1 min-w-6"
                        disabled={place === entries.length - 1}
                        aria-label={`Move ${name} down`}
                        onClick={() => quietly((before) => moved(before, kind, place, 1))}
                      >
                        ↓
                      </Button>
                      <Button
                        look="quiet"
                        className="px-1"
                        disabled={kind === "rates" && entries.length === 1}
                        aria-label={`Remove ${name}`}
                        onClick={() => onRemove(entry)}
                      >
                        Remove
                      </Button>
                    </td>
                  </tr>
                  {open === name && (
                    <tr>
                      <td colSpan={figures.length + 5}>
                        {kind === "rates" && (
                          <div className="mt-1 grid gap-2">
                            <Picks
                              label={`Costs of the card networks that are added, ${name}`}
                              none="none"
                              values={("adds" in entry && entry.adds) || []}
                              options={Object.entries(ADDED).map(([value, label]) => ({ value, label }))}
                              onPick={(adds) =>
                                quietly(
                                  edit((before) => ({
                                    ...(before as Rate),
                                    adds: adds.length > 0 ? (adds as NonNullable<Rate["adds"]>) : null,
                                  })),
                                )
                              }
                            />
                            <TextField
                              label={`Percent by the account's month, ${name}, such as 2 below 10000 EUR, 1.5`}
                              value={stepsText("graduated" in entry ? entry.graduated : null)}
                              save={(text) =>
                                save(
                                  edit((before) => {
                                    const { graduated: _, percent, ...rest } = before as Rate;
                                    const steps = stepsOf(text, currency);
                                    // A rate has one percentage, or steps of them.
                                    return steps
                                      ? { ...rest, graduated: steps }
                                      : { ...rest, percent: percent ?? "0" };
                                  }),
                                )
                              }
                            />
                          </div>
                        )}
                        <Conditions
                          name={name}
                          currency={currency}
                          when={entry.when}
                          save={(change) =>
                            save(edit((before) => ({ ...before, when: change(before.when) })))
                          }
                          quietly={(change) =>
                            quietly(edit((before) => ({ ...before, when: change(before.when) })))
                          }
                        />
                      </td>
                    </tr>
                  )}
                </Fragment>
              );
            })}
          </tbody>
        </table>
      </div>
      <Button look="link" className="mt-1" onClick={onAdd}>
        {kind === "rates" ? "Add a rate" : "Add an extra"}
      </Button>
    </>
  );
}
