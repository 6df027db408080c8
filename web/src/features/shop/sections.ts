import { toast } from "sonner";
import { type Schema, said } from "../../api/client";
import { LeftAsItWas } from "../../ui/AskFirst";
import type { Option } from "../../ui/Picker";
import { type Shop, useChangeShop, useChoices, useShop } from "./queries";

/** Tells what every section of the shop is given. */
export interface Sections {
  shop: Shop;
  countries: Option[];
  currencies: Option[];
  kinds: Option[];
  /** The currency that is paid in in a country; empty where none is known. */
  currencyOf: (country: string) => string;
  /** How bank accounts are written in a country. */
  schemeOf: (country: string) => Schema<"AccountScheme"> | undefined;
  /** Save a change; a refusal is told where it was typed. */
  save: (change: (shop: Shop) => Shop) => Promise<unknown>;
  /** Save a change; a refusal is told in passing. */
  quietly: (change: (shop: Shop) => Shop) => void;
  /** Take something away, with a way to undo it. */
  remove: (what: string, change: (shop: Shop) => Shop, undo: (shop: Shop) => Shop) => void;
}

const named = (list: { code: string; name: string }[]) =>
  list.map(({ code, name }) => ({ value: code, label: name }));

/** The shop with how it is changed; null until it is here. */
export function useSections(): Sections | null {
  const shop = useShop().data?.shop;
  const choices = useChoices().data;
  const change = useChangeShop();
  if (!shop || !choices) return null;
  const refused = (why: unknown) => (why instanceof LeftAsItWas ? toast : toast.error)(said(why));
  const quietly = (edit: (before: Shop) => Shop) => change.mutate(edit, { onError: refused });
  return {
    shop,
    countries: named(choices.countries),
    currencies: choices.currencies.map(({ code, name }) => ({ value: code, label: `${code} ${name}` })),
    kinds: named(choices.kinds),
    currencyOf: (country) => choices.countries.find((choice) => choice.code === country)?.currency ?? "",
    schemeOf: (country) => choices.account_schemes.find((scheme) => scheme.country === country),
    save: (edit) => change.mutateAsync(edit),
    quietly,
    remove: (what, edit, undo) =>
      change.mutate(edit, {
        onError: refused,
        onSuccess: () => {
          toast(what, { duration: 12_000, action: { label: "Undo", onClick: () => quietly(undo) } });
        },
      }),
  };
}
