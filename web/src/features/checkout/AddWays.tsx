import { useState } from "react";
import { Link } from "react-router";
import { toast } from "sonner";
import { said } from "../../api/client";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { Trouble, Waiting } from "../../ui/Page";
import { type CatalogueEntry, NEW_PROVIDER, useCatalogue } from "../compare";
import { useAddTender, useDraft } from "../draft";
import { useHandSearch } from "../hand";
import { ArrangementDetails } from "../shop";

/** True if a way is among those that are searched for, by its method, what else it is called, or its provider. */
function fits(entry: CatalogueEntry, searched: string): boolean {
  const names = [entry.method_name, ...entry.also, entry.provider_name].join(" ").toLowerCase();
  return searched
    .toLowerCase()
    .split(/\s+/)
    .every((word) => names.includes(word));
}

/** Every way to pay that there is, in one list: open to the shop, with what it needs, or with what stands against it. */
export function AddWays() {
  const catalogue = useCatalogue("", true);
  const search = useHandSearch();
  const [searched, setSearched] = useState("");
  const entries = catalogue.data?.entries ?? [];
  const found = entries.filter((entry) => fits(entry, searched.trim()));
  const open = found.filter((entry) => entry.open);
  const shut = found.filter((entry) => !entry.open);
  if (catalogue.error) return <Trouble>{said(catalogue.error)}</Trouble>;
  if (!catalogue.data) return <Waiting>Looking up every way to pay</Waiting>;
  return (
    <section aria-labelledby="add-ways" className="mb-6 border-y border-ink py-3">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2 mb-2">
        <h2 id="add-ways" className="text-lg">
          Every way to pay
        </h2>
        <InputField label="Search for a way to pay" value={searched} onChange={setSearched} width="w-56" />
        <p className="text-soft">
          Costs stand side by side in{" "}
          <Link to={`/compare${search}`} className="underline underline-offset-4">
            Compare
          </Link>
          . A provider that is not here is added as a{" "}
          <Link to={`${NEW_PROVIDER}${search}`} className="underline underline-offset-4">
            new provider
          </Link>
          .
        </p>
      </div>
      <Ways label="Open to your shop" entries={open} />
      {shut.length > 0 && <Ways label="Not open to your shop" entries={shut} />}
      {found.length === 0 && <p role="status">Nothing is called “{searched.trim()}”.</p>}
    </section>
  );
}

function Ways({ label, entries }: { label: string; entries: CatalogueEntry[] }) {
  if (entries.length === 0) return null;
  return (
    <>
      <h3 className="text-small text-soft mt-2">{label}</h3>
      <ul aria-label={label} className="border-t border-rule">
        {entries.map((entry) => (
          <Way key={`${entry.provider}/${entry.method}`} entry={entry} />
        ))}
      </ul>
    </>
  );
}

/** One way to pay: its name and price, what adds it, and under it the details that its buyers need. */
function Way({ entry }: { entry: CatalogueEntry }) {
  const add = useAddTender();
  const tenders = useDraft().data?.tenders ?? [];
  const isThere = tenders.some(
    (tender) => tender.method === entry.method && (tender.route?.provider ?? "") === entry.provider,
  );
  const name = entry.provider ? `${entry.method_name} by ${entry.provider_name}` : entry.method_name;

  function put(plan: string | null) {
    const { provider, method } = entry;
    add.mutate(
      { method, route: plan === null ? null : { provider, plan, method } },
      {
        onSuccess: (draft) => {
          const tender = draft.tenders.find(({ id }) => id === draft.added);
          toast(`${tender?.name ?? name} is in your checkout, switched off.`);
        },
        onError: (refused) => toast.error(said(refused)),
      },
    );
  }

  return (
    <li className="border-b border-rule-soft py-1.5">
      <div className="grid grid-cols-[minmax(0,14rem)_minmax(0,1fr)_minmax(0,11rem)] gap-x-4 items-baseline">
        <p>
          <strong className="font-semibold">{entry.method_name}</strong>{" "}
          <span className="text-soft">
            {entry.provider_name || (entry.own ? "your own arrangement" : "nobody whose prices you have")}
          </span>
        </p>
        <div>
          {entry.prices.map((price) => (
            <p key={price.plans + price.price + price.conditions}>
              {price.plans && <span className="text-soft">{price.plans}: </span>}
              {price.price} <span className="text-soft">{price.conditions}</span>
            </p>
          ))}
          {entry.own && <p className="text-soft">{entry.buyer}</p>}
          {entry.reasons.map((reason) => (
            <p key={reason.code + reason.text} className="text-copper">
              {reason.text}
            </p>
          ))}
        </div>
        <p className="flex flex-wrap justify-end gap-x-3">
          {isThere && <span className="text-soft">in your checkout</span>}
          {entry.own && !isThere && (
            <Button look="link" aria-label={`Add ${name}`} onClick={() => put(null)}>
              Add
            </Button>
          )}
          {!isThere &&
            entry.open &&
            entry.plans.map((plan) => (
              <Button
                key={plan.code}
                look="link"
                aria-label={entry.plans.length > 1 ? `Add, ${plan.name}: ${name}` : `Add ${name}`}
                onClick={() => put(plan.code)}
              >
                {entry.plans.length > 1 ? `Add, ${plan.name}` : "Add"}
              </Button>
            ))}
        </p>
      </div>
      {entry.own && isThere && <Details entry={entry} />}
    </li>
  );
}

/** The details of an arrangement, typed where it is added. */
function Details({ entry }: { entry: CatalogueEntry }) {
  if (entry.details.length === 0) return null;
  return (
    <details className="mt-1">
      <summary>What its buyers are told</summary>
      <div className="mt-2">
        <ArrangementDetails details={entry.details} />
      </div>
    </details>
  );
}
