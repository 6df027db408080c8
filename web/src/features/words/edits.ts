import type { Schema } from "../../api/client";
import type { Tender } from "../draft";

type Kind = Schema<"TextKind">;
type Texts = Tender["texts"][string];

/** A tender with a text written in a language; null takes the ready-made text back. */
export function withText(tender: Tender, language: string, kind: Kind, text: string | null): Tender {
  const texts: Texts = { ...tender.texts[language], [kind]: text };
  const others = Object.fromEntries(Object.entries(tender.texts).filter(([tag]) => tag !== language));
  const anything = Object.values(texts).some((written) => written !== null && written !== undefined);
  return { ...tender, texts: anything ? { ...others, [language]: texts } : others };
}

/** A tender with its name in a language; an empty name in another than the first is that of the first. */
export function withName(tender: Tender, language: string, first: boolean, name: string): Tender {
  if (first) return { ...tender, name };
  const others = Object.fromEntries(Object.entries(tender.names).filter(([tag]) => tag !== language));
  return { ...tender, names: name ? { ...others, [language]: name } : others };
}
