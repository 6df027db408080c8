import { useHandSearch } from "../../lib/handSearch";
import { Heading, OnItsWay } from "../../ui/Page";
import { SubNav } from "../../ui/SubNav";
import { AssumptionField } from "./AssumptionField";
import { useAssumptions } from "./assumptions";
import { useShop } from "./queries";
import { VIEWS } from "./views";

/** Every assumption in one place; each stands as well beside the figures that it moves. */
export function AssumptionsPage() {
  const search = useHandSearch();
  const shop = useShop().data?.shop;
  const every = useAssumptions().data ?? [];
  const ids = [...new Set(every.map((assumption) => assumption.id))];
  if (!shop) return <OnItsWay />;
  return (
    <>
      <SubNav label="Views of Shop" search={search} views={VIEWS} />
      <Heading title="What is assumed" note="each stands as well beside the figures that it moves" />
      <div className="border-t border-ink">
        {ids.map((id) => (
          <section
            key={id}
            aria-labelledby={id}
            className="border-b border-rule-soft py-3 grid grid-cols-[14rem_1fr] gap-6"
          >
            <h2 id={id} className="text-base">
              {every.find((assumption) => assumption.id === id)?.name}
            </h2>
            <div>
              {every
                .filter((assumption) => assumption.id === id)
                .map((assumption) => (
                  <div key={assumption.about} className="grid grid-cols-[11rem_1fr] gap-3 items-baseline">
                    <span className="text-soft">{assumption.about_name}</span>
                    <AssumptionField assumption={assumption} currency={shop.currency} hideName />
                  </div>
                ))}
            </div>
          </section>
        ))}
      </div>
    </>
  );
}
