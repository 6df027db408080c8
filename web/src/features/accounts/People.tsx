import { type FormEvent, useState } from "react";
import { toast } from "sonner";
import { said } from "../../api/client";
import { useTyped } from "../../lib/useTyped";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { Trouble } from "../../ui/Page";
import { Picker } from "../../ui/Picker";
import { TextField } from "../../ui/TextField";
import { Toggle } from "../../ui/Toggle";
import type { Business } from "./queries";
import { freeId, type Section } from "./sections";

type Person = NonNullable<Business["people"]>[number];

/** The people who own a part of the business, sign for it, or both. */
export function People({ business, countries, save, quietly }: Section) {
  const people = business.people ?? [];
  const edit = (id: string, part: Partial<Person>) => (before: Business) => ({
    ...before,
    people: (before.people ?? []).map((person) => (person.id === id ? { ...person, ...part } : person)),
  });
  const remove = (person: Person) => {
    quietly((before) => ({
      ...before,
      people: (before.people ?? []).filter((entry) => entry.id !== person.id),
    }));
    toast(`${person.name} is taken out.`, {
      duration: 12_000,
      action: {
        label: "Undo",
        onClick: () => quietly((before) => ({ ...before, people: [...(before.people ?? []), person] })),
      },
    });
  };
  return (
    <section id="people" aria-labelledby="people-held" className="mb-6">
      <h2 id="people-held" className="text-lg mb-1">
        People{" "}
        <span className="font-sans font-normal text-figure text-soft">
          who own the business, and who sign for it
        </span>
      </h2>
      <ul className="border-t border-ink">
        {people.map((person) => (
          <li
            key={person.id}
            className="grid grid-cols-[minmax(0,1.4fr)_8rem_minmax(0,1fr)_5rem_6rem_4rem] gap-3 items-center border-b border-rule-soft"
          >
            <TextField
              cell
              hideLabel
              label={`Name of ${person.name}`}
              value={person.name}
              save={(name) => save(edit(person.id, { name }))}
            />
            <TextField
              cell
              hideLabel
              label={`${person.name} was born on`}
              value={person.born}
              save={(born) => save(edit(person.id, { born }))}
            />
            <Picker
              look="cell"
              label={`Country of ${person.name}`}
              value={person.country}
              options={countries}
              onPick={(country) => quietly(edit(person.id, { country }))}
            />
            <TextField
              cell
              hideLabel
              align="right"
              suffix="%"
              label={`${person.name} owns, in percent`}
              value={person.owns}
              save={(owns) => save(edit(person.id, { owns }))}
            />
            <span className="flex items-center gap-2 text-small text-soft">
              signs
              <Toggle
                label={`${person.name} signs`}
                on={person.signs}
                onChange={(signs) => quietly(edit(person.id, { signs }))}
              />
            </span>
            <Button look="quiet" aria-label={`Remove ${person.name}`} onClick={() => remove(person)}>
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <NewPerson
        country={business.country ?? "PT"}
        add={(person) =>
          save((before) => ({
            ...before,
            people: [
              ...(before.people ?? []),
              {
                ...person,
                id: freeId(
                  "person",
                  (before.people ?? []).map((entry) => entry.id),
                ),
              },
            ],
          }))
        }
      />
    </section>
  );
}

/** A person is added whole: a name and a day of birth are asked of everybody. */
function NewPerson({
  country,
  add,
}: {
  country: string;
  add: (person: Omit<Person, "id">) => Promise<unknown>;
}) {
  const name = useTyped("name of a person");
  const born = useTyped("born on");
  const [problem, setProblem] = useState("");
  function put(event: FormEvent) {
    event.preventDefault();
    add({ name: name.text, born: born.text, country, owns: "0", signs: false })
      .then(() => {
        name.type("");
        born.type("");
        setProblem("");
      })
      .catch((refused) => setProblem(said(refused)));
  }
  return (
    <form onSubmit={put} className="flex flex-wrap items-end gap-3 mt-2">
      <InputField label="Name of a person to add" value={name.text} onChange={name.type} width="w-56" />
      <InputField label="Born on, such as 1987-03-14" value={born.text} onChange={born.type} width="w-40" />
      <Button type="submit">Add the person</Button>
      {problem && (
        <div className="w-full">
          <Trouble>{problem}</Trouble>
        </div>
      )}
    </form>
  );
}
