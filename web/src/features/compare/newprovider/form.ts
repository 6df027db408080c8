import { inCurrency } from "../../../lib/money";
import { useTyped } from "../../../lib/useTyped";
import type { Hand } from "../../hand";
import type { Correction, NewProvider, Row } from "./queries";

export const BEGINNINGS = ["text", "one", "place"] as const;
export type Beginning = (typeof BEGINNINGS)[number];

/** A row as it is typed: figures are texts, and empty while nothing is typed. */
export interface TypedRow {
  method: string;
  place: NonNullable<Row["place"]> | null;
  percent: string;
  fixed: string;
}

/** Everything that is typed of a new provider. */
export interface Form {
  name: string;
  country: string;
  currency: string;
  validFrom: string;
  networks: string[];
  text: string;
  corrections: Correction[];
  one: TypedRow[];
  place: TypedRow[];
}

const CARD = { method: "card", percent: "", fixed: "" };

export function emptyForm(country: string, currency: string): Form {
  return {
    name: "",
    country,
    currency,
    validFrom: "",
    networks: [],
    text: "",
    corrections: [],
    one: [{ ...CARD, place: null }],
    place: [
      { ...CARD, place: "domestic" },
      { ...CARD, place: "eea" },
      { ...CARD, place: "abroad" },
    ],
  };
}

/** The form, kept in this tab until the prices are kept: leaving the page takes nothing away. */
export function useForm(country: string, currency: string) {
  const typed = useTyped("new provider");
  const form: Form = typed.text
    ? { ...emptyForm(country, currency), ...(JSON.parse(typed.text) as Partial<Form>) }
    : emptyForm(country, currency);
  return {
    form,
    change: (part: Partial<Form>) => typed.type(JSON.stringify({ ...form, ...part })),
    forget: typed.forget,
  };
}

/** Tells what is asked of the server; rows without a figure are not prices yet. */
export function askedOf(form: Form, beginning: Beginning, hand: Hand | null): NewProvider {
  const rows = (beginning === "text" ? [] : form[beginning]).filter((row) => row.percent || row.fixed);
  return {
    name: form.name.trim() || "New provider",
    country: form.country,
    currency: form.currency,
    valid_from: form.validFrom || null,
    networks: form.networks,
    text: beginning === "text" ? form.text : "",
    corrections: beginning === "text" ? form.corrections : [],
    rows: rows.map((row) => ({
      method: row.method,
      place: row.place,
      percent: row.percent || null,
      fixed: row.fixed ? inCurrency(row.fixed.trim(), form.currency) : null,
    })),
    hand,
  };
}

/** A text with another line in the place of one; lines count from 1. */
export function withLine(text: string, number: number, line: string): string {
  return text
    .split(/\r?\n/)
    .map((before, place) => (place === number - 1 ? line : before))
    .join("\n");
}

/** Corrections with another one for a line; what it does not say stays as it was said before. */
export function corrected(corrections: Correction[], line: number, part: Partial<Correction>): Correction[] {
  const before = corrections.find((entry) => entry.line === line) ?? { line };
  return [...corrections.filter((entry) => entry.line !== line), { ...before, ...part, line }];
}
