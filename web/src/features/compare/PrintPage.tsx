import { shown } from "../../lib/money";
import { Button } from "../../ui/Button";
import { Heading, OnItsWay } from "../../ui/Page";
import { SubNav } from "../../ui/SubNav";
import { useHand, useHandSearch } from "../hand";
import { useAssumptions } from "../shop";
import { Changing } from "./BestAccounts";
import { BestSentence } from "./BestSetPage";
import { NO_LIMITS, useBestSet } from "./bestQueries";
import { fullName } from "./names";
import { PlanTable, VolumeBar } from "./PlansPage";
import { type Ranked, useComparison, usePlans } from "./queries";
import { RulerView } from "./RulerView";
import { VIEWS } from "./views";

const ROUTES = 12;
const CURVES = 6;

/** The comparison on one page, to be shown to a partner or kept: the ruler, the ranking, plans and assumptions. */
export function PrintPage() {
  const { hand, shop } = useHand();
  const search = useHandSearch();
  const data = useComparison(hand).data;
  const plans = usePlans().data;
  const best = useBestSet(NO_LIMITS).data;
  const assumptions = useAssumptions().data ?? [];
  if (!shop || !hand || !data) return <OnItsWay />;
  const ranked = data.ranked.slice(0, ROUTES);

  return (
    <div className="one-page">
      <SubNav label="Views of Compare" search={search} views={VIEWS} />
      <Heading title={`Ways to pay for ${shop.name}, compared`} note={`all in, in ${data.currency}`}>
        <Button look="strong" className="print:hidden" onClick={() => window.print()}>
          Print, or keep as PDF
        </Button>
      </Heading>
      <RulerView
        hand={hand}
        shop={shop}
        of="all-in"
        show="money"
        strong={ranked.slice(0, CURVES).map((entry) => entry.route.key)}
        onAmount={() => {}}
      />
      <div className="grid lg:grid-cols-[3fr_2fr] print:grid-cols-[3fr_2fr] gap-x-8">
        <section aria-labelledby="ranking">
          <h2 id="ranking" className="text-lg mb-1">
            What each way costs for this order
          </h2>
          <RankingInShort ranked={ranked} />
          {data.ranked.length > ROUTES && (
            <p className="text-small text-soft">{data.ranked.length - ROUTES} dearer ones are left out.</p>
          )}
        </section>
        <section aria-labelledby="assumed">
          <h2 id="assumed" className="text-lg mb-1">
            What is assumed
          </h2>
          <table className="w-full text-small">
            <tbody>
              {assumptions
                .filter((entry) => entry.typed || entry.about === "*")
                .map((entry) => (
                  <tr key={entry.id + entry.about} className="border-b border-rule-soft">
                    <th scope="row" className="text-left font-normal">
                      {entry.name}
                      {entry.about !== "*" && `, ${entry.about_name}`}
                    </th>
                    <td className="text-right">{entry.value}</td>
                    <td className="text-soft pl-3">{entry.typed ? "typed by you" : entry.source}</td>
                  </tr>
                ))}
            </tbody>
          </table>
        </section>
      </div>
      {plans && plans.orders !== "0" && (
        <section aria-label="Plans" className="mt-4">
          {best && <BestSentence data={best} />}
          {best?.changing && <Changing data={best} changing={best.changing} />}
          <div className="grid gap-y-4 mt-4">
            <PlanTable plans={plans.alone} currency={plans.currency} />
            <div>
              {plans.by_provider.map((volumes) => (
                <VolumeBar key={volumes.name} volumes={volumes} currency={plans.currency} />
              ))}
            </div>
          </div>
        </section>
      )}
    </div>
  );
}

function RankingInShort({ ranked }: { ranked: Ranked[] }) {
  return (
    <table className="w-full text-small" aria-label="Routes">
      <thead>
        <tr className="border-b border-ink text-soft text-left">
          <th className="font-normal">Route</th>
          <th className="font-normal text-right">cost</th>
          <th className="font-normal text-right">of order</th>
          <th className="font-normal pl-3">arrives</th>
          <th className="font-normal text-right">a month</th>
        </tr>
      </thead>
      <tbody>
        {ranked.map((entry) => (
          <tr key={entry.route.key} className="border-b border-rule-soft">
            <th scope="row" className="text-left font-normal">
              {fullName(entry.route)}
            </th>
            <td className="text-right font-semibold whitespace-nowrap pl-3">{shown(entry.cost)}</td>
            <td className="text-right whitespace-nowrap pl-3">
              {entry.effective_percent ?? "none"}
              {entry.effective_percent && " %"}
            </td>
            <td className="pl-3">{entry.facts.find((fact) => fact.key === "arrives")?.text}</td>
            <td className="text-right whitespace-nowrap pl-3">
              {entry.month ? shown(entry.month.cost) : "none"}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
