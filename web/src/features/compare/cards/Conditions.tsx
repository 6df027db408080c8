import { inCurrency } from "../../../lib/money";
import { type Option, optionsOf, Picker } from "../../../ui/Picker";
import { Picks } from "../../../ui/Picks";
import { TextField } from "../../../ui/TextField";
import { idOf, useChoices } from "../../shop";
import { withCondition, withEnd } from "./edits";
import type { When } from "./queries";

interface Props {
  name: string;
  /** The currency of an amount that is typed without one. */
  currency: string;
  when: When;
  save: (change: (when: When) => When) => Promise<unknown>;
  quietly: (change: (when: When) => When) => void;
}

const ORIGINS: Option[] = [
  { value: "domestic", label: "in the shop's country" },
  { value: "region", label: "elsewhere in the provider's region" },
  { value: "abroad", label: "abroad" },
];

const TRUTHS = [
  ["recurring", "Repeats"],
  ["conversion", "Is converted"],
] as const;

/** Tells what an order must be for a rate to fit; every field that is filled must hold. */
export function Conditions({ name, currency, when, save, quietly }: Props) {
  const choices = useChoices().data;
  const lists = [
    { key: "currency", label: "Currencies", options: optionsOf(choices?.currencies) },
    { key: "buyer_country", label: "Buyer's countries", options: optionsOf(choices?.countries) },
    { key: "origin", label: "Buyer is", options: ORIGINS },
    { key: "card_kind", label: "Cards", options: optionsOf(choices?.card_kinds) },
    { key: "card_network", label: "Networks", options: optionsOf(choices?.card_networks) },
    { key: "line_kind", label: "Lines", options: optionsOf(choices?.kinds) },
  ] as const;
  const bands = [
    ["amount", "Amount"],
    ["monthly_volume", "Account takes a month"],
  ] as const;
  return (
    <div className="grid grid-cols-2 lg:grid-cols-3 gap-x-5 gap-y-2 bg-sheet border border-rule-soft px-4 py-3 mb-2">
      {lists.map(({ key, label, options }) => (
        <Picks
          key={key}
          label={`${label}, ${name}`}
          values={when[key] ?? []}
          options={options}
          none="any"
          {...(key === "card_network" ? { add: idOf } : {})}
          onPick={(picked) =>
            quietly((before) => withCondition(before, key, picked.length > 0 ? picked : undefined))
          }
        />
      ))}
      {bands.map(([key, label]) =>
        (["from", "below"] as const).map((end) => (
          <TextField
            key={key + end}
            label={`${label} ${end}`}
            align="right"
            value={when[key]?.[end] ?? ""}
            save={(text) =>
              save((before) =>
                withCondition(before, key, withEnd(before[key], end, inCurrency(text, currency))),
              )
            }
          />
        )),
      )}
      {TRUTHS.map(([key, label]) => (
        <Picker
          key={key}
          showLabel
          label={`${label}, ${name}`}
          value={when[key] === null || when[key] === undefined ? "any" : String(when[key])}
          options={[
            { value: "any", label: "either" },
            { value: "true", label: "yes" },
            { value: "false", label: "no" },
          ]}
          onPick={(value) =>
            quietly((before) => withCondition(before, key, value === "any" ? undefined : value === "true"))
          }
        />
      ))}
    </div>
  );
}
