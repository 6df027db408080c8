import { type ReactNode, useEffect } from "react";
import { Refusal, type Schema, sayUnanswered } from "../../api/client";
import { rememberWords } from "./KeptOnFailure";
import { LanguagePicker } from "./LanguagePicker";

interface Props {
  /** The mode of what is shown; undefined while nothing is here yet. */
  mode: Schema<"Mode"> | undefined;
  /** Tells what is read around it and in which languages; undefined while nothing is here yet. */
  page:
    | {
        words: Schema<"PageWords"> | Schema<"BuyerWords">;
        language: string;
        languages: Schema<"LanguageOut">[];
      }
    | undefined;
  onLanguage: (tag: string) => void;
  children: ReactNode;
}

/** The mode of an answer, also of one that is a refusal. */
export function modeOf(data: { mode: Schema<"Mode"> } | undefined, refused: unknown) {
  return data?.mode ?? (refused instanceof Refusal ? refused.problem.mode : undefined);
}

/** The frame of every page that buyers see; a test checkout cannot be mistaken for a live one. */
export function BuyerPage({ mode, page, onLanguage, children }: Props) {
  useEffect(() => {
    if (!page) return;
    document.documentElement.lang = page.language;
    rememberWords(page.words);
    sayUnanswered(page.words.no_answer, page.words.no_answer_again);
  }, [page]);
  return (
    <div className="min-h-dvh">
      <header>
        {mode === "test" && (
          <>
            <div className="hatch h-1.5" />
            <p className="bg-saffron-wash text-saffron-ink font-semibold text-center py-1.5 px-4">
              {page?.words.test_mode ?? "Test mode"}
            </p>
          </>
        )}
        {page && (
          <div className="max-w-md mx-auto px-5 pt-4 flex justify-end">
            <LanguagePicker
              label={page.words.language_label}
              languages={page.languages}
              onPick={onLanguage}
            />
          </div>
        )}
      </header>
      <main className="max-w-md mx-auto px-5 pt-4 pb-8">{children}</main>
    </div>
  );
}
