import { type ReactNode, useId, useState } from "react";
import { Refusal, type Schema, said } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { ShopText } from "../../ui/ShopText";
import { Fields } from "./Fields";
import type { Offered } from "./queries";

/** Tells what a buyer sends: the way to pay, and what was filled in for it. */
export interface Paid {
  tender: string;
  answers: Record<string, string>;
}

interface Props {
  offered: Offered[];
  words: Schema<"BuyerWords">;
  /** Tells what stands above the ways to pay, by the one that is chosen. */
  above?: (chosen: Offered | undefined) => ReactNode;
  /** Why it cannot be paid yet, whatever is chosen; empty where it can. */
  stopped?: string;
  paying: boolean;
  /** True if what was sent is not answered, and is sent again by itself. */
  unanswered?: boolean;
  problem: unknown;
  onPay: (paid: Paid) => void;
}

/** The ways to pay, as a buyer meets them: one is chosen, filled in where it asks for something, then paid with. */
export function Ways({ offered, words, above, stopped, paying, unanswered, problem, onPay }: Props) {
  const [picked, setPicked] = useState("");
  // Filled-in fields stay when another way is looked at.
  const [answers, setAnswers] = useState<Record<string, Record<string, string>>>({});
  const group = useId();
  const chosen =
    offered.find((way) => way.tender === picked) ?? offered.find((way) => way.usual) ?? offered[0];
  if (!chosen) {
    return (
      <>
        {above?.(undefined)}
        <p className="border-t border-rule pt-3">
          <strong className="text-copper">{words.no_way}</strong> {words.no_way_next}
        </p>
      </>
    );
  }
  const filled = answers[chosen.tender] ?? {};
  return (
    <form
      // A missing field is told in the page's own language, beside the field.
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        onPay({ tender: chosen.tender, answers: filled });
      }}
    >
      <div aria-live="polite">{above?.(chosen)}</div>
      <fieldset>
        <legend className="sr-only">{words.ways_to_pay}</legend>
        {offered.map((way) => (
          <div key={way.tender}>
            {way.heading && (
              <p className="border-t border-rule-soft pt-3 pb-1 text-small font-medium text-soft">
                {way.heading}
              </p>
            )}
            <Choice
              group={group}
              name={way.name}
              description={[way.usual ? words.usual_way : "", way.description].filter(Boolean).join(" ")}
              onTop={way.on_top}
              picture={way.picture}
              chosen={way.tender === chosen.tender}
              onChoose={() => setPicked(way.tender)}
            >
              <ShopText html={way.before} className="text-small mt-1" />
              {way.leaves && <p className="text-small mt-1">{way.leaves}</p>}
              {way.film && (
                <p className="text-small mt-1">
                  <a
                    href={way.film}
                    target="_blank"
                    rel="noopener noreferrer"
                    className="inline-block min-h-6 underline underline-offset-4"
                  >
                    {words.film}
                  </a>
                </p>
              )}
              <Fields
                fields={way.fields}
                answers={filled}
                problem={problem}
                chooseOne={words.choose_one}
                onAnswer={(field, answer) =>
                  setAnswers((before) => ({
                    ...before,
                    [way.tender]: { ...before[way.tender], [field]: answer },
                  }))
                }
              />
            </Choice>
          </div>
        ))}
      </fieldset>
      {elsewhere(problem) && (
        <p role="alert" className="text-copper font-medium my-2">
          {elsewhere(problem)}
        </p>
      )}
      {(unanswered || stopped) && (
        <p role="status" className="text-copper font-medium mt-2">
          {stopped || words.no_answer_kept}
        </p>
      )}
      {/* The button stays where it cannot be pressed: whoever is on it stays on it while the page is drawn anew. */}
      <Button look="strong" type="submit" disabled={paying || !!stopped} className="w-full min-h-11 mt-2">
        {chosen.pay}
      </Button>
    </form>
  );
}

/** Tells what of a refusal does not stand at a field already. */
function elsewhere(problem: unknown): string {
  if (problem === null || problem === undefined) return "";
  if (!(problem instanceof Refusal) || problem.problem.errors.length === 0) return said(problem);
  return problem.problem.errors
    .filter(({ field }) => !field.startsWith("answers.") && field !== "address")
    .map(({ detail }) => detail)
    .join(" ");
}
