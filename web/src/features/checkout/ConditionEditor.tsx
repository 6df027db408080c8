import { Command } from "cmdk";
import { useEffect, useRef, useState } from "react";
import type { Schema } from "../../api/client";
import { Button } from "../../ui/Button";
import { Segments } from "../../ui/Segments";
import type { Condition } from "../draft";

export type Fact = Schema<"ConditionFact">;

interface Props {
  fact: Fact;
  /** Tells what it is now; null before anything is picked. */
  condition: Condition | null;
  /** The condition as it shall be; null takes it out. */
  onChange: (condition: Condition | null) => void;
}

/** Tells what a condition about one fact asks: a list to pick from, yes or no, or days. */
export function ConditionEditor({ fact, condition, onChange }: Props) {
  return (
    <div className="grid gap-2">
      {fact.asks === "list" && <ListOf fact={fact} condition={condition} onChange={onChange} />}
      {fact.asks === "truth" && (
        <div className="p-2">
          <Segments
            label={fact.name}
            value={condition ? (condition.is ? "yes" : "no") : ""}
            options={[
              { value: "yes", label: fact.yes },
              { value: "no", label: fact.no },
            ]}
            onPick={(picked) => onChange({ fact: fact.fact, is: picked === "yes" })}
          />
        </div>
      )}
      {fact.asks === "day" && <Days condition={condition} onChange={onChange} />}
      {condition && (
        <Button look="quiet" className="m-2 justify-self-start" onClick={() => onChange(null)}>
          Take this condition out
        </Button>
      )}
    </div>
  );
}

type How = "only" | "not";

function ListOf({ fact, condition, onChange }: Props) {
  const [how, setHow] = useState<How>(condition?.not ? "not" : "only");
  // Whoever opens the list can type at once.
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => input.current?.focus(), []);
  const values = condition?.only ?? condition?.not ?? [];
  const give = (next: How, list: string[]) =>
    onChange(list.length > 0 ? { fact: fact.fact, [next]: list } : null);

  return (
    <>
      <div className="px-2 pt-2">
        <Segments
          label="Only for, or not for"
          value={how}
          options={[
            { value: "only", label: "only for" },
            { value: "not", label: "not for" },
          ]}
          onPick={(picked) => {
            setHow(picked);
            if (values.length > 0) give(picked, values);
          }}
        />
      </div>
      <Command label={fact.name} loop>
        <Command.Input
          ref={input}
          aria-label={`Search: ${fact.name}`}
          placeholder={`search: ${fact.name}`}
          className="w-full h-9 border-b border-rule bg-transparent px-3"
        />
        <Command.List aria-label={fact.name} className="max-h-60 overflow-y-auto py-1">
          <Command.Empty className="px-3 py-1.5 text-soft">Nothing is called that.</Command.Empty>
          {fact.choices.map((choice) => {
            const chosen = values.includes(choice.code);
            return (
              <Command.Item
                key={choice.code}
                value={`${choice.name} ${choice.code}`}
                onSelect={() =>
                  give(
                    how,
                    chosen ? values.filter((value) => value !== choice.code) : [...values, choice.code],
                  )
                }
                className="px-3 py-1 min-h-7 cursor-pointer flex gap-2 data-[selected=true]:bg-verdigris-wash"
              >
                <span aria-hidden className="w-4 text-verdigris">
                  {chosen ? "✓" : ""}
                </span>
                <span className="flex-1">
                  {choice.name}
                  {chosen && <span className="sr-only">, chosen</span>}
                </span>
              </Command.Item>
            );
          })}
        </Command.List>
      </Command>
    </>
  );
}

function Days({ condition, onChange }: Pick<Props, "condition" | "onChange">) {
  const set = (part: Partial<Condition>) => {
    const next = {
      fact: "day" as const,
      from: condition?.from ?? null,
      below: condition?.below ?? null,
      ...part,
    };
    onChange(next.from || next.below ? next : null);
  };
  return (
    <div className="p-2 grid gap-2">
      {(
        [
          ["from", "From this day on"],
          ["below", "Until the day before"],
        ] as const
      ).map(([end, label]) => (
        <label key={end} className="text-small text-soft">
          {label}
          <input
            type="date"
            value={condition?.[end] ?? ""}
            onChange={(event) => set({ [end]: event.target.value || null })}
            className="block w-full h-8 border-b border-rule bg-transparent px-1 text-ink text-figure"
          />
        </label>
      ))}
    </div>
  );
}
