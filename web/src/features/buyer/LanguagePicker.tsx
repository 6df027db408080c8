import { useId } from "react";
import type { Schema } from "../../api/client";

interface Props {
  label: string;
  languages: Schema<"LanguageOut">[];
  onPick: (tag: string) => void;
}

/** The language in which a buyer reads; nothing where the shop has one. A plain list: buyers' pages load little. */
export function LanguagePicker({ label, languages, onPick }: Props) {
  const id = useId();
  if (languages.length < 2) return null;
  return (
    <p className="flex items-center gap-2 text-small">
      <label htmlFor={id} className="text-soft">
        {label}
      </label>
      <select
        id={id}
        value={languages.find((language) => language.chosen)?.tag ?? ""}
        onChange={(event) => onPick(event.target.value)}
        className="h-7 border-b border-rule bg-transparent hover:border-ink"
      >
        {languages.map((language) => (
          <option key={language.tag} value={language.tag} lang={language.tag}>
            {language.name}
          </option>
        ))}
      </select>
    </p>
  );
}
