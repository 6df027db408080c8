import { putIn } from "../../lib/lists";
import { Button } from "../../ui/Button";
import { type Option, Picker } from "../../ui/Picker";
import { TextField } from "../../ui/TextField";
import { DeliveryDays } from "./DeliveryDays";
import { DeliveryPrices, type Way } from "./DeliveryPrices";
import { freeId } from "./ids";
import type { Shop } from "./queries";
import type { Sections } from "./sections";

const KINDS: Option[] = [
  { value: "courier", label: "courier" },
  { value: "own-round", label: "own round" },
  { value: "collection", label: "collection" },
  { value: "in-person", label: "in person" },
  { value: "download", label: "download" },
  { value: "own", label: "another way" },
];

/** The ways of delivery: what each costs the buyer, from which amount it is free, and where it goes. */
export function Deliveries({ shop, save, quietly, remove }: Sections) {
  const areas = shop.areas.map((area) => ({ value: area.id, label: area.name }));
  const edit = (id: string, part: Partial<Way>) => (before: Shop) => ({
    ...before,
    deliveries: before.deliveries.map((way) => (way.id === id ? { ...way, ...part } : way)),
  });

  function add(before: Shop): Shop {
    const held = before.deliveries;
    const kind = KINDS.find((option) => held.every((way) => way.kind !== option.value)) ?? { label: "Way" };
    let name = kind.label.charAt(0).toUpperCase() + kind.label.slice(1);
    for (let number = 2; held.some((way) => way.name === name); number += 1) name = `Way ${number}`;
    const way = {
      id: freeId(
        name,
        held.map((entry) => entry.id),
      ),
      name,
      kind: ("value" in kind ? kind.value : "own") as Way["kind"],
      prices: [],
      preparation_days: 0,
      names: {},
      closed_weekdays: [],
      closed_dates: [],
      hours: [],
      costs: {},
    };
    // Goods go the first way that there is, until their owner says otherwise.
    const lines =
      held.length > 0
        ? before.lines
        : before.lines.map((line) =>
            line.kind === "goods" && !line.deliveries ? { ...line, deliveries: [way.id] } : line,
          );
    return { ...before, lines, deliveries: [...held, way] };
  }

  return (
    <section aria-labelledby="deliveries" className="mb-8">
      <h2 id="deliveries" className="text-lg mb-1">
        Ways of delivery
      </h2>
      <ul className={shop.deliveries.length > 0 ? "border-t border-ink" : ""}>
        {shop.deliveries.map((way, place) => (
          <li key={way.id} className="border-b border-rule-soft py-2">
            <div className="grid grid-cols-[minmax(0,1fr)_10rem_4.5rem] gap-4 items-end">
              <TextField label="Name" value={way.name} save={(name) => save(edit(way.id, { name }))} />
              <Picker
                showLabel
                label="Kind"
                value={way.kind ?? "own"}
                options={KINDS}
                onPick={(kind) => quietly(edit(way.id, { kind: kind as Way["kind"] }))}
              />
              <Button
                look="quiet"
                aria-label={`Remove the way of delivery ${way.name}`}
                onClick={() =>
                  remove(
                    `${way.name} is removed.`,
                    (before) => ({
                      ...before,
                      deliveries: before.deliveries.filter((entry) => entry.id !== way.id),
                      lines: before.lines.map((line) => withoutWay(line, way.id)),
                    }),
                    (before) => ({
                      ...before,
                      deliveries: putIn(before.deliveries, place, way),
                      lines: before.lines.map((line) => {
                        const held = shop.lines.find((entry) => entry.id === line.id);
                        return held ? { ...line, deliveries: held.deliveries ?? null } : line;
                      }),
                    }),
                  )
                }
              >
                Remove
              </Button>
            </div>
            <DeliveryPrices
              way={way}
              areas={areas}
              currency={shop.currency}
              edit={(part) => save(edit(way.id, part))}
              quietly={(part) => quietly(edit(way.id, part))}
            />
            <DeliveryDays
              way={way}
              currency={shop.currency}
              edit={(part) => save(edit(way.id, part))}
              quietly={(part) => quietly(edit(way.id, part))}
            />
          </li>
        ))}
      </ul>
      <Button look="link" className="mt-1" onClick={() => quietly(add)}>
        Add a way of delivery
      </Button>
    </section>
  );
}

function withoutWay(line: Shop["lines"][number], id: string): Shop["lines"][number] {
  const left = (line.deliveries ?? []).filter((way) => way !== id);
  return { ...line, deliveries: left.length > 0 ? left : null };
}
