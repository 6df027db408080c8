import { putIn } from "../../lib/lists";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/TextField";
import { freeId } from "./ids";
import type { Sections } from "./sections";

const USUAL = ["Retail", "Wholesale", "Members"];

/** The groups of buyers that the shop tells apart. */
export function CustomerGroups({ shop, save, quietly, remove }: Sections) {
  return (
    <section aria-labelledby="groups" className="mb-8">
      <h2 id="groups" className="text-lg mb-1">
        Customer groups{" "}
        <span className="font-sans font-normal text-figure text-soft">such as retail and wholesale</span>
      </h2>
      <ul className={shop.customer_groups.length > 0 ? "border-t border-ink max-w-xl" : ""}>
        {shop.customer_groups.map((group, place) => (
          <li
            key={group.id}
            className="grid grid-cols-[minmax(0,1fr)_4.5rem] gap-4 items-center border-b border-rule-soft"
          >
            <TextField
              cell
              hideLabel
              label={`Name of the customer group ${group.name}`}
              value={group.name}
              save={(name) =>
                save((before) => ({
                  ...before,
                  customer_groups: before.customer_groups.map((entry) =>
                    entry.id === group.id ? { ...entry, name } : entry,
                  ),
                }))
              }
            />
            <Button
              look="quiet"
              aria-label={`Remove the customer group ${group.name}`}
              onClick={() =>
                remove(
                  `The customer group ${group.name} is removed.`,
                  (before) => ({
                    ...before,
                    customer_groups: before.customer_groups.filter((entry) => entry.id !== group.id),
                  }),
                  (before) => ({ ...before, customer_groups: putIn(before.customer_groups, place, group) }),
                )
              }
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <Button
        look="link"
        className="mt-1"
        onClick={() =>
          quietly((before) => {
            const held = before.customer_groups;
            const free = USUAL.find((name) => held.every((group) => group.name !== name));
            const name = free ?? `Group ${held.length + 1}`;
            const id = freeId(
              name,
              held.map((group) => group.id),
            );
            return { ...before, customer_groups: [...held, { id, name }] };
          })
        }
      >
        Add a customer group
      </Button>
    </section>
  );
}
