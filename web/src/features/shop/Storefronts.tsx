import { Button } from "../../ui/Button";
import { TextField } from "../../ui/TextField";
import { freeId } from "./ids";
import type { Sections } from "./sections";

/** The places where the shop sells; one with a domain of its own can show it to providers. */
export function Storefronts({ shop, save, quietly, remove }: Sections) {
  const held = shop.storefronts ?? [];
  return (
    <section aria-labelledby="storefronts" className="mb-8">
      <h2 id="storefronts" className="text-lg mb-1">
        Storefronts{" "}
        <span className="font-sans font-normal text-figure text-soft">
          where you sell; a device wallet asks for the domain
        </span>
      </h2>
      <ul className="border-t border-ink max-w-2xl">
        {held.map((storefront, place) => {
          const edit = (part: Partial<(typeof held)[number]>) =>
            save((before) => ({
              ...before,
              storefronts: (before.storefronts ?? []).map((entry, index) =>
                index === place ? { ...entry, ...part } : entry,
              ),
            }));
          return (
            <li
              key={storefront.id}
              className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_4rem] gap-4 items-center border-b border-rule-soft"
            >
              <TextField
                cell
                hideLabel
                label={`Name of the storefront ${storefront.name}`}
                value={storefront.name}
                save={(name) => edit({ name })}
              />
              <TextField
                cell
                hideLabel
                label={`Domain of ${storefront.name}`}
                value={storefront.domain ?? ""}
                save={(domain) => edit({ domain: domain || null })}
              />
              <Button
                look="quiet"
                aria-label={`Remove the storefront ${storefront.name}`}
                onClick={() =>
                  remove(
                    `The storefront ${storefront.name} is removed.`,
                    (before) => ({
                      ...before,
                      storefronts: (before.storefronts ?? []).filter((entry) => entry.id !== storefront.id),
                    }),
                    (before) => ({ ...before, storefronts: [...(before.storefronts ?? []), storefront] }),
                  )
                }
              >
                Remove
              </Button>
            </li>
          );
        })}
      </ul>
      <Button
        look="link"
        className="mt-1"
        onClick={() =>
          quietly((before) => {
            const there = before.storefronts ?? [];
            const name = there.length ? `Storefront ${there.length + 1}` : "Web shop";
            const id = freeId(
              name,
              there.map((entry) => entry.id),
            );
            return { ...before, storefronts: [...there, { id, name, domain: null }] };
          })
        }
      >
        Add a storefront
      </Button>
    </section>
  );
}
