import { useCallback } from "react";
import { Link } from "react-router";
import { toast } from "sonner";
import { isRefused, said } from "../../api/client";
import { Heading, OnItsWay, Trouble } from "../../ui/Page";
import { Picker } from "../../ui/Picker";
import { Segments } from "../../ui/Segments";
import { SubNav } from "../../ui/SubNav";
import { useAddTender } from "../draft";
import { useHand, useHandSearch } from "../hand";
import { Beside } from "./Beside";
import { CostLegend } from "./CostBar";
import { Examples } from "./Examples";
import { FirstPrices } from "./FirstPrices";
import { fullName } from "./names";
import { PriceChanges } from "./PriceChanges";
import { type Add, type Ranked, useBegin, useComparison, useExampleCards } from "./queries";
import { RulerView } from "./RulerView";
import { ShutRoutes } from "./ShutRoutes";
import { SoonRanking } from "./SoonRanking";
import { COLUMNS } from "./sorting";
import { Turnings } from "./Turnings";
import { useShown, useShownList } from "./useShown";
import { NEW_PROVIDER, VIEWS } from "./views";

const OF = ["all-in", "fees"] as const;
const SHOW = ["money", "percent"] as const;
const TABLE = ["costs", "terms"] as const;
const SORTS = COLUMNS.map((column) => column.key) as [string, ...string[]];
const FOREGROUND = 6;

