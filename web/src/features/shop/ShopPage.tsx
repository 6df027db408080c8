import { useHandSearch } from "../../lib/handSearch";
import { inCurrency } from "../../lib/money";
import { useSection } from "../../lib/useSection";
import { Heading, OnItsWay } from "../../ui/Page";
import { Picker } from "../../ui/Picker";
import { SubNav } from "../../ui/SubNav";
import { TextField } from "../../ui/TextField";
import { ChosenAmounts } from "./ChosenAmounts";
import { HeldThings } from "./HeldThings";
import { Languages } from "./Languages";
import { LinesTable } from "./LinesTable";
import { MarketsTable } from "./MarketsTable";
import { OtherNames } from "./OtherNames";
import { PaidLater } from "./PaidLater";
import { Storefronts } from "./Storefronts";
import { useSections } from "./sections";
import { TypedRates } from "./TypedRates";
import { VIEWS } from "./views";

/** The shop: country and currency, markets, lines, storefronts, typed rates. Every edit is kept at once. */
export function ShopPage() {
  const sections = useSections();
  const search = useHandSearch();
  useSection(sections !== null);
  if (!sections) return <OnItsWay />;
  const { shop, quietly } = sections;

  return (
    <>
      <SubNav label="Views of Shop" search={search} views={VIEWS} />
      <Heading title="Your shop" note="every edit is kept as you make it" />
      <div className="border-t border-ink pt-3 mb-8 grid grid-cols-2 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,1fr)_10rem] gap-6">
        <TextField
          label="Trading name"
          value={shop.name}
          save={(name) => sections.save((before) => ({ ...before, name }))}
        />
        <Picker
          showLabel
          label="Country of the shop"
          value={shop.country}
          options={sections.countries}
          onPick={(country) => quietly((before) => ({ ...before, country }))}
        />
        <Picker
          showLabel
          label="Currency of your books"
          value={shop.currency}
          options={sections.currencies}
          onPick={(currency) => quietly((before) => ({ ...before, currency }))}
        />
        <TextField
          label="Takings a month"
          value={shop.takings ?? ""}
          align="right"
          note="some prices depend on it"
          save={(takings) =>
            sections.save((before) => ({
              ...before,
              takings: inCurrency(takings, before.currency) || null,
            }))
          }
        />
      </div>
      <div className="max-w-xl mb-8">
        <Languages {...sections} />
      </div>
      <MarketsTable {...sections} />
      <LinesTable {...sections} />
      <OtherNames {...sections} of="lines" title="Lines in other languages" />
      <ChosenAmounts {...sections} />
      <PaidLater {...sections} />
      <HeldThings {...sections} />
      <Storefronts {...sections} />
      <TypedRates {...sections} />
    </>
  );
}
