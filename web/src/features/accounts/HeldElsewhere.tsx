import { type FormEvent, useState } from "react";
import { Refusal, said } from "../../api/client";
import { inCurrency } from "../../lib/money";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { Trouble } from "../../ui/Page";
import { Picks } from "../../ui/Picks";
import { useShop } from "../shop";
import { useMode } from "./mode";
import { type Account, type Sheet, useHoldElsewhere } from "./queries";

interface Props {
  sheet: Sheet;
  /** The account as it was said before; none where it is said for the first time. */
  account?: Account;
  onDone: () => void;
}

/** An account that the shop has with the provider already, and keeps where it is. */
export function HeldElsewhere({ sheet, account, onDone }: Props) {
  const shop = useShop().data?.shop;
  const hold = useHoldElsewhere(sheet.provider, useMode());
  const before = account?.elsewhere;
  const priced = sheet.methods.map(({ method, name }) => ({ value: method, label: name }));
  const [plan, setPlan] = useState(before?.plan ?? sheet.plans[0]?.id ?? "");
  const [methods, setMethods] = useState(before?.methods ?? priced.map(({ value }) => value));
  const [storefronts, setStorefronts] = useState(before?.storefronts ?? []);
  const [since, setSince] = useState(before?.since ?? "");
  const [takings, setTakings] = useState(before?.takings ?? "");
  const [saved, setSaved] = useState(before?.saved_details?.toString() ?? "");

  function keep(event: FormEvent) {
    event.preventDefault();
    hold.mutate(
      {
        plan: plan || null,
        methods,
        storefronts: storefronts.length > 0 ? storefronts : null,
        since: since.trim() || null,
        takings: inCurrency(takings.trim(), shop?.currency ?? "") || null,
        // A text that is no number goes as it was typed, for the server to refuse.
        saved_details: saved.trim() === "" ? null : numberOf(saved.trim()),
      },
      { onSuccess: onDone },
    );
  }

  return (
    <form onSubmit={keep} className="bg-sheet border-t border-rule px-4 py-3 mt-2">
      <p className="mb-2">
        It counts as connected wherever ways to pay are compared and offered. Monedero does not carry its
        payments; rehearsals are played here, under the name of {sheet.name}.
      </p>
      <div className="grid grid-cols-2 lg:grid-cols-3 gap-x-6 gap-y-2">
        <Picks
          single
          label="Plan"
          values={plan ? [plan] : []}
          options={sheet.plans.map(({ id, name }) => ({ value: id, label: name }))}
          none="not known"
          onPick={([picked]) => setPlan(picked ?? "")}
        />
        <Picks
          label="Methods that are active there"
          values={methods}
          options={priced}
          none="choose some"
          onPick={setMethods}
        />
        <Picks
          label="Storefronts that it serves"
          values={storefronts}
          options={(shop?.storefronts ?? []).map(({ id, name }) => ({ value: id, label: name }))}
          none="all of them"
          onPick={setStorefronts}
        />
        <InputField label="Held since, such as 2024-05-01" value={since} onChange={setSince} />
        <InputField
          label={`Takes a month, ${shop?.currency ?? ""}`}
          value={takings}
          onChange={setTakings}
          inputMode="decimal"
          align="right"
        />
        <InputField
          label="Buyers with saved details there"
          value={saved}
          onChange={setSaved}
          inputMode="numeric"
          align="right"
        />
      </div>
      {hold.error && (
        <Trouble>
          {hold.error instanceof Refusal && hold.error.problem.errors.length > 0
            ? hold.error.problem.errors.map((fault) => (
                <span key={fault.field} className="block">
                  {fault.detail}
                </span>
              ))
            : said(hold.error)}
        </Trouble>
      )}
      <div className="flex gap-4 mt-3">
        <Button type="submit" look="strong" disabled={hold.isPending}>
          It is held elsewhere
        </Button>
        <Button look="quiet" onClick={onDone}>
          Not now
        </Button>
      </div>
    </form>
  );
}

function numberOf(text: string): number {
  return /^\d+$/.test(text) ? Number(text) : (text as unknown as number);
}
