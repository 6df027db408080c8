import { inCurrency } from "../../../lib/money";
import { Picker } from "../../../ui/Picker";
import { TextField } from "../../../ui/TextField";
import { listOf, withCondition, withEnd } from "./edits";
import type { When } from "./queries";

interface Props {
  name: string;
  /** The currency of an amount that is typed without one. */
  currency: string;
  when: When;
  save: (change: (when: When) => When) => Promise<unknown>;
  quietly: (change: (when: When) => When) => void;
}

const LISTS = [
  ["currency", "Currencies, such as EUR, GBP"],
  ["buyer_country", "Buyer's countries, such as PT, ES"],
  ["origin", "Buyer is domestic, region or abroad"],
  ["card_kind", "Cards: consumer-debit, consumer-credit, commercial"],
  ["card_network", "Networks, such as aster, cygnet"],
  ["line_kind", "Lines: goods, download, course, membership, booking"],
] as const;

const TRUTHS = [
  ["recurring", "Repeats"],
  ["conversion", "Is converted"],
] as const;

/** What an order must be for a rate to fit; every field that is filled must hold. */
export function Conditions({ name, currency, when, save, quietly }: Props) {
  const bands = [
    ["amount", "Amount"],
    ["monthly_volume", "Account takes a month"],
  ] as const;
  return (
    <div className="grid grid-cols-2 lg:grid-cols-3 gap-x-5 gap-y-2 bg-sheet border border-rule-soft px-4 py-3 mb-2">
      {LISTS.map(([key, label]) => (
        <TextField
          key={key}
          label={`${label}`}
          value={(when[key] ?? []).join(", ")}
          save={(text) => save((before) => withCondition(before, key, listOf(text)))}
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
