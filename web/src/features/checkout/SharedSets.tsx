import { useState } from "react";
import { toast } from "sonner";
import { type Schema, said } from "../../api/client";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/TextField";
import { type Composed, type SharedSet, useWouldChange } from "../draft";
import { useHand } from "../hand";
import { AddCondition, ConditionWords } from "./ConditionWords";

type Edit = (before: Composed) => Composed;

interface Props {
  composed: Composed;
  shared: Schema<"SharedOut">[];
  save: (edit: (before: Composed) => Composed) => Promise<unknown>;
  quietly: (edit: (before: Composed) => Composed) => void;
  /** Write a set into its users, and drop it. */
  writeIn: (set: string) => void;
}

/** The sets of conditions that several tenders share: what each asks, who uses it, and how it is put away. */
export function SharedSets({ composed, shared, save, quietly, writeIn }: Props) {
  const { hand } = useHand();
  const would = useWouldChange(hand);
  const [pending, setPending] = useState<{ set: string; edit: Edit } | null>(null);
  if (composed.shared_conditions.length === 0) return null;

  /** A set that is used is changed once its owner has seen what that does. */
  function ask(set: string, used: boolean, edit: Edit) {
    if (!used) {
      quietly(edit);
      return;
    }
    would.mutate(edit, {
      onSuccess: () => setPending({ set, edit }),
      onError: (refused) => toast.error(said(refused)),
    });
  }
  const withSet = (id: string, edit: (set: SharedSet) => SharedSet) => (before: Composed) => ({
    ...before,
    shared_conditions: before.shared_conditions.map((set) => (set.id === id ? edit(set) : set)),
  });
  return (
    <section aria-labelledby="shared" className="mt-8">
      <h2 id="shared" className="text-lg mb-1">
        Shared conditions{" "}
        <span className="font-sans font-normal text-figure text-soft">
          a change here changes every way to pay that uses them
        </span>
      </h2>
      <ul className="border-t border-ink">
        {composed.shared_conditions.map((set) => {
          const told = shared.find((entry) => entry.id === set.id);
          const users = composed.tenders.filter((tender) => tender.shared.includes(set.id));
          return (
            <li
              key={set.id}
              className="border-b border-rule-soft py-1 grid grid-cols-[10rem_minmax(0,1fr)_auto] gap-4 items-center"
            >
              <TextField
                cell
                hideLabel
                label={`Name of the shared conditions ${set.name}`}
                value={set.name}
                save={(name) => save(withSet(set.id, (before) => ({ ...before, name })))}
              />
              <div>
                <p className="font-serif">
                  <ConditionWords
                    of={set.name}
                    conditions={set.conditions}
                    phrases={told?.conditions ?? []}
                    onChange={(conditions) =>
                      conditions.length > 0 &&
                      ask(
                        set.id,
                        users.length > 0,
                        withSet(set.id, (before) => ({ ...before, conditions })),
                      )
                    }
                  />
                  .{" "}
                  <span className="font-sans text-small">
                    <AddCondition
                      of={set.name}
                      sets={[]}
                      onUse={() => undefined}
                      onAdd={(condition) =>
                        ask(
                          set.id,
                          users.length > 0,
                          withSet(set.id, (before) => ({
                            ...before,
                            conditions: [...before.conditions, condition],
                          })),
                        )
                      }
                    />
                  </span>
                </p>
                <p className="text-small text-soft">
                  {users.length > 0
                    ? `Used by ${users.map((tender) => tender.name).join(", ")}.`
                    : "Used by none."}
                </p>
                {pending?.set === set.id && (
                  <div role="status" className="border-l-2 border-saffron pl-3 my-1">
                    <p>
                      {would.data?.tenders.length
                        ? `Of the orders of your month, ${would.data.tenders.join("; ")}.`
                        : "No order of your month would be offered anything else."}
                    </p>
                    <ul className="text-small">
                      {would.data?.sentences.map((sentence) => (
                        <li key={sentence}>{sentence}</li>
                      ))}
                    </ul>
                    <span className="flex gap-4">
                      <Button
                        look="link"
                        onClick={() => {
                          quietly(pending.edit);
                          setPending(null);
                        }}
                      >
                        Change it for {users.map((tender) => tender.name).join(" and ")}
                      </Button>
                      <Button look="quiet" onClick={() => setPending(null)}>
                        Leave it as it is
                      </Button>
                    </span>
                  </div>
                )}
              </div>
              <Button
                look="quiet"
                aria-label={
                  users.length > 0
                    ? `Write into its users: ${set.name}`
                    : `Remove the shared conditions ${set.name}`
                }
                onClick={() => writeIn(set.id)}
              >
                {users.length > 0 ? "Write into its users" : "Remove"}
              </Button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
