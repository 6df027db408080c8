import { useOutletContext, useSearchParams } from "react-router";
import { toast } from "sonner";
import { said } from "../../api/client";
import { axisFor } from "../../charts";
import { drawn, grouped, partsOf, shown } from "../../lib/money";
import { day } from "../../lib/time";
import { Button } from "../../ui/Button";
import { Heading, OnItsWay, Trouble, Waiting } from "../../ui/Page";
import { StepButtons, StorefrontPicker } from "../checkout";
import { useStep, useView } from "../draft";
import { useHand } from "../hand";
import { CoverageTable } from "./CoverageTable";
import { Filters } from "./Filters";
import { Findings } from "./Findings";
import { Grid } from "./Grid";
import { lookOf, named } from "./look";
import { Preview } from "./Preview";
import { type Named, type OrderToHand, useCoverage, useFixes, useMakeFix, useOrderOfCell } from "./queries";

const LONG = 12_000;

/** The amount of the order in hand as the ruler marks it: with its currency, where that is not the ruler's own. */
function marked(money: string, books: string): string {
  const { amount, currency } = partsOf(money);
  return currency === books ? grouped(amount) : shown(money);
}

/** Tells who can pay and how, over every order that the shop can receive, with what was found and what ends it. */
export function CoveragePage() {
  const { hand, shop, change } = useHand();
  const { showBuyer } = useOutletContext<{ showBuyer: () => void }>();
  const [address, setAddress] = useSearchParams();
  const look = lookOf(address);
  const finding = address.get(named("finding"));
  const fix = address.get(named("fix"));
  const looking: Named | null = finding && fix ? { finding, fix } : null;
  const asked = useCoverage(look, looking);
  const fixes = useFixes(look, asked.isSuccess && !asked.isPlaceholderData).data?.fixes;
  const make = useMakeFix(look);
  const step = useStep();
  const orderOf = useOrderOfCell(look);
  const view = useView(hand).data;
  const table = address.get(named("as")) === "table";

  function say(parts: Partial<Record<"finding" | "fix" | "as", string>>) {
    setAddress(
      (before) => {
        const after = new URLSearchParams(before);
        for (const [part, value] of Object.entries(parts)) {
          if (value) after.set(named(part as "finding"), value);
          else after.delete(named(part as "finding"));
        }
        return after;
      },
      { replace: true },
    );
  }
  const leave = () => say({ finding: "", fix: "" });

  function putInHand(order: OrderToHand) {
    const { market, line, amount, currency, ...facts } = order;
    const told = Object.fromEntries(Object.entries(facts).map(([fact, value]) => [fact, value ?? ""]));
    change({ market, line, amount, currency, goods: "", town: "", ...told });
    showBuyer();
  }

  if (asked.error && !looking) return <Trouble>{said(asked.error)}</Trouble>;
  const { data } = asked;
  if (!shop) return <OnItsWay />;
  if (!data) return <Waiting>Every order is looked at</Waiting>;

  const axis = axisFor(shop.lines.map((line) => drawn(line.usual_amount)));
  const inBooks = view?.amount_in_books;
  const here = {
    market: hand?.market ?? "",
    line: hand?.line ?? "",
    amount: inBooks ? drawn(inBooks) : null,
    said: view ? marked(view.amount, shop.currency) : "",
  };
  return (
    <div className="@container">
      <Heading
        title="Who can pay, and how"
        note={`every order that your shop can receive, on ${day(data.on)}`}
      >
        <StorefrontPicker />
        <StepButtons />
        {data.blocks.length > 0 && (
          <Button look="quiet" onClick={() => say({ as: table ? "" : "table" })}>
            {table ? "As a grid" : "The same as a table"}
          </Button>
        )}
      </Heading>
      <Filters shop={shop} providers={data.providers} />
      {asked.error && looking && (
        <Trouble>
          {said(asked.error)} <Button onClick={leave}>Look at what was found</Button>
        </Trouble>
      )}
      <div className="mt-3 grid gap-x-7 gap-y-6 @min-[52rem]:grid-cols-[minmax(0,1fr)_16rem] @min-[66rem]:grid-cols-[minmax(0,1fr)_20rem]">
        <section aria-labelledby="found" className="order-2">
          <h2 id="found" className="text-lg border-b border-ink pb-1">
            Found{" "}
            <span className="font-sans text-figure font-normal text-soft">
              worst first, by share of your month
            </span>
          </h2>
          {data.clean && <p className="py-2">{data.clean}</p>}
          <Findings
            findings={data.findings}
            fixes={fixes}
            looking={looking}
            onLook={say}
            onOrder={putInHand}
          />
          <p className="text-small text-soft py-2">{data.looked}.</p>
        </section>
        <section aria-label="Ways to pay, line by line" className="min-w-0">
          {data.preview && looking && (
            <Preview
              preview={data.preview}
              making={make.isPending}
              onLeave={leave}
              onMake={() =>
                make.mutate(looking, {
                  onError: (refused) => toast.error(said(refused)),
                  onSuccess: () => {
                    leave();
                    toast(`Done: ${data.preview?.text}.`, {
                      duration: LONG,
                      action: { label: "Undo", onClick: () => step.mutate("back") },
                    });
                  },
                })
              }
            />
          )}
          {table ? (
            <CoverageTable blocks={data.blocks} />
          ) : (
            data.blocks.length > 0 && (
              <Grid
                blocks={data.blocks}
                axis={axis}
                here={here}
                onCell={(market, row, cell) =>
                  orderOf(market, row, cell).then(putInHand, (refused) => toast.error(said(refused)))
                }
              />
            )
          )}
        </section>
      </div>
    </div>
  );
}
