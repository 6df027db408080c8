import { toast } from "sonner";
import { type Schema, said } from "../../api/client";
import { inCurrency, shown } from "../../lib/money";
import { Button } from "../../ui/Button";
import { Picks } from "../../ui/Picks";
import { TextField } from "../../ui/TextField";
import type { Outcome, Tender } from "../draft";
import { useChoices } from "../shop";

type Fee = NonNullable<Tender["fee"]>;
type Part = NonNullable<Fee["networks"]>[string];

interface Props {
  outcome: Outcome;
  /** Tells what the fee comes to; undefined until it is here, or where nothing is known. */
  figure: Schema<"FeeFigure"> | undefined;
  currency: string;
  language: string;
  save: (change: (tender: Tender) => Tender) => Promise<unknown>;
}

const NONE: Fee = { networks: {} };

/** A fee without anything in it is none. */
function orNone(fee: Fee): Fee | null {
  const empty = !fee.percent && !fee.fixed && Object.keys(fee.networks ?? {}).length === 0;
  return empty ? null : fee;
}

/** Tells what a buyer pays on top with this tender, or less: in percent, as a fixed amount, by card network, with its tax. */
export function FeeFields({ outcome, figure, currency, language, save }: Props) {
  const { tender } = outcome;
  const choices = useChoices().data?.card_networks ?? [];
  const fee = tender.fee ?? NONE;
  const networks = fee.networks ?? {};
  const change = (part: (before: Fee) => Fee) =>
    save((before) => ({ ...before, fee: orNone(part(before.fee ?? NONE)) }));
  const withNetwork = (network: string, part: Partial<Part>) =>
    change((before) => ({
      ...before,
      networks: { ...before.networks, [network]: { ...before.networks?.[network], ...part } },
    }));
  const others = choices.filter((choice) => !(choice.code in networks));

  return (
    <fieldset>
      <legend className="text-small font-medium">
        What its buyer pays on top (with a minus before it: less; empty: nothing)
      </legend>
      <div className="grid grid-cols-2 lg:grid-cols-[8.5rem_8rem_7rem_minmax(0,1fr)] gap-x-6 gap-y-1">
        <TextField
          label="Percent of the order"
          align="right"
          suffix="%"
          value={fee.percent ?? ""}
          save={(percent) => change((before) => ({ ...before, percent: percent || null }))}
        />
        <TextField
          label="Fixed amount"
          align="right"
          value={fee.fixed ?? ""}
          save={(text) => change((before) => ({ ...before, fixed: inCurrency(text, currency) || null }))}
        />
        {tender.fee && (
          <>
            <TextField
              label="Tax on it"
              align="right"
              suffix="%"
              value={fee.tax_percent ?? ""}
              save={(tax) => change((before) => ({ ...before, tax_percent: tax || null }))}
            />
            <TextField
              label="What buyers read beside it"
              value={fee.label?.[language] ?? ""}
              save={(text) =>
                change((before) => ({
                  ...before,
                  label: text ? { ...before.label, [language]: text } : null,
                }))
              }
            />
          </>
        )}
      </div>
      {Object.entries(networks).map(([network, part]) => {
        const name = choices.find((choice) => choice.code === network)?.name ?? network;
        return (
          <div
            key={network}
            className="grid grid-cols-[8.5rem_8rem_7rem_minmax(0,1fr)] gap-x-6 items-end border-t border-rule-soft"
          >
            <TextField
              label={`Percent, ${name}`}
              align="right"
              suffix="%"
              value={part.percent ?? ""}
              save={(percent) => withNetwork(network, { percent: percent || null })}
            />
            <TextField
              label={`Fixed, ${name}`}
              align="right"
              value={part.fixed ?? ""}
              save={(text) => withNetwork(network, { fixed: inCurrency(text, currency) || null })}
            />
            <span className="pb-1">instead, on {name}</span>
            <Button
              look="quiet"
              className="justify-self-start mb-1"
              aria-label={`Remove the fee on ${name}`}
              onClick={() =>
                void change(({ networks: held, ...before }) => ({
                  ...before,
                  networks: Object.fromEntries(Object.entries(held ?? {}).filter(([key]) => key !== network)),
                }))
              }
            >
              Remove
            </Button>
          </div>
        );
      })}
      {tender.fee && others.length > 0 && (
        <div className="max-w-xs mt-1">
          <Picks
            label="Something else on a card network"
            values={[]}
            options={others.map(({ code, name }) => ({ value: code, label: name }))}
            none="the same on all of them"
            onPick={([network]) => network && void withNetwork(network, { percent: "0" })}
          />
        </div>
      )}
      {tender.fee && (
        <p className="mt-1 text-soft" role="status">
          {outcome.buyer_fee && outcome.total
            ? `For this order ${outcome.up_to ? "at most " : ""}${shown(outcome.buyer_fee)} on top, ${shown(outcome.total)} in all; ${
                outcome.fee ? `it costs you ${shown(outcome.fee)}` : "no provider's fee falls on it"
              }.`
            : "This order is not offered with it, so it adds nothing here."}
          {figure?.over && ` It ${figure.over}.`}
        </p>
      )}
      {figure?.nets && (
        <p className="mt-1 text-small text-soft">
          With {shown(figure.nets)} on top this order nets you its price.{" "}
          <Button
            look="quiet"
            onClick={() =>
              void change((before) => ({ ...before, percent: null, fixed: figure.nets ?? null })).catch(
                (refused) => toast.error(said(refused)),
              )
            }
          >
            Ask that
          </Button>
        </p>
      )}
    </fieldset>
  );
}
