import { AlertDialog } from "radix-ui";
import { useEffect, useState } from "react";
import { Button } from "./Button";

/** Tells what is asked before a change: what it would do, in sentences. */
interface Question {
  title: string;
  sentences: string[];
  act: string;
  /** Tells what can be done about it afterwards; nothing where it is for good. */
  after?: string;
}

interface Asked extends Question {
  answer: (yes: boolean) => void;
}

let show: ((asked: Asked) => void) | null = null;

/** The owner decided against a change; everything is as it was. */
export class LeftAsItWas extends Error {
  constructor() {
    super("Left as it was.");
  }
}

/** Ask before a change. */
export function askFirst(question: Question): Promise<boolean> {
  return new Promise((answer) => {
    if (show) show({ ...question, answer });
    else answer(false);
  });
}

/** Ask before a change that takes ways to pay away from buyers; throws where the owner decides against it. */
export async function unlessTakenAway(would: { takes_away: boolean; sentences: string[] }): Promise<void> {
  if (!would.takes_away) return;
  const title = "This takes ways to pay away from some orders";
  const question = { title, sentences: would.sentences, act: "Change it" };
  if (!(await askFirst({ ...question, after: "Changing it back restores them." }))) throw new LeftAsItWas();
}

/** So many sentences are told at once; the others unfold. */
const SHOWN = 6;

/** Tells where a question stands that is asked before a change. */
export function AskFirst() {
  const [asked, setAsked] = useState<Asked | null>(null);
  useEffect(() => {
    show = setAsked;
    return () => {
      show = null;
    };
  }, []);
  if (!asked) return null;

  function close(yes: boolean) {
    asked?.answer(yes);
    setAsked(null);
  }
  const rest = asked.sentences.slice(SHOWN);
  return (
    <AlertDialog.Root open onOpenChange={(open) => !open && close(false)}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 bg-ink/30" />
        <AlertDialog.Content className="fixed left-1/2 top-16 z-50 w-[38rem] max-w-[92vw] max-h-[80dvh] overflow-y-auto -translate-x-1/2 bg-paper border border-ink px-6 py-5">
          <AlertDialog.Title className="text-xl mb-2">{asked.title}</AlertDialog.Title>
          <AlertDialog.Description asChild>
            <div>
              <ul className="border-t border-rule">
                {asked.sentences.slice(0, SHOWN).map((sentence) => (
                  <li key={sentence} className="border-b border-rule-soft py-1.5">
                    {sentence}
                  </li>
                ))}
              </ul>
              {rest.length > 0 && (
                <details className="py-1.5">
                  <summary className="text-soft">{rest.length} more</summary>
                  <ul>
                    {rest.map((sentence) => (
                      <li key={sentence} className="border-b border-rule-soft py-1.5">
                        {sentence}
                      </li>
                    ))}
                  </ul>
                </details>
              )}
              {asked.after && <p className="mt-2 text-soft">{asked.after}</p>}
            </div>
          </AlertDialog.Description>
          <div className="mt-4 flex gap-4">
            <AlertDialog.Action asChild>
              <Button onClick={() => close(true)}>{asked.act}</Button>
            </AlertDialog.Action>
            <AlertDialog.Cancel asChild>
              <Button look="quiet">Leave it as it is</Button>
            </AlertDialog.Cancel>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
