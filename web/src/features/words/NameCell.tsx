import type { Schema } from "../../api/client";
import { TextField } from "../../ui/TextField";
import type { Tender } from "../draft";
import { withName } from "./edits";

interface Props {
  tender: Tender;
  language: Schema<"LanguageOut">;
  /** True if it is the first language of the shop, in which every way to pay has a name. */
  first: boolean;
  save: (edit: (tender: Tender) => Tender) => Promise<unknown>;
}

/** The name of a way to pay in one language. */
export function NameCell({ tender, language, first, save }: Props) {
  const name = first ? tender.name : (tender.names[language.tag] ?? "");
  return (
    <div className="border-b border-rule-soft py-2" lang={language.tag}>
      <TextField
        label={`Name in ${language.name}`}
        value={name}
        note={name ? "" : `Missing: buyers read “${tender.name}”.`}
        save={(text) => save((before) => withName(before, language.tag, first, text))}
      />
    </div>
  );
}
