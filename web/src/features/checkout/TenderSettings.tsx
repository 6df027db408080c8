import { useState } from "react";
import { Link } from "react-router";
import { toast } from "sonner";
import { type Schema, said } from "../../api/client";
import { Button } from "../../ui/Button";
import { Picker } from "../../ui/Picker";
import { Picks } from "../../ui/Picks";
import { TextField } from "../../ui/TextField";
import type { Composed, Outcome, Tender } from "../draft";
import { useHandSearch } from "../hand";
import type { Shop } from "../shop";
import { CopyTo } from "./CopyTo";
import { FeeFields } from "./FeeFields";
import { Handling } from "./Handling";
import { Meet } from "./Meet";
import { type End, limitsOf, windowOf, withLimits } from "./windows";

interface Props {
  outcome: Outcome;
  figures: Schema<"DraftFiguresOut"> | undefined;
  composed: Composed;
  shop: Shop;
  onShare: (name: string) => Promise<unknown>;
  save: (change: (tender: Tender) => Tender) => Promise<unknown>;
  first: boolean;
  last: boolean;
  onMove: (by: number) => void;
  onRemove: () => void;
}

/** The settings of a tender, unfolded in place: name, description, and the amounts for which it is offered. */
export function TenderSettings(props: Props) {
  const { outcome, figures, composed, shop, save, first, last, onMove, onRemove, onShare } = props;
  const { tender } = outcome;
  const search = useHandSearch();
  const language = shop.languages[0] ?? "en";
  const headings = composed.headings.map(({ id, name }) => ({
    value: id,
    label: name[language] ?? Object.values(name)[0] ?? id,
  }));
  const currencies = [...new Set([shop.currency, ...shop.markets.map((market) => market.currency)])];
  return (
    <div className="bg-sheet border-t border-rule-soft px-4 py-3 ml-7 mb-2 grid gap-4">
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,2fr)] gap-6">
        <TextField
          label="Name that buyers see"
          value={tender.name}
          save={(name) => save((before) => ({ ...before, name }))}
        />
        <p className="self-end">
          <Link
            to={`/checkout/words${search}&tender=${tender.id}`}
            className="text-verdigris font-medium underline underline-offset-4"
          >
            Write what buyers read of it, in {shop.languages.length}{" "}
            {shop.languages.length === 1 ? "language" : "languages"}
          </Link>
          : its texts, picture and film{tender.route ? "" : ", and what they fill in"}
        </p>
      </div>
      <fieldset>
        <legend className="text-small font-medium">Offered for these amounts (empty: no limit)</legend>
        {currencies.map((currency) => (
          <WindowFields
            key={currency}
            tender={tender}
            currency={currency}
            books={shop.currency}
            save={save}
          />
        ))}
        <Meet
          tender={tender}
          composed={composed}
          meetings={figures?.meetings ?? []}
          currency={shop.currency}
        />
      </fieldset>
      <FeeFields
        outcome={outcome}
        figure={figures?.fees.find((entry) => entry.tender === tender.id)}
        currency={shop.currency}
        language={language}
        save={save}
      />
      {(headings.length > 0 || tender.conditions.length > 0) && (
        <div className="grid grid-cols-2 gap-6">
          {headings.length > 0 && (
            <Picks
              label="Under the heading"
              values={tender.heading ? [tender.heading] : []}
              options={headings}
              none="without a heading"
              onPick={(picked) =>
                void save((before) => ({ ...before, heading: picked.at(-1) ?? null })).catch((refused) =>
                  toast.error(said(refused)),
                )
              }
            />
          )}
          {tender.conditions.length > 0 && (
            <TextField
              label="Share its conditions under a name, such as Iberia"
              value=""
              save={(name) => onShare(name)}
            />
          )}
        </div>
      )}
      <div className="max-w-xs">
        <CopyTo tender={tender} />
      </div>
      <Handling tender={tender} shop={shop} save={save} />
      {outcome.to_know.length > 0 && (
        <ul aria-label={`What else is to be known of ${tender.name}`} className="text-small">
          {outcome.to_know.map((entry) => (
            <li key={entry.text}>
              {entry.text} <span className="text-soft">{entry.source}.</span>
            </li>
          ))}
        </ul>
      )}
      <p className="flex gap-6 text-soft">
        <span>{outcome.fee ? `Costs you ${outcome.fee} for this order.` : costUnknown(outcome)}</span>
        <Button look="quiet" className="ml-auto" disabled={first} onClick={() => onMove(-1)}>
          Move up
        </Button>
        <Button look="quiet" disabled={last} onClick={() => onMove(1)}>
          Move down
        </Button>
        <Button look="quiet" onClick={onRemove}>
          Remove from the checkout
        </Button>
      </p>
    </div>
  );
}

function costUnknown(outcome: Outcome): string {
  return outcome.tender.route
    ? "What it costs for this order is not known."
    : "No provider's fee falls on it.";
}

interface FieldsProps {
  tender: Tender;
  currency: string;
  books: string;
  save: Props["save"];
}

function WindowFields({ tender, currency, books, save }: FieldsProps) {
  const limits = limitsOf(windowOf(tender, currency));
  // How the window ends can be chosen before there is an end.
  const [how, setHow] = useState(limits.how);
  const set = (part: Partial<typeof limits>) =>
    save((before) => {
      const held = limitsOf(windowOf(before, currency));
      return withLimits(before, currency, { ...held, how, ...part });
    });
  const brought = currency !== books && !windowOf(tender, currency) && windowOf(tender, books);
  return (
    <div className="grid grid-cols-[2.5rem_2.5rem_5rem_9rem_5rem_1fr] lg:grid-cols-[3rem_2.5rem_8rem_10rem_8rem_1fr] gap-2 items-center mt-1">
      <strong className="font-medium">{currency}</strong>
      <span className="text-soft">from</span>
      <TextField
        label={`From, in ${currency}`}
        hideLabel
        value={limits.from}
        save={(from) => set({ from })}
        align="right"
        inputMode="decimal"
      />
      <Picker
        label={`How the window ends, in ${currency}`}
        value={how}
        options={[
          { value: "up_to", label: "up to, including" },
          { value: "below", label: "below" },
        ]}
        onPick={(picked) => {
          setHow(picked as End);
          if (limits.end) void set({ how: picked as End }).catch((refused) => toast.error(said(refused)));
        }}
      />
      <TextField
        label={`End, in ${currency}`}
        hideLabel
        value={limits.end}
        save={(end) => set({ end })}
        align="right"
        inputMode="decimal"
      />
      <span className="text-small text-soft">{brought && `as in ${books}, at the reference rate`}</span>
    </div>
  );
}
