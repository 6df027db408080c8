import { Button } from "../../ui/Button";
import { TextField } from "../../ui/TextField";
import type { Composed, Heading } from "../draft";

interface Props {
  heading: Heading;
  place: number;
  last: boolean;
  language: string;
  save: (edit: (before: Composed) => Composed) => Promise<unknown>;
  quietly: (edit: (before: Composed) => Composed) => void;
}

/** A heading above some tenders: its name in place, its place among the headings. */
export function HeadingRow({ heading, place, last, language, save, quietly }: Props) {
  const name = heading.name[language] ?? Object.values(heading.name)[0] ?? heading.id;
  const move = (by: number) =>
    quietly((before) => {
      const headings = before.headings.filter((entry) => entry.id !== heading.id);
      headings.splice(place + by, 0, heading);
      return { ...before, headings };
    });
  return (
    <li className="border-b border-rule pt-4 flex items-end gap-4" data-heading={heading.id}>
      <div className="w-64 font-medium">
        <TextField
          cell
          hideLabel
          label={`Name of the heading ${name}`}
          value={name}
          save={(text) =>
            save((before) => ({
              ...before,
              headings: before.headings.map((entry) =>
                entry.id === heading.id ? { ...entry, name: { ...entry.name, [language]: text } } : entry,
              ),
            }))
          }
        />
      </div>
      <Button
        look="quiet"
        className="ml-auto mb-1"
        disabled={place === 0}
        aria-label={`Move the heading ${name} up`}
        onClick={() => move(-1)}
      >
        Up
      </Button>
      <Button
        look="quiet"
        className="mb-1"
        disabled={last}
        aria-label={`Move the heading ${name} down`}
        onClick={() => move(1)}
      >
        Down
      </Button>
      <Button
        look="quiet"
        className="mb-1"
        aria-label={`Remove the heading ${name}`}
        onClick={() =>
          quietly((before) => ({
            ...before,
            headings: before.headings.filter((entry) => entry.id !== heading.id),
            tenders: before.tenders.map((tender) =>
              tender.heading === heading.id ? { ...tender, heading: null } : tender,
            ),
          }))
        }
      >
        Remove
      </Button>
    </li>
  );
}
