import { useHandSearch } from "../../lib/handSearch";
import { Heading, OnItsWay } from "../../ui/Page";
import { Picks } from "../../ui/Picks";
import { SubNav } from "../../ui/SubNav";
import { TextField } from "../../ui/TextField";
import { Areas } from "./Areas";
import { CustomerGroups } from "./CustomerGroups";
import { Deliveries } from "./Deliveries";
import { OtherNames } from "./OtherNames";
import { type Sections, useSections } from "./sections";
import { VIEWS } from "./views";
import { shownWhole, wholeOrNone } from "./whole";

/** How what is sold gets to its buyers, where it goes, and which buyers the shop tells apart. */
export function DeliveryPage() {
  const sections = useSections();
  const search = useHandSearch();
  if (!sections) return <OnItsWay />;
  return (
    <>
      <SubNav label="Views of Shop" search={search} views={VIEWS} />
      <Heading title="Delivery and buyers" note="what conditions of a way to pay can be about" />
      <Deliveries {...sections} />
      {sections.shop.deliveries.length > 0 && <LinesGo {...sections} />}
      <OtherNames {...sections} of="deliveries" title="Ways of delivery in other languages" />
      <Areas {...sections} />
      <CustomerGroups {...sections} />
    </>
  );
}

/** Tells which line may go which way, and what it weighs. */
function LinesGo({ shop, save, quietly }: Sections) {
  const ways = shop.deliveries.map((way) => ({ value: way.id, label: way.name }));
  const edit = (id: string, part: object) => (before: typeof shop) => ({
    ...before,
    lines: before.lines.map((line) => (line.id === id ? { ...line, ...part } : line)),
  });
  return (
    <section aria-labelledby="lines-go" className="mb-8">
      <h2 id="lines-go" className="text-lg mb-1">
        How each line goes
      </h2>
      <ul className="border-t border-ink max-w-3xl">
        {shop.lines.map((line) => (
          <li
            key={line.id}
            className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_8rem] gap-4 items-center border-b border-rule-soft py-1"
          >
            <span>{line.name}</span>
            <Picks
              label={`Ways of delivery of ${line.name}`}
              values={line.deliveries ?? []}
              options={ways}
              none="is not delivered"
              onPick={(picked) => quietly(edit(line.id, { deliveries: picked.length > 0 ? picked : null }))}
            />
            <TextField
              cell
              hideLabel
              align="right"
              suffix="g"
              label={`Weight of ${line.name} in grams`}
              value={shownWhole(line.weight_grams)}
              save={(text) => save(edit(line.id, { weight_grams: wholeOrNone(text) }))}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}
