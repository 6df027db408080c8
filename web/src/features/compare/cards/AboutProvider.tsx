import { toast } from "sonner";
import { said } from "../../../api/client";
import { between } from "../../../lib/lists";
import { type Option, optionsOf, Picker } from "../../../ui/Picker";
import { Picks } from "../../../ui/Picks";
import { TextField } from "../../../ui/TextField";
import { useChoices } from "../../shop";
import { ConnectFields } from "./ConnectFields";
import { NeedFields } from "./NeedFields";
import { type Facts, useChangeFacts, useFacts } from "./queries";

const CONTRACTS: Option[] = [
  { value: "all-in-one", label: "all in one contract" },
  { value: "own-contract", label: "needs an acquiring contract of your own" },
];
const CARD_DATA: Option[] = [
  { value: "none", label: "nowhere: it takes no cards" },
  { value: "provider-page", label: "on the provider's page" },
  { value: "own-page", label: "on your own page" },
  { value: "terminal", label: "on a terminal" },
];
/** Tells what a provider is besides its prices: what it asks, excludes and brings, and how it connects. */
export function AboutProvider({ provider }: { provider: string }) {
  const found = useFacts(provider).data;
  const change = useChangeFacts(provider);
  const choices = useChoices().data;
  if (!found) return null;
  const { facts } = found;
  const others = optionsOf(choices?.providers).filter((option) => option.value !== provider);
  const save = (edit: (before: Facts) => Facts) => change.mutateAsync(edit);
  const quietly = (part: Partial<Facts>) =>
    change.mutate((before) => ({ ...before, ...part }), {
      onError: (refused) => toast.error(said(refused)),
    });

  return (
    <section aria-labelledby="about" className="mb-6">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 id="about" className="text-lg mb-1">
          About {facts.name}
        </h2>
        <a
          className="underline decoration-rule underline-offset-4"
          href={`/api/providers/${provider}/provider.json`}
        >
          As JSON, with its card
        </a>
      </div>
      <div className="grid grid-cols-1 sm:grid-cols-2 gap-x-10 gap-y-2">
        <TextField
          wraps
          label="In a sentence"
          value={facts.about}
          save={(about) => save((before) => ({ ...before, about }))}
        />
        <TextField
          label="Days of review"
          align="right"
          value={String(facts.review_days)}
          save={(text) => save((before) => ({ ...before, review_days: numberOf(text) }))}
        />
        <Picker
          showLabel
          label="Contract"
          value={facts.contract}
          options={CONTRACTS}
          onPick={(contract) => quietly({ contract: contract as Facts["contract"] })}
        />
        <Picker
          showLabel
          label="Where a card's number is typed"
          value={facts.card_data ?? "none"}
          options={CARD_DATA}
          onPick={(card_data) => quietly({ card_data: card_data as NonNullable<Facts["card_data"]> })}
        />
        <Picks
          label="Asks for"
          values={facts.asks ?? []}
          options={optionsOf(found.every_ask)}
          none="nothing"
          onPick={(asks) => quietly({ asks: asks as NonNullable<Facts["asks"]> })}
        />
        <Picks
          label="Does not take shops of these trades"
          values={facts.trades_refused ?? []}
          options={optionsOf(choices?.trades)}
          none="takes every trade"
          onPick={(trades_refused) => quietly({ trades_refused })}
        />
        <Picks
          label="Cannot be on beside"
          values={facts.excludes ?? []}
          options={others}
          none="excludes none"
          onPick={(excludes) => quietly({ excludes })}
        />
        <Picks
          label="Has announced"
          values={(facts.announced ?? []).map((entry) => entry.method)}
          options={optionsOf(choices?.methods)}
          none="nothing"
          onPick={(methods) =>
            quietly({
              announced: methods.map(
                (method) =>
                  (facts.announced ?? []).find((entry) => entry.method === method) ?? {
                    method,
                    from_day: null,
                  },
              ),
            })
          }
        />
        {(facts.announced ?? []).map((entry) => (
          <TextField
            key={entry.method}
            label={`${choices?.methods.find((method) => method.code === entry.method)?.name ?? entry.method}: there from`}
            value={entry.from_day ?? ""}
            save={(text) =>
              save((before) => ({
                ...before,
                announced: (before.announced ?? []).map((one) =>
                  one.method === entry.method ? { ...one, from_day: text || null } : one,
                ),
              }))
            }
          />
        ))}
        <TextField
          wraps
          label="It alone brings, between commas"
          value={(facts.unlocks ?? []).join(", ")}
          save={(text) => save((before) => ({ ...before, unlocks: between(text) }))}
        />
        <NeedFields needs={facts.needs ?? []} others={others} onPick={(needs) => quietly({ needs })} />
        <ConnectFields facts={facts} save={save} pick={quietly} />
      </div>
    </section>
  );
}

/** A whole number; what is none goes as it was typed, for the server to refuse. */
function numberOf(text: string): number {
  return /^\d+$/.test(text) ? Number(text) : (text as unknown as number);
}
