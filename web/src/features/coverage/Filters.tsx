import { useSearchParams } from "react-router";
import { type Option, Picker } from "../../ui/Picker";
import type { Shop } from "../shop";
import { accountsOptions, named, type Part } from "./look";

const ANY = "any";

/** Tells which orders are looked at: each filter is a word that can be changed in place. */
export function Filters({ shop, providers }: { shop: Shop; providers: { id: string; name: string }[] }) {
  const [address, setAddress] = useSearchParams();
  const filters: { part: Part; label: string; options: Option[] }[] = [
    {
      part: "delivery",
      label: "Way of delivery",
      options: [
        { value: ANY, label: "any delivery" },
        ...shop.deliveries.map((way) => ({ value: way.id, label: way.name })),
        { value: "none", label: "not delivered" },
      ],
    },
    {
      part: "customer_group",
      label: "Customer group",
      options: [
        { value: ANY, label: "any group" },
        ...shop.customer_groups.map((group) => ({ value: group.id, label: group.name })),
      ],
    },
    {
      part: "device",
      label: "Device",
      options: [
        { value: ANY, label: "phone or computer" },
        { value: "phone", label: "on a phone" },
        { value: "desktop", label: "on a computer" },
      ],
    },
    {
      part: "signed_in",
      label: "Signed in or guest",
      options: [
        { value: ANY, label: "signed in or not" },
        { value: "true", label: "signed in" },
        { value: "false", label: "as a guest" },
      ],
    },
    {
      part: "recurring",
      label: "Once or repeating",
      options: [
        { value: ANY, label: "once or repeating" },
        { value: "false", label: "once" },
        { value: "true", label: "repeating" },
      ],
    },
    { part: "accounts", label: "Accounts", options: accountsOptions(providers) },
  ];
  return (
    <fieldset className="flex flex-wrap gap-x-4 gap-y-1">
      <legend className="sr-only">Which orders are looked at</legend>
      {filters
        // A shop without groups or ways of delivery has nothing to choose there.
        .filter(
          ({ options, part }) => options.length > 1 && (part !== "delivery" || shop.deliveries.length > 0),
        )
        .map(({ part, label, options }) => (
          <Picker
            key={part}
            look="quiet"
            label={label}
            value={address.get(named(part)) ?? ANY}
            options={options}
            onPick={(value) =>
              setAddress(
                (before) => {
                  const after = new URLSearchParams(before);
                  if (value === ANY) after.delete(named(part));
                  else after.set(named(part), value);
                  return after;
                },
                { replace: true },
              )
            }
          />
        ))}
    </fieldset>
  );
}
