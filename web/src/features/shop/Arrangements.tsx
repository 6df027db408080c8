import { type ReactNode, useState } from "react";
import { type Schema, said } from "../../api/client";
import { putIn } from "../../lib/lists";
import { useTyped } from "../../lib/useTyped";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { Trouble } from "../../ui/Page";
import { Picker } from "../../ui/Picker";
import { TextField } from "../../ui/TextField";
import { freeId } from "./ids";
import type { Shop } from "./queries";
import { type Sections, useSections } from "./sections";

type Told = Shop["arrangements"];
type Account = Told["accounts"][number];

/** Each group of details, as it is typed. */
const GROUPS: Record<Schema<"Details">, (sections: Sections) => ReactNode> = {
  accounts: Accounts,
  cheques: Cheques,
  invoices: Invoices,
};

/** The details that buyers are told to pay by a method of the shop's own. */
export function ArrangementDetails({ details }: { details: Schema<"Details">[] }) {
  const sections = useSections();
  if (!sections) return null;
  return details.map((name) => {
    const Group = GROUPS[name];
    return <Group key={name} {...sections} />;
  });
}

/** A way to save a part of what buyers are told. */
function putting(save: Sections["save"]) {
  return (part: Partial<Told>) =>
    save((before) => ({ ...before, arrangements: { ...before.arrangements, ...part } }));
}

/** To whom cheques are payable, and where they are sent. */
export function Cheques({ shop, save }: Sections) {
  const told = shop.arrangements;
  const put = putting(save);
  return (
    <section aria-labelledby="cheques" className="mb-8">
      <h2 id="cheques" className="text-lg mb-1">
        Cheques{" "}
        <span className="font-sans font-normal text-figure text-soft">and money orders sent by post</span>
      </h2>
      <div className="border-t border-ink pt-2 grid grid-cols-[minmax(0,1fr)_minmax(0,2fr)] gap-6 max-w-3xl">
        <TextField
          label="Payable to"
          value={told.payee}
          note={told.payee ? "" : `Empty: ${shop.name}`}
          save={(payee) => put({ payee })}
        />
        <TextField
          wraps
          label="Address that they are sent to"
          value={told.post_to}
          save={(post_to) => put({ post_to })}
        />
      </div>
    </section>
  );
}

/** Tells what stands on invoices. */
export function Invoices({ shop, save }: Sections) {
  const told = shop.arrangements;
  const put = putting(save);
  return (
    <section aria-labelledby="invoices" className="mb-8">
      <h2 id="invoices" className="text-lg mb-1">
        Invoices{" "}
        <span className="font-sans font-normal text-figure text-soft">
          numbered one after another; a number stays for good
        </span>
      </h2>
      <div className="border-t border-ink pt-2 grid grid-cols-[minmax(0,2fr)_minmax(0,1fr)_minmax(0,1fr)] gap-6 max-w-3xl">
        <TextField
          wraps
          label="Your name and address on them"
          value={told.seller}
          note={told.seller ? "" : `Empty: ${shop.name}`}
          save={(seller) => put({ seller })}
        />
        <TextField
          label="Your tax number on them"
          value={told.tax_number}
          save={(tax_number) => put({ tax_number })}
        />
        <TextField
          label="What stands before the number"
          value={told.invoice_prefix}
          note={`The first is ${told.invoice_prefix}0001`}
          save={(invoice_prefix) => put({ invoice_prefix })}
        />
      </div>
    </section>
  );
}

