import { putIn } from "../../lib/lists";
import { Button } from "../../ui/Button";
import { Picks } from "../../ui/Picks";
import { TextField } from "../../ui/TextField";
import { AreaPart } from "./AreaPart";
import { freeId } from "./ids";
import { type Shop, useCountryGroups } from "./queries";
import type { Sections } from "./sections";

type Area = Shop["areas"][number];

/** Areas: whole countries, and parts of countries by how their postcodes begin, or by their towns. */
export function Areas({ shop, countries, save, quietly, remove }: Sections) {
  const edit = (id: string, change: (area: Area) => Area) => (before: Shop) => ({
    ...before,
    areas: before.areas.map((area) => (area.id === id ? change(area) : area)),
  });
  const groups = useCountryGroups().data?.groups ?? [];
  const nameOf = (code: string) => countries.find((country) => country.value === code)?.label ?? code;

  return (
    <section aria-labelledby="areas" className="mb-8">
      <h2 id="areas" className="text-lg mb-1">
        Areas{" "}
        <span className="font-sans font-normal text-figure text-soft">
          whole countries, or parts of one by postcodes or towns
        </span>
      </h2>
      <ul className={shop.areas.length > 0 ? "border-t border-ink" : ""}>
        {shop.areas.map((area, place) => {
          const parts = [...new Set([...Object.keys(area.postcodes), ...Object.keys(area.towns)])];
          return (
            <li
              key={area.id}
              className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,1fr)_4.5rem] gap-4 items-start border-b border-rule-soft py-1"
            >
              <TextField
                label="Name"
                value={area.name}
                save={(name) => save(edit(area.id, (before) => ({ ...before, name })))}
              />
              <Picks
                label={`Whole countries in ${area.name}`}
                values={area.countries}
                options={countries}
                none="no whole country"
                onPick={(picked) => quietly(edit(area.id, (before) => ({ ...before, countries: picked })))}
              />
              <Picks
                label={`Countries of which a part is in ${area.name}`}
                values={parts}
                options={countries}
                none="no part of a country"
                onPick={(picked) =>
                  quietly(
                    edit(area.id, (before) => ({
                      ...before,
                      postcodes: {
                        ...only(before.postcodes, picked),
                        ...Object.fromEntries(
                          picked.filter((code) => !parts.includes(code)).map((code) => [code, ["0"]]),
                        ),
                      },
                      towns: only(before.towns, picked),
                    })),
                  )
                }
              />
              <Button
                look="quiet"
                className="mt-6"
                aria-label={`Remove the area ${area.name}`}
                onClick={() =>
                  remove(
                    [`The area ${area.name} is removed`, ...priced(shop, area.id)].join(", with its price "),
                    (before) => ({
                      ...before,
                      areas: before.areas.filter((entry) => entry.id !== area.id),
                      deliveries: before.deliveries.map((way) => withoutArea(way, area.id)),
                    }),
                    (before) => ({
                      ...before,
                      areas: putIn(before.areas, place, area),
                      deliveries: before.deliveries.map(
                        (way) => shop.deliveries.find((entry) => entry.id === way.id) ?? way,
                      ),
                    }),
                  )
                }
              >
                Remove
              </Button>
              <div className="col-start-2">
                <Picks
                  single
                  label={`Add a group of countries to ${area.name}`}
                  values={[]}
                  options={groups.map((group) => ({ value: group.id, label: group.name }))}
                  none="a group of countries at once"
                  onPick={([id]) =>
                    quietly(
                      edit(area.id, (before) => ({
                        ...before,
                        countries: [
                          ...new Set([
                            ...before.countries,
                            ...(groups.find((group) => group.id === id)?.countries ?? []),
                          ]),
                        ],
                      })),
                    )
                  }
                />
              </div>
              {parts.map((code) => (
                <AreaPart
                  key={code}
                  area={area}
                  code={code}
                  country={nameOf(code)}
                  save={(change) => save(edit(area.id, change))}
                />
              ))}
            </li>
          );
        })}
      </ul>
      <Button
        look="link"
        className="mt-1"
        onClick={() =>
          quietly((before) => {
            const name = `Area ${before.areas.length + 1}`;
            const id = freeId(
              name,
              before.areas.map((entry) => entry.id),
            );
            return {
              ...before,
              areas: [...before.areas, { id, name, countries: [], postcodes: {}, towns: {} }],
            };
          })
        }
      >
        Add an area
      </Button>
    </section>
  );
}

/** The entries of some countries. */
const only = (of: Record<string, string[]>, codes: string[]) =>
  Object.fromEntries(Object.entries(of).filter(([code]) => codes.includes(code)));

type Way = Shop["deliveries"][number];

/** The ways of delivery that have a price for an area, as `of Courier`. */
const priced = (shop: Shop, id: string) => {
  const names = shop.deliveries
    .filter((way) => way.prices.some((price) => price.areas?.includes(id)))
    .map((way) => way.name);
  return names.length > 0 ? [`of ${names.join(" and ")}`] : [];
};

/** A way of delivery without an area in its prices; a price that is for no other is gone. */
const withoutArea = (way: Way, id: string): Way => ({
  ...way,
  prices: way.prices
    .map((price) => ({ ...price, areas: price.areas?.filter((area) => area !== id) ?? null }))
    .filter((price) => price.areas === null || price.areas.length > 0),
});
