import { expect, test } from "vitest";
import type { Tender } from "../draft";
import { withName, withText } from "./edits";

const card = {
  id: "card",
  name: "Card",
  names: { pt: "Cartão" },
  texts: { en: { description: "By card." } },
} as unknown as Tender;

test("a text is written in its language, and taken back without leaving anything", () => {
  const written = withText(card, "de", "before", "Bitte **hier**.");
  expect(written.texts).toEqual({
    en: { description: "By card." },
    de: { before: "Bitte **hier**." },
  });
  expect(withText(written, "de", "before", null).texts).toEqual(card.texts);
  expect(withText(card, "en", "after", "").texts.en).toEqual({ description: "By card.", after: "" });
});

test("an empty name in another language is the one of the first", () => {
  expect(withName(card, "de", false, "Karte").names).toEqual({ pt: "Cartão", de: "Karte" });
  expect(withName(card, "pt", false, "").names).toEqual({});
  expect(withName(card, "en", true, "Bank card").name).toBe("Bank card");
});
