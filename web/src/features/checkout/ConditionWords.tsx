import { Popover } from "radix-ui";
import { useState } from "react";
import { type Condition, useConditionFacts } from "../draft";
import { ConditionEditor } from "./ConditionEditor";

interface Props {
  /** The thing whose conditions they are. */
  of: string;
  conditions: Condition[];
  /** The same in phrases. */
  phrases: string[];
  onChange: (conditions: Condition[]) => void;
}

/** A phrase as it begins a sentence. */
const capital = (phrase: string) => phrase.charAt(0).toUpperCase() + phrase.slice(1);

export const WORD = "font-semibold border-b border-dotted border-ink hover:border-solid min-h-6 text-left";
export const SHEET = "z-40 w-80 max-w-[90vw] border border-ink bg-paper text-ink text-figure";

/** Conditions as words of a sentence, each a picker in place, with one more to add. */
export function ConditionWords({ of, conditions, phrases, onChange }: Props) {
  const facts = useConditionFacts().data?.facts ?? [];
  return (
    <>
      {conditions.map((condition, place) => {
        const fact = facts.find((entry) => entry.fact === condition.fact);
        return (
          <span key={`${place} ${condition.fact}`}>
            {place > 0 && ", "}
            <Popover.Root>
              <Popover.Trigger className={WORD} aria-label={`Condition of ${of}: ${phrases[place] ?? ""}`}>
                {place === 0 ? capital(phrases[place] ?? "…") : (phrases[place] ?? "…")}
              </Popover.Trigger>
              <Popover.Portal>
                <Popover.Content
                  align="start"
                  sideOffset={4}
                  className={SHEET}
                  aria-label={`Condition of ${of}`}
                >
                  {fact && (
                    <ConditionEditor
                      fact={fact}
                      condition={condition}
                      onChange={(next) =>
                        onChange(conditions.flatMap((entry, at) => (at === place ? (next ?? []) : entry)))
                      }
                    />
                  )}
                </Popover.Content>
              </Popover.Portal>
            </Popover.Root>
          </span>
        );
      })}
    </>
  );
}

interface AddProps {
  of: string;
  onAdd: (condition: Condition) => void;
  /** Sets of conditions that could be used. */
  sets: { id: string; name: string }[];
  onUse: (set: string) => void;
}

/** One more condition: what it is about, then what it asks. */
export function AddCondition({ of, onAdd, sets, onUse }: AddProps) {
  const facts = useConditionFacts().data?.facts ?? [];
  const [open, setOpen] = useState(false);
  const [about, setAbout] = useState("");
  const fact = facts.find((entry) => entry.fact === about);
  const close = () => {
    setOpen(false);
    setAbout("");
  };
  return (
    <Popover.Root open={open} onOpenChange={(next) => (next ? setOpen(true) : close())}>
      <Popover.Trigger
        aria-label={`Add a condition to ${of}`}
        className="text-verdigris font-semibold underline-offset-4 hover:underline min-h-6"
      >
        add a condition
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content align="start" sideOffset={4} className={SHEET} aria-label={`A condition for ${of}`}>
          {fact ? (
            <ConditionEditor
              fact={fact}
              condition={null}
              onChange={(next) => {
                if (next) onAdd(next);
                close();
              }}
            />
          ) : (
            <ul className="py-1">
              {facts.map((entry) => (
                <li key={entry.fact}>
                  <button
                    type="button"
                    className="w-full text-left px-3 py-1 min-h-7 hover:bg-verdigris-wash"
                    onClick={() => setAbout(entry.fact)}
                  >
                    {entry.name}
                  </button>
                </li>
              ))}
              {sets.map((set) => (
                <li key={set.id} className="first:border-t border-rule">
                  <button
                    type="button"
                    className="w-full text-left px-3 py-1 min-h-7 hover:bg-verdigris-wash"
                    onClick={() => {
                      onUse(set.id);
                      close();
                    }}
                  >
                    the shared set <strong className="font-semibold">{set.name}</strong>
                  </button>
                </li>
              ))}
            </ul>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
