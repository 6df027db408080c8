import { useState } from "react";
import { putIn } from "../../lib/lists";
import { inCurrency } from "../../lib/money";
import { Button } from "../../ui/Button";
import { Picker } from "../../ui/Picker";
import { TextField } from "../../ui/TextField";
import { Toggle } from "../../ui/Toggle";
import { useNear } from "../../ui/useNear";
import { freeId } from "./ids";
import type { Shop } from "./queries";
import type { Sections } from "./sections";
import { shownWhole, wholeOrNone } from "./whole";

type Line = Shop["lines"][number];

/** So many lines are drawn at once, the others when they are near; about how high one is, in pixels. */
const AT_ONCE = 40;
const ROW = 41;

const edit = (id: string, part: Partial<Line>) => (before: Shop) => ({
  ...before,
  lines: before.lines.map((line) => (line.id === id ? { ...line, ...part } : line)),
});

/** Tells what is sold: each line with its kind, its usual amount, and whether it repeats. */
export function LinesTable(sections: Sections) {
  const { shop, quietly } = sections;
  const lines = shop.lines;
  const [added, setAdded] = useState("");
  function add(before: Shop): Shop {
    const held = before.lines;
    let name = "New line";
    for (let number = 2; held.some((line) => line.name === name); number += 1) name = `New line ${number}`;
    const line: Line = {
      id: freeId(
        name,
        held.map((entry) => entry.id),
      ),
      name,
      kind: "goods",
      usual_amount: `10 ${before.currency}`,
      recurring: false,
      sells_voucher: false,
      names: {},
    };
    setAdded(line.id);
    return { ...before, lines: [...held, line] };
  }

  return (
    <section aria-labelledby="lines" className="mb-8">
      <h2 id="lines" className="text-lg mb-1">
        Lines{" "}
        <span className="font-sans font-normal text-figure text-soft">
          what you sell, what is left of it to you, and how long a delivery takes
        </span>
      </h2>
      <ul className="border-t border-ink">
        {lines.map((line, place) => (
          <LineRow key={line.id} line={line} place={place} added={line.id === added} sections={sections} />
        ))}
      </ul>
      <Button look="link" className="mt-2" onClick={() => quietly(add)}>
        Add a line
      </Button>
    </section>
  );
}

interface LineProps {
  line: Line;
  place: number;
  added: boolean;
  sections: Sections;
}

/** One line; empty while it is far outside of the window. */
function LineRow({ line, place, added, sections }: LineProps) {
  const { shop, save, quietly, kinds, remove } = sections;
  const { ref, near } = useNear(added || place < AT_ONCE);
  return (
    <li
      ref={ref}
      style={{ minHeight: near ? undefined : ROW }}
      className="border-b border-rule-soft py-1 grid grid-cols-[minmax(0,2fr)_6.5rem_6.5rem_4rem_5rem_7rem_4rem] lg:grid-cols-[minmax(0,1fr)_7.5rem_6.5rem_5.5rem_5.5rem_6.5rem_4.5rem] gap-2 lg:gap-4 items-center"
    >
      {near && (
        <>
          <TextField
            cell
            wraps
            label={`Name of ${line.name}`}
            hideLabel
            value={line.name}
            begin={added}
            save={(name) => save(edit(line.id, { name }))}
          />
          <Picker
            look="cell"
            label={`Kind of ${line.name}`}
            value={line.kind}
            options={kinds}
            onPick={(kind) => quietly(edit(line.id, { kind: kind as Line["kind"] }))}
          />
          <TextField
            cell
            label={`Usual amount of ${line.name}`}
            hideLabel
            value={line.usual_amount}
            align="right"
            save={(usual_amount) =>
              save(edit(line.id, { usual_amount: inCurrency(usual_amount, shop.currency) }))
            }
          />
          <TextField
            cell
            label={`Margin of ${line.name}`}
            hideLabel
            value={line.margin ?? ""}
            align="right"
            suffix="% left"
            save={(margin) => save(edit(line.id, { margin: margin || null }))}
          />
          <TextField
            cell
            label={`Days until ${line.name} is delivered; empty where nothing is`}
            hideLabel
            value={shownWhole(line.delivery_days)}
            align="right"
            suffix={line.delivery_days === null || line.delivery_days === undefined ? "" : "days"}
            save={(text) => save(edit(line.id, { delivery_days: wholeOrNone(text) }))}
          />
          <span className="flex items-center gap-2 min-h-8 text-small text-soft">
            repeats
            <Toggle
              label={`${line.name} repeats every month`}
              on={line.recurring}
              onChange={(recurring) => quietly(edit(line.id, { recurring }))}
            />
          </span>
          <Button
            look="quiet"
            aria-label={`Remove the line ${line.name}`}
            onClick={() =>
              remove(
                `The line ${line.name} is removed.`,
                (before) => ({ ...before, lines: before.lines.filter((entry) => entry.id !== line.id) }),
                (before) => ({ ...before, lines: putIn(before.lines, place, line) }),
              )
            }
          >
            Remove
          </Button>
        </>
      )}
    </li>
  );
}
