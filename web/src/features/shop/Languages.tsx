import { Picks } from "../../ui/Picks";
import { useChoices } from "./queries";
import type { Sections } from "./sections";

/** The languages in which the shop sells; the first is read where another lacks a text. */
export function Languages({ shop, quietly }: Sections) {
  const languages = useChoices().data?.languages ?? [];
  const options = languages.map(({ code, name }) => ({ value: code, label: name }));
  // A language may say where it is spoken: the words around the texts are those of the language.
  const unworded = shop.languages.filter(
    (tag) =>
      languages.length > 0 && !languages.some(({ code, worded }) => worded && code === tag.split("-")[0]),
  );
  const named = unworded.map((tag) => options.find(({ value }) => value === tag)?.label ?? tag).join(" and ");
  return (
    <>
      <Picks
        label="Languages of buyers, the first where another lacks a text"
        values={shop.languages}
        options={options}
        none="English"
        add={(typed) => typed}
        onPick={(languages) =>
          quietly((before) => ({ ...before, languages: languages.length > 0 ? languages : before.languages }))
        }
      />
      {named && (
        <p className="text-small text-copper mt-1">
          There are no ready-made words in {named}: buyers read your own texts in it, and all else in English.
        </p>
      )}
    </>
  );
}
