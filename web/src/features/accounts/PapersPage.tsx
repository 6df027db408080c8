import { toast } from "sonner";
import { said } from "../../api/client";
import { useSection } from "../../lib/useSection";
import { Button } from "../../ui/Button";
import { Heading, OnItsWay, Trouble } from "../../ui/Page";
import { Picker } from "../../ui/Picker";
import { SubNav } from "../../ui/SubNav";
import { TextField } from "../../ui/TextField";
import { Toggle } from "../../ui/Toggle";
import { useChoices } from "../shop";
import { useAccountSearch } from "./mode";
import { Papers } from "./Papers";
import { Payouts } from "./Payouts";
import { People } from "./People";
import { type Business, useBusiness, useChangeBusiness } from "./queries";
import { VIEWS } from "./views";

/** Tells what every provider asks about the business, typed once: its legal side, people, payouts, papers, what is public. */
export function PapersPage() {
  const state = useBusiness();
  const change = useChangeBusiness();
  const choices = useChoices().data;
  const search = useAccountSearch();
  const held = state.data;
  useSection(held !== undefined && choices !== undefined);
  if (state.error) return <Trouble>{said(state.error)}</Trouble>;
  if (!held || !choices) return <OnItsWay />;
  const { business } = held;
  const save = (edit: (before: Business) => Business) => change.mutateAsync(edit);
  const quietly = (edit: (before: Business) => Business) =>
    change.mutate(edit, { onError: (refused) => toast.error(said(refused)) });
  const countries = choices.countries.map(({ code, name }) => ({ value: code, label: name }));
  const facts = business.facts ?? [];

  return (
    <>
      <SubNav label="Views of Accounts" search={search} views={VIEWS} />
      <Heading
        title="Your details and papers"
        note="kept sealed; sent to a provider only with an application"
      />
      <section
        id="legal"
        aria-label="Your business"
        className="border-t border-ink pt-3 mb-6 grid grid-cols-2 lg:grid-cols-3 gap-x-6 gap-y-3"
      >
        <TextField
          label="Legal name"
          value={business.legal_name ?? ""}
          save={(legal_name) => save((before) => ({ ...before, legal_name }))}
        />
        <Picker
          showLabel
          label="Legal form"
          value={business.legal_form ?? ""}
          options={held.legal_forms.map(({ code, name }) => ({ value: code, label: name }))}
          onPick={(form) =>
            quietly((before) => ({ ...before, legal_form: form as NonNullable<Business["legal_form"]> }))
          }
        />
        <Picker
          showLabel
          label="Country of registration"
          value={business.country ?? ""}
          options={countries}
          onPick={(country) => quietly((before) => ({ ...before, country }))}
        />
        <TextField
          label="Tax number"
          note="checked by its own check digits"
          value={business.tax_number ?? ""}
          save={(tax_number) => save((before) => ({ ...before, tax_number }))}
        />
        <TextField
          label="Address"
          value={business.address ?? ""}
          save={(address) => save((before) => ({ ...before, address }))}
        />
        <TextField
          label="E-mail"
          note="for providers, and for buyers who have a question"
          value={business.email ?? ""}
          save={(email) => save((before) => ({ ...before, email }))}
        />
      </section>
      <People business={business} countries={countries} save={save} quietly={quietly} />
      <Payouts business={business} countries={countries} save={save} quietly={quietly} />
      <section aria-labelledby="papers-held" className="mb-6">
        <h2 id="papers-held" className="text-lg mb-1">
          Papers
        </h2>
        <div className="border-t border-ink">
          {held.paper_kinds.map(({ code, name }) => (
            <div
              key={code}
              className="grid grid-cols-[minmax(0,14rem)_minmax(0,1fr)] gap-x-6 border-b border-rule-soft py-2"
            >
              <h3 className="font-sans text-figure font-medium first-letter:uppercase">{name}</h3>
              <Papers kind={code} name={name} />
            </div>
          ))}
        </div>
      </section>
      <section id="facts" aria-labelledby="facts-held">
        <h2 id="facts-held" className="text-lg mb-1">
          What stands in public
        </h2>
        <ul className="border-t border-ink grid sm:grid-cols-2 gap-x-8">
          {held.facts.map(({ code, name }) => (
            <li key={code} className="flex items-center gap-3 border-b border-rule-soft py-1">
              <Toggle
                label={`You have ${name}`}
                on={facts.some((fact) => fact === code)}
                onChange={(on) =>
                  quietly((before) => ({
                    ...before,
                    facts: on
                      ? [...(before.facts ?? []), code as (typeof facts)[number]]
                      : (before.facts ?? []).filter((fact) => fact !== code),
                  }))
                }
              />
              <span className="first-letter:uppercase">{name}</span>
            </li>
          ))}
        </ul>
      </section>
      <Button look="quiet" className="mt-4" onClick={() => window.scrollTo({ top: 0 })}>
        To the top
      </Button>
    </>
  );
}
