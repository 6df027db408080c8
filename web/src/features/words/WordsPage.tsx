import { useSearchParams } from "react-router";
import { toast } from "sonner";
import { isRefused, type Schema, said } from "../../api/client";
import { Heading, OnItsWay, Trouble } from "../../ui/Page";
import { Segments } from "../../ui/Segments";
import { SubNav } from "../../ui/SubNav";
import { CHECKOUT_VIEWS } from "../checkout";
import { type Composed, type Tender, useChangeCheckout, useDraft, useWords } from "../draft";
import { useHand, useHandSearch } from "../hand";
import { Besides } from "./Besides";
import { NameCell } from "./NameCell";
import { TextCell } from "./TextCell";

type Words = Schema<"TenderWordsOut">;

/** Tells what buyers read of every way to pay, in each language of the shop, and what is missing in which. */
export function WordsPage() {
  const { hand, shop } = useHand();
  const draft = useDraft().data;
  const seen = useWords(hand);
  const words = seen.data;
  const change = useChangeCheckout();
  const search = useHandSearch();
  const [address, setAddress] = useSearchParams();
  if (isRefused(seen.error))
    return <Trouble>The order in hand cannot be read. Fix it in the sentence above.</Trouble>;
  if (!shop || !draft || !words) return <OnItsWay />;

  const set = (name: string, value: string) =>
    setAddress(
      (before) => {
        const after = new URLSearchParams(before);
        after.set(name, value);
        return after;
      },
      { replace: true },
    );
  const tender = draft.tenders.find((entry) => entry.id === address.get("tender")) ?? draft.tenders[0];
  const [first, ...others] = words.languages;
  const beside = others.find((language) => language.tag === address.get("beside")) ?? others[0];
  const languages = [first, beside].filter((language) => language !== undefined);
  const of = (id: string, tag: string) =>
    words.tenders.find((entry) => entry.tender === id && entry.language === tag);
  const save = (id: string) => (edit: (tender: Tender) => Tender) =>
    change.mutateAsync((before: Composed) => ({
      ...before,
      tenders: before.tenders.map((entry) => (entry.id === id ? edit(entry) : entry)),
    }));

  return (
    <>
      <SubNav label="Views of Checkout" search={search} views={CHECKOUT_VIEWS} />
      <Heading title="Words" note={words.missing_text} />
      <div className="grid grid-cols-[13rem_minmax(0,1fr)] max-lg:grid-cols-1 gap-6 border-t border-ink pt-3">
        <nav aria-label="Ways to pay">
          <ul>
            {draft.tenders.map((entry) => {
              const lacks = words.languages
                .map((language) => ({ language, missing: of(entry.id, language.tag)?.missing ?? 0 }))
                .filter(({ missing }) => missing > 0);
              return (
                <li key={entry.id} className="border-b border-rule-soft">
                  <button
                    type="button"
                    aria-current={entry.id === tender?.id ? "true" : undefined}
                    onClick={() => set("tender", entry.id)}
                    className={`w-full text-left py-1.5 min-h-8 hover:text-verdigris ${entry.id === tender?.id ? "font-semibold" : ""}`}
                  >
                    {entry.name}
                    {lacks.length > 0 && (
                      <span className="block text-small font-normal text-copper">
                        missing:{" "}
                        {lacks.map(({ language, missing }) => `${missing} in ${language.name}`).join(", ")}
                      </span>
                    )}
                  </button>
                </li>
              );
            })}
          </ul>
        </nav>
        {tender ? (
          <section aria-labelledby="tender-words">
            <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1 mb-1">
              <h2 id="tender-words" className="text-lg">
                {tender.name}
              </h2>
              {others.length > 1 && first && beside && (
                <div className="ml-auto flex items-baseline gap-2">
                  <span className="text-soft">{first.name} beside</span>
                  <Segments
                    label={`Language beside ${first.name}`}
                    value={beside.tag}
                    options={others.map(({ tag, name }) => ({ value: tag, label: name }))}
                    onPick={(tag) => set("beside", tag)}
                  />
                </div>
              )}
            </div>
            <TextRows
              tender={tender}
              languages={languages}
              words={languages.map(({ tag }) => of(tender.id, tag))}
              save={save(tender.id)}
            />
            <p className="text-small text-soft mt-3">
              Texts before and after the order are Markdown: **bold**, lists, [links](https://…). Placeholders
              are filled from the order: {words.placeholders_after.join(" ")}; before the order only{" "}
              {words.placeholders_before.join(" ")}.
            </p>
            <Besides
              tender={tender}
              languages={words.languages}
              save={save(tender.id)}
              quietly={(edit) =>
                void save(tender.id)(edit).catch((refused: unknown) => toast.error(said(refused)))
              }
            />
          </section>
        ) : (
          <p className="text-soft">There is no way to pay yet. Add one under Compare or Checkout.</p>
        )}
      </div>
    </>
  );
}

interface RowsProps {
  tender: Tender;
  languages: Schema<"LanguageOut">[];
  words: (Words | undefined)[];
  save: (edit: (tender: Tender) => Tender) => Promise<unknown>;
}

/** The name and the texts of a tender as rows, a column for each language. */
function TextRows({ tender, languages, words, save }: RowsProps) {
  const texts = words[0]?.texts ?? [];
  const columns = languages.length > 1 ? "grid-cols-2" : "grid-cols-1";
  return (
    <div className={`grid ${columns} gap-x-6`}>
      {languages.map((language, place) => (
        <h3 key={language.tag} className="font-sans font-semibold border-b border-ink pb-1">
          {language.name}
          {place === 0 && <span className="font-normal text-soft">, read where another is missing</span>}
        </h3>
      ))}
      {languages.map((language, place) => (
        <NameCell key={language.tag} tender={tender} language={language} first={place === 0} save={save} />
      ))}
      {texts.map((text, row) =>
        languages.map((language, place) => {
          const own = words[place]?.texts[row];
          if (!own) return null;
          return (
            <TextCell
              key={`${tender.id} ${language.tag} ${text.kind}`}
              language={language}
              text={own}
              save={save}
            />
          );
        }),
      )}
    </div>
  );
}
