import type { FormEvent } from "react";
import { said } from "../../api/client";
import { useTyped } from "../../lib/useTyped";
import { Button } from "../../ui/Button";
import { FileDrop } from "../../ui/FileDrop";
import { OnItsWay, Trouble } from "../../ui/Page";
import { Picker } from "../../ui/Picker";
import { freeId } from "./ids";
import { type Shop, useChoices, useFoundShop, useOpenFile, useOtherShop } from "./queries";

type Kind = Shop["lines"][number]["kind"];

/** An empty shop asks for what gates everything else: country, currency, a market and a line. */
export function FirstShop() {
  const choices = useChoices().data;
  const found = useFoundShop();
  const other = useOtherShop();
  const opened = useOpenFile();
  const name = useTyped("name of the first shop");
  const country = useTyped("country of the first shop", "PT");
  const currency = useTyped("currency of the first shop", "EUR");
  const market = useTyped("first market");
  const line = useTyped("first line");
  const kind = useTyped("kind of the first line", "goods");
  const amount = useTyped("amount of the first line");
  if (!choices) return <OnItsWay />;

  const countries = choices.countries.map(({ code, name: label }) => ({ value: code, label }));
  const currencies = choices.currencies.map(({ code, name: label }) => ({
    value: code,
    label: `${code} ${label}`,
  }));
  const kinds = choices.kinds.map(({ code, name: label }) => ({ value: code, label }));

  function begin(event: FormEvent) {
    event.preventDefault();
    const from = market.text || country.text;
    const books = currency.text;
    const there = choices?.countries.find((choice) => choice.code === from)?.currency || books;
    const shop: Shop = {
      name: name.text,
      country: country.text,
      currency: books,
      markets: [{ id: freeId(`${from}-${there}`, []), country: from, currency: there, share: "100" }],
      typed_rates: [],
      terminals: [],
      own_methods: [],
      languages: ["en"],
      arrangements: { accounts: [], payee: "", post_to: "", seller: "", tax_number: "", invoice_prefix: "" },
      customer_groups: [],
      deliveries: [],
      areas: [],
      storefronts: [{ id: "web-shop", name: "Web shop", domain: null }],
      lines: [
        {
          id: freeId(line.text, []),
          name: line.text,
          kind: kind.text as Kind,
          usual_amount: `${amount.text.trim()} ${books}`,
          recurring: kind.text === "membership",
          sells_voucher: false,
          names: {},
        },
      ],
    };
    const fields = [name, country, currency, market, line, kind, amount];
    found.mutate(shop, {
      onSuccess: () => {
        for (const field of fields) field.forget();
      },
    });
  }

  return (
    <div className="grid lg:grid-cols-[minmax(0,38rem)_minmax(0,20rem)] gap-16 max-w-5xl mx-auto px-6 py-12">
      <form onSubmit={begin}>
        <h1 className="text-3xl mb-2">Which ways to pay should your shop offer?</h1>
        <p className="text-soft mb-6 max-w-prose">
          Tell Monedero where you are, in what currency you keep your books, where your buyers are and one
          thing that you sell. It decides what is open to you, and all of it can be changed later.
        </p>
        <div className="grid grid-cols-2 gap-x-8 gap-y-5">
          <Typed label="Trading name" value={name.text} onChange={name.type} />
          <Picker
            showLabel
            label="Country of the shop"
            value={country.text}
            options={countries}
            onPick={(code) => {
              country.type(code);
              const there = choices.countries.find((choice) => choice.code === code)?.currency;
              if (there) currency.type(there);
            }}
          />
          <Picker
            showLabel
            label="Currency of your books"
            value={currency.text}
            options={currencies}
            onPick={currency.type}
          />
          <Picker
            showLabel
            label="First market: where buyers are"
            value={market.text || country.text}
            options={countries}
            onPick={market.type}
          />
          <Typed label="First line: what you sell" value={line.text} onChange={line.type} />
          <Picker showLabel label="Kind of line" value={kind.text} options={kinds} onPick={kind.type} />
          <Typed
            label={`Usual amount, in ${currency.text}`}
            value={amount.text}
            onChange={amount.type}
            decimal
          />
        </div>
        {found.error && <Trouble>{said(found.error)}</Trouble>}
        <Button look="strong" type="submit" className="mt-6" disabled={found.isPending}>
          Begin with this shop
        </Button>
      </form>
      <section aria-labelledby="demo" className="border-l border-rule pl-8 self-start">
        <h2 id="demo" className="text-xl mb-2">
          Or look around first
        </h2>
        <p className="text-soft mb-4">
          Cabo Noite sells star charts, a course, a membership and night boat tours on the Portuguese coast.
          It is invented, and kept apart from your own shop.
        </p>
        <Button onClick={() => other.mutate("demo")}>Open the demo shop</Button>
        <h2 className="text-xl mt-8 mb-2">Or bring a checkout</h2>
        <FileDrop
          label="Open a checkout from a file"
          text="monedero/checkout/1, JSON"
          accept=".json"
          busy={opened.isPending}
          onFile={(file) => opened.mutate(file)}
        />
        {opened.error && <Trouble>{said(opened.error)}</Trouble>}
      </section>
    </div>
  );
}

interface TypedProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  decimal?: boolean;
}

function Typed({ label, value, onChange, decimal }: TypedProps) {
  return (
    <label className="block">
      <span className="block text-small text-soft mb-0.5">{label}</span>
      <input
        required
        value={value}
        inputMode={decimal ? "decimal" : "text"}
        autoComplete="off"
        onChange={(event) => onChange(event.target.value)}
        className="w-full min-h-8 border-b border-rule hover:border-ink bg-transparent px-1"
      />
    </label>
  );
}
