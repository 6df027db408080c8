import type { Schema } from "../../api/client";
import { Button } from "../../ui/Button";
import { Picker } from "../../ui/Picker";
import { TextField } from "../../ui/TextField";
import { Toggle } from "../../ui/Toggle";
import type { Tender } from "../draft";
import { freeId } from "../shop";

type Field = Tender["fields"][number];

const KINDS = [
  { value: "text", label: "a text" },
  { value: "number", label: "a number" },
  { value: "choice", label: "one of some choices" },
  { value: "date", label: "a day" },
];

interface Props {
  tender: Tender;
  languages: Schema<"LanguageOut">[];
  save: (edit: (tender: Tender) => Tender) => Promise<unknown>;
  quietly: (edit: (tender: Tender) => Tender) => void;
}

/** Tells what the buyer of an arrangement of the shop's own fills in. */
export function AskedFields({ tender, languages, save, quietly }: Props) {
  const fields = tender.fields;
  const with_ = (id: string, part: (field: Field) => Field) => (before: Tender) => ({
    ...before,
    fields: before.fields.map((field) => (field.id === id ? part(field) : field)),
  });
  const [first = "en"] = languages.map(({ tag }) => tag);
  return (
    <section aria-labelledby="asked-fields" className="mt-6">
      <h3 id="asked-fields" className="font-sans font-semibold border-b border-ink pb-1">
        What the buyer fills in{" "}
        <span className="font-normal text-soft">with the order; never a card number</span>
      </h3>
      <ul>
        {fields.map((field) => {
          const name = field.label[first] ?? Object.values(field.label)[0] ?? field.id;
          return (
            <li key={field.id} className="border-b border-rule-soft py-2">
              <div className="flex flex-wrap gap-x-6 gap-y-1 items-end">
                {languages.map((language) => (
                  <TextField
                    key={language.tag}
                    width="w-44"
                    label={`Label in ${language.name}`}
                    value={field.label[language.tag] ?? ""}
                    save={(text) =>
                      save(
                        with_(field.id, (held) => ({
                          ...held,
                          label: named(held.label, language.tag, text),
                        })),
                      )
                    }
                  />
                ))}
                <div className="w-44">
                  <Picker
                    showLabel
                    label={`What “${name}” takes`}
                    value={field.kind}
                    options={KINDS}
                    onPick={(kind) =>
                      quietly(
                        with_(field.id, (held) => ({
                          ...held,
                          kind: kind as Field["kind"],
                          choices: kind === "choice" ? [{ [first]: "First" }, { [first]: "Second" }] : [],
                        })),
                      )
                    }
                  />
                </div>
                <span className="flex items-center gap-2 text-small text-soft">
                  needed
                  <Toggle
                    label={`“${name}” is needed`}
                    on={field.needed}
                    onChange={(needed) => quietly(with_(field.id, (held) => ({ ...held, needed })))}
                  />
                </span>
                <Button
                  look="quiet"
                  aria-label={`Remove the field ${name}`}
                  onClick={() =>
                    quietly((before) => ({
                      ...before,
                      fields: before.fields.filter((held) => held.id !== field.id),
                    }))
                  }
                >
                  Remove
                </Button>
              </div>
              {field.kind === "choice" && (
                <>
                  <TextField
                    label={`Choices of “${name}”, with a semicolon between them`}
                    value={field.choices
                      .map((choice) => choice[first] ?? Object.values(choice)[0])
                      .join("; ")}
                    save={(text) =>
                      save(
                        with_(field.id, (held) => ({
                          ...held,
                          choices: text
                            .split(";")
                            .map((part) => part.trim())
                            .filter(Boolean)
                            .map(
                              (part) =>
                                held.choices.find((choice) => choice[first] === part) ?? { [first]: part },
                            ),
                        })),
                      )
                    }
                  />
                  {languages.slice(1).map((language) => (
                    <div key={language.tag} className="flex flex-wrap gap-x-6 gap-y-1 mt-1">
                      {field.choices.map((choice, place) => {
                        const own = choice[first] ?? Object.values(choice)[0] ?? "";
                        return (
                          <TextField
                            key={own}
                            width="w-44"
                            label={`“${own}” in ${language.name}`}
                            value={choice[language.tag] ?? ""}
                            save={(text) =>
                              save(
                                with_(field.id, (held) => ({
                                  ...held,
                                  choices: held.choices.map((entry, at) =>
                                    at === place ? named(entry, language.tag, text) : entry,
                                  ),
                                })),
                              )
                            }
                          />
                        );
                      })}
                    </div>
                  ))}
                </>
              )}
            </li>
          );
        })}
      </ul>
      <Button
        look="link"
        className="mt-1"
        onClick={() =>
          quietly((before) => {
            const number = before.fields.length + 1;
            const id = freeId(
              `field-${number}`,
              before.fields.map((field) => field.id),
            );
            const field: Field = {
              id,
              kind: "text",
              label: { [first]: `Field ${number}` },
              needed: false,
              choices: [],
            };
            return { ...before, fields: [...before.fields, field] };
          })
        }
      >
        Ask for something
      </Button>
    </section>
  );
}

/** Names with one of them changed; an empty one is taken away where another is left. */
function named(names: Record<string, string>, tag: string, text: string): Record<string, string> {
  if (text) return { ...names, [tag]: text };
  const others = Object.fromEntries(Object.entries(names).filter(([held]) => held !== tag));
  return Object.keys(others).length > 0 ? others : names;
}