/** Tells what each route costs for the order in hand and for every other amount, and why the others are not open. */
export function ComparePage() {
  const { hand, shop, change } = useHand();
  const search = useHandSearch();
  const comparison = useComparison(hand);
  const examples = useExampleCards();
  const add = useAddTender();
  const begin = useBegin();
  const [of, setOf] = useShown("of", OF);
  const [show, setShow] = useShown("show", SHOW);
  const [table, setTable] = useShown("table", TABLE);
  const [sort, setSort] = useShown("sort", SORTS);
  const [beside, setBeside] = useShownList("beside");
  const [[family = ""], setFamily] = useShownList("family");
  const [[provider = ""], setProvider] = useShownList("provider");
  const data = comparison.data;

  const put: Add = async (added) => {
    try {
      const draft = await add.mutateAsync(added);
      const tender = draft.tenders.find((entry) => entry.id === draft.added);
      toast(`${tender?.name ?? "It"} is in your checkout, switched off.`);
    } catch (refused) {
      toast.error(said(refused));
    }
  };
  const apply = (to: string) =>
    begin.mutate(to, {
      onSuccess: (account) =>
        toast(`The application with ${account.name} is begun. Go on with it in Accounts.`),
      onError: (refused) => toast.error(said(refused)),
    });

  const ranked = data?.ranked ?? [];
  const fits = useCallback(
    ({ route }: Ranked) =>
      (!family || route.family === family) && (!provider || (route.route?.provider ?? "own") === provider),
    [family, provider],
  );
  if (!shop) return <OnItsWay />;
  if (!hand) return <Heading title="What each way costs" />;
  const front = shop.storefronts?.find((entry) => entry.id === hand.storefront);
  const chosen = beside.flatMap((key) => ranked.find((entry) => entry.route.key === key) ?? []);
  const strong = [
    ...ranked
      .filter(fits)
      .slice(0, FOREGROUND)
      .map((entry) => entry.route.key),
    ...beside,
  ];

  return (
    <>
      <SubNav label="Views of Compare" search={search} views={VIEWS} />
      <Heading
        title="What each way costs"
        note={`${of === "all-in" ? "all in" : "provider fees alone"}, in ${shop.currency}${front ? `, in the ${front.name}` : ""}`}
      >
        <Link to={`${NEW_PROVIDER}${search}`} className="text-verdigris font-semibold hover:underline">
          New provider
        </Link>
        <Segments
          label="What the curves are of"
          value={of}
          options={[
            { value: "all-in", label: "all in" },
            { value: "fees", label: "fees" },
          ]}
          onPick={setOf}
        />
        <Segments
          label="How the curves are counted"
          value={show}
          options={[
            { value: "money", label: "money" },
            { value: "percent", label: "percent" },
          ]}
          onPick={setShow}
        />
      </Heading>
      {isRefused(comparison.error) && (
        <Trouble>The order in hand cannot be read. Fix it in the sentence above.</Trouble>
      )}
      {data?.rate_cards === 0 && (
        <FirstPrices month={data.month_orders !== "0"} onExamples={() => examples.mutate()} />
      )}
      {data !== undefined && data.rate_cards > 0 && <Examples />}
      {data?.nothing_to_pay && (
        <p className="border-t border-ink pt-3">
          An order of zero needs no payment, so there is nothing to compare.
        </p>
      )}
      {data && !data.nothing_to_pay && (
        <>
          <RulerView
            hand={hand}
            shop={shop}
            of={of}
            show={show}
            strong={strong}
            onAmount={(amount) => change({ amount }, { replace: true })}
          />
          {chosen.length > 1 && (
            <Beside
              entries={chosen}
              onRemove={(key) => setBeside(beside.filter((entry) => entry !== key))}
              onClose={() => setBeside([])}
            />
          )}
          <div className="flex flex-wrap items-center gap-x-4 mb-1">
            <Segments
              label="Columns of the ranking"
              value={table}
              options={[
                { value: "costs", label: "cost and time" },
                { value: "terms", label: "reach and terms" },
              ]}
              onPick={setTable}
            />
            <div className="w-40">
              <Picker
                label="Family of methods"
                value={family || "any"}
                options={[
                  { value: "any", label: "any family" },
                  ...unique(ranked.map((entry) => entry.route.family)).map((name) => ({
                    value: name,
                    label: name.replaceAll("-", " "),
                  })),
                ]}
                onPick={(name) => setFamily(name === "any" ? [] : [name])}
              />
            </div>
            <div className="w-40">
              <Picker
                label="Provider"
                value={provider || "any"}
                options={[
                  { value: "any", label: "any provider" },
                  ...uniqueBy(
                    ranked.map((entry) => [
                      entry.route.route?.provider ?? "own",
                      entry.route.provider_name || "your own",
                    ]),
                  ),
                ]}
                onPick={(name) => setProvider(name === "any" ? [] : [name])}
              />
            </div>
            <span className="ml-auto text-small text-soft">
              <CostLegend />
            </span>
          </div>
          <p className="sr-only" role="status">
            {chosen.length === 1 && chosen[0]
              ? `${fullName(chosen[0].route)}: tick another to put beside it`
              : ""}
          </p>
          <SoonRanking
            hand={hand}
            comparison={data}
            fits={fits}
            currency={data.currency}
            view={table}
            sort={sort}
            chosen={beside}
            onSort={setSort}
            onChoose={(key, wanted) =>
              setBeside(wanted ? [...beside, key] : beside.filter((entry) => entry !== key))
            }
            onAdd={put}
            onBegin={apply}
          />
          {data.month_orders === "0" && (
            <p className="text-soft mt-2">
              There is no order profile yet, so nothing is said of a month. Type one under Shop, Orders a
              month.
            </p>
          )}
          {ranked.some((entry) => entry.completion === null) && (
            <p className="text-soft mt-2">
              * Nothing is assumed of completion there; every buyer counts as finishing.
            </p>
          )}
          <div className="mt-3">
            <PriceChanges hand={hand} />
          </div>
          <Turnings hand={hand} currency={data.currency} />
          <ShutRoutes shut={data.shut} onAdd={put} />
        </>
      )}
    </>
  );
}

function unique(names: string[]): string[] {
  return [...new Set(names)];
}

function uniqueBy(pairs: [string, string][]): { value: string; label: string }[] {
  return [...new Map(pairs)].map(([value, label]) => ({ value, label }));
}
