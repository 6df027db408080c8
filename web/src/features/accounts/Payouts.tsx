import { type FormEvent, useState } from "react";
import { toast } from "sonner";
import { said } from "../../api/client";
import { useTyped } from "../../lib/useTyped";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { Trouble } from "../../ui/Page";
import { Picker } from "../../ui/Picker";
import { useChoices } from "../shop";
import type { Business } from "./queries";
import { freeId, type Section } from "./sections";

type PayoutAccount = NonNullable<Business["payout_accounts"]>[number];
/** The accounts that payouts go to; one of them is the usual one. */
export function Payouts({ business, countries, save, quietly }: Section) {
  const held = business.payout_accounts ?? [];
  const remove = (account: PayoutAccount) => {
    const usual = business.payout;
    quietly((before) => ({
      ...before,
      payout: before.payout === account.id ? null : (before.payout ?? null),
      payout_accounts: (before.payout_accounts ?? []).filter((entry) => entry.id !== account.id),
    }));
    toast("The account for payouts is taken out.", {
      duration: 12_000,
      action: {
        label: "Undo",
        onClick: () =>
          quietly((before) => ({
            ...before,
            payout_accounts: [...(before.payout_accounts ?? []), account],
            payout: usual ?? null,
          })),
      },
    });
  };
  return (
    <section id="payouts" aria-labelledby="payouts-held" className="mb-6">
      <h2 id="payouts-held" className="text-lg mb-1">
        Accounts for payouts
      </h2>
      <ul className="border-t border-ink">
        {held.map((account) => (
          <li
            key={account.id}
            className="flex flex-wrap items-baseline gap-x-5 border-b border-rule-soft py-1.5"
          >
            <span className="font-medium">{account.holder}</span>
            <span>
              {account.iban?.replace(/(.{4})/g, "$1 ") ??
                `${account.account_number}, bank ${account.bank_code}`}
            </span>
            <span className="text-soft">{account.currency}</span>
            <span className="ml-auto flex gap-4">
              {business.payout === account.id ? (
                <span className="text-verdigris">the usual one</span>
              ) : (
                <Button
                  look="quiet"
                  aria-label={`Make it the usual one: ${account.iban ?? account.account_number}`}
                  onClick={() => quietly((before) => ({ ...before, payout: account.id }))}
                >
                  Make it the usual one
                </Button>
              )}
              <Button
                look="quiet"
                aria-label={`Remove the account ${account.iban ?? account.account_number}`}
                onClick={() => remove(account)}
              >
                Remove
              </Button>
            </span>
          </li>
        ))}
      </ul>
      <NewAccount business={business} countries={countries} save={save} />
    </section>
  );
}

function NewAccount({ business, countries, save }: Omit<Section, "quietly">) {
  const holder = useTyped("holder of a payout account");
  const [country, setCountry] = useState(business.country ?? "PT");
  const iban = useTyped("IBAN of a payout account");
  const bank = useTyped("bank code of a payout account");
  const number = useTyped("number of a payout account");
  const [problem, setProblem] = useState("");
  const scheme = useChoices().data?.account_schemes.find((entry) => entry.country === country);

  function add(event: FormEvent) {
    event.preventDefault();
    save((before) => {
      const accounts = before.payout_accounts ?? [];
      const id = freeId(
        "payout",
        accounts.map((entry) => entry.id),
      );
      const account = {
        id,
        holder: holder.text || before.legal_name || "",
        country,
        iban: (scheme?.iban && iban.text) || null,
        bank_code: (!scheme?.iban && bank.text) || null,
        account_number: (!scheme?.iban && number.text) || null,
      };
      return {
        ...before,
        payout_accounts: [...accounts, account as PayoutAccount],
        payout: before.payout ?? id,
      };
    })
      .then(() => {
        for (const field of [holder, iban, bank, number]) field.type("");
        setProblem("");
      })
      .catch((refused) => setProblem(said(refused)));
  }

  return (
    <form
      onSubmit={add}
      className="grid grid-cols-2 lg:grid-cols-[minmax(0,1fr)_9rem_minmax(0,1.4fr)] gap-x-4 gap-y-2 items-end mt-2"
    >
      <InputField
        label="Holder of the account to add"
        value={holder.text}
        onChange={holder.type}
        width="w-full"
      />
      <Picker
        showLabel
        label="Country of the account"
        value={country}
        options={countries}
        onPick={setCountry}
      />
      {scheme?.iban && <InputField label="IBAN" value={iban.text} onChange={iban.type} width="w-full" />}
      {scheme?.iban === false && scheme.bank_code && (
        <InputField label={scheme.bank_code} value={bank.text} onChange={bank.type} width="w-full" />
      )}
      {scheme?.iban === false && (
        <InputField label={scheme.account_number} value={number.text} onChange={number.type} width="w-full" />
      )}
      <Button type="submit" className="justify-self-start">
        Add the account
      </Button>
      {problem && (
        <div className="col-span-full">
          <Trouble>{problem}</Trouble>
        </div>
      )}
    </form>
  );
}