/** The accounts to which buyers send transfers, one for each currency. */
export function Accounts({ shop, save, quietly, remove, countries, currencies, schemeOf }: Sections) {
  const accounts = shop.arrangements.accounts;
  const onAccounts = (change: (accounts: Account[]) => Account[]) => (before: Shop) => ({
    ...before,
    arrangements: { ...before.arrangements, accounts: change(before.arrangements.accounts) },
  });
  const edit = (id: string, part: Partial<Account>) =>
    onAccounts((held) => held.map((account) => (account.id === id ? { ...account, ...part } : account)));
  const free = [shop.currency, ...shop.markets.map((market) => market.currency)].find(
    (currency) => !accounts.some((account) => account.currency === currency),
  );
  return (
    <section aria-labelledby="transfers" className="mb-8">
      <h2 id="transfers" className="text-lg mb-1">
        Accounts for transfers{" "}
        <span className="font-sans font-normal text-figure text-soft">
          one for each currency; in euro with a code that banking apps read
        </span>
      </h2>
      <ul className={accounts.length > 0 ? "border-t border-ink" : ""}>
        {accounts.map((account, place) => (
          <li key={account.id} className="border-b border-rule-soft py-2">
            <div className="grid grid-cols-[8rem_minmax(0,1fr)_minmax(0,1.6fr)_4rem] gap-x-6 gap-y-2 items-end">
              <Picker
                showLabel
                label={`Currency of the account ${place + 1}`}
                value={account.currency}
                options={currencies}
                onPick={(currency) => quietly(edit(account.id, { currency }))}
              />
              <TextField
                label={`Holder of the ${account.currency} account`}
                value={account.holder}
                save={(holder) => save(edit(account.id, { holder }))}
              />
              {account.iban ? (
                <TextField
                  label={`IBAN of the ${account.currency} account`}
                  value={account.iban}
                  save={(iban) => save(edit(account.id, { iban: iban || null }))}
                />
              ) : (
                <AccountNumber
                  account={account}
                  scheme={schemeOf(account.country)}
                  save={(part) => save(edit(account.id, part))}
                />
              )}
              <Button
                look="quiet"
                aria-label={`Remove the ${account.currency} account`}
                onClick={() =>
                  remove(
                    `The ${account.currency} account is removed.`,
                    onAccounts((held) => held.filter((entry) => entry.id !== account.id)),
                    onAccounts((held) => putIn(held, place, account)),
                  )
                }
              >
                Remove
              </Button>
              <Picker
                showLabel
                label={`Country of the ${account.currency} account`}
                value={account.country}
                options={countries}
                onPick={(country) => quietly(edit(account.id, { country }))}
              />
              <TextField
                label={`Bank of the ${account.currency} account`}
                value={account.bank ?? ""}
                note={account.bank ? "" : "Empty: as far as it is known from the IBAN"}
                save={(bank) => save(edit(account.id, { bank }))}
              />
              <TextField
                label={`BIC of the ${account.currency} account`}
                value={account.bic ?? ""}
                save={(bic) => save(edit(account.id, { bic: bic || null }))}
              />
            </div>
          </li>
        ))}
      </ul>
      {free && (
        <NewAccount
          key={free}
          currency={free}
          shop={shop}
          countries={countries}
          schemeOf={schemeOf}
          add={(account) =>
            save(
              onAccounts((held) => [
                ...held,
                {
                  ...account,
                  id: freeId(
                    account.id,
                    held.map((entry) => entry.id),
                  ),
                },
              ]),
            )
          }
        />
      )}
    </section>
  );
}

/** The number of an account without an IBAN, with the code of its bank where there is one. */
function AccountNumber({
  account,
  scheme,
  save,
}: {
  account: Account;
  scheme: Schema<"AccountScheme"> | undefined;
  save: (part: Partial<Account>) => Promise<unknown>;
}) {
  return (
    <div className="grid grid-cols-2 gap-4">
      {scheme?.bank_code && (
        <TextField
          label={`${scheme.bank_code} of the ${account.currency} account`}
          value={account.bank_code ?? ""}
          save={(bank_code) => save({ bank_code: bank_code || null })}
        />
      )}
      <TextField
        label={`${scheme?.account_number ?? "Account number"} of the ${account.currency} account`}
        value={account.account_number ?? ""}
        save={(account_number) => save({ account_number: account_number || null })}
      />
    </div>
  );
}

/** A new account is typed as the country where it is held writes accounts. */
function NewAccount({
  currency,
  shop,
  countries,
  schemeOf,
  add,
}: {
  currency: string;
  shop: Shop;
  add: (account: Account) => Promise<unknown>;
} & Pick<Sections, "countries" | "schemeOf">) {
  // The account is most often in the country whose currency it has.
  const market = shop.markets.find((entry) => entry.currency === currency);
  const first = currency === shop.currency ? shop.country : (market?.country ?? shop.country);
  const [country, setCountry] = useState(first);
  const scheme = schemeOf(country);
  const iban = useTyped(`iban ${currency}`);
  const code = useTyped(`bank code ${currency}`);
  const number = useTyped(`account number ${currency}`);
  const [trouble, setTrouble] = useState<unknown>(null);
  const blank = { id: currency.toLowerCase(), holder: shop.name, currency, country, bank: "" };
  const typed = scheme?.iban
    ? { iban: iban.text || null }
    : { bank_code: (scheme?.bank_code && code.text) || null, account_number: number.text || null };
  return (
    <form
      className="flex flex-wrap items-end gap-4 mt-2"
      aria-label={`A new account in ${currency}`}
      onSubmit={(event) => {
        event.preventDefault();
        add({ ...blank, ...typed }).then(() => {
          for (const field of [iban, code, number]) field.forget();
          setTrouble(null);
        }, setTrouble);
      }}
    >
      <Picker
        showLabel
        label={`Country of an account in ${currency}`}
        value={country}
        options={countries}
        onPick={setCountry}
      />
      {scheme?.iban ? (
        <InputField
          label={`IBAN of an account in ${currency}`}
          value={iban.text}
          onChange={iban.type}
          width="w-80"
        />
      ) : (
        <>
          {scheme?.bank_code && (
            <InputField
              label={`${scheme.bank_code}, ${currency}`}
              value={code.text}
              onChange={code.type}
              width="w-40"
            />
          )}
          <InputField
            label={`${scheme?.account_number ?? "Account number"}, ${currency}`}
            value={number.text}
            onChange={number.type}
            width="w-56"
          />
        </>
      )}
      <Button type="submit">Add the account</Button>
      {trouble !== null && <Trouble>{said(trouble)}</Trouble>}
    </form>
  );
}
