import { toast } from "sonner";
import { said } from "../../api/client";
import { useHandSearch } from "../../lib/handSearch";
import { grouped } from "../../lib/money";
import { day } from "../../lib/time";
import { askFirst } from "../../ui/AskFirst";
import { Button } from "../../ui/Button";
import { Heading, OnItsWay } from "../../ui/Page";
import { Segments } from "../../ui/Segments";
import { SubNav } from "../../ui/SubNav";
import { CardShares } from "./CardShares";
import { ImportOrders } from "./ImportOrders";
import {
  type Profile,
  useChangeProfile,
  useClearPastOrders,
  useDerived,
  usePastOrders,
  useProfile,
} from "./monthQueries";
import { ProfileGrid } from "./ProfileGrid";
import { useChoices, useShop } from "./queries";
import { VIEWS } from "./views";

/** A month of orders: typed by line and market, or read from past orders. */
export function OrdersPage() {
  const search = useHandSearch();
  const shop = useShop().data?.shop;
  const state = useProfile().data;
  const past = usePastOrders().data;
  const names = new Map(useChoices().data?.countries.map((choice) => [choice.code, choice.name]));
  const change = useChangeProfile();
  const derive = useDerived();
  const clear = useClearPastOrders();
  if (!shop || !state || !past) return <OnItsWay />;
  const quietly = (edit: (before: Profile) => Profile) =>
    change.mutate(edit, { onError: (refused) => toast.error(said(refused)) });

  return (
    <>
      <SubNav label="Views of Shop" search={search} views={VIEWS} />
      <Heading title="Orders a month" note={`${state.orders} typed; every edit is kept as you make it`}>
        {past.paid > 0 && (
          <Segments
            label="What a month is counted from"
            value={state.profile.source ?? "typed"}
            options={[
              { value: "typed", label: "as typed" },
              { value: "past-orders", label: "past orders" },
            ]}
            onPick={(source) => quietly((before) => ({ ...before, source }))}
          />
        )}
      </Heading>
      <p className="text-soft mb-2 max-w-3xl">
        For each line and market: how many orders a month, and under it their amounts: one usual amount, or
        low, usual and high with spaces between. Low and high count for a quarter of the orders each.
      </p>
      <ProfileGrid
        shop={shop}
        profile={state.profile}
        names={names}
        save={(edit) => change.mutateAsync(edit)}
      />
      <div className="h-6" />
      <CardShares profile={state.profile} save={(edit) => change.mutateAsync(edit)} quietly={quietly} />
      {past.paid + past.free + past.refunds > 0 && (
        <section aria-labelledby="kept" className="mb-6">
          <h2 id="kept" className="text-lg">
            Past orders that are kept
          </h2>
          <p>
            {grouped(String(past.paid))} paid
            {past.first && past.last && `, from ${day(past.first)} to ${day(past.last)}`} ({past.months}{" "}
            months); {past.free} free; {past.refunds} {past.refunds === 1 ? "refund" : "refunds"}
            {past.refund_share && `, ${past.refund_share} % of the paid ones`}.
          </p>
          <p className="flex gap-4">
            {state.profile.source !== "past-orders" && (
              <Button look="link" onClick={() => quietly((before) => ({ ...before, source: "past-orders" }))}>
                Count the month from them
              </Button>
            )}
            <Button
              look="link"
              onClick={() =>
                derive.mutate(undefined, {
                  onSuccess: (found) => {
                    if (found.profile.cells?.length === 0) {
                      toast.error(
                        "None of them names a line and a market of your shop, so nothing is typed.",
                      );
                      return;
                    }
                    const kept = state.profile;
                    quietly(() => found.profile);
                    const left =
                      found.in_no_cell > 0
                        ? ` ${grouped(String(found.in_no_cell))} name no line and market of your shop and are not in it.`
                        : "";
                    toast(`The month is typed from your past orders.${left}`, {
                      duration: 12_000,
                      action: { label: "Undo", onClick: () => quietly(() => kept) },
                    });
                  },
                })
              }
            >
              Type the month from them
            </Button>
            <Button
              look="quiet"
              onClick={async () => {
                const all = grouped(String(past.paid + past.free + past.refunds));
                const question = {
                  title: `Take all ${all} past orders away?`,
                  sentences: [
                    "What a month costs is then counted from what is typed, until you read a file again.",
                  ],
                  act: `Take ${all} away`,
                };
                if (!(await askFirst(question))) return;
                if (state.profile.source === "past-orders")
                  quietly((before) => ({ ...before, source: "typed" }));
                clear.mutate(undefined, {
                  onSuccess: () =>
                    toast("The past orders are taken away. Read the file again to have them back."),
                });
              }}
            >
              Take all {grouped(String(past.paid + past.free + past.refunds))} away
            </Button>
          </p>
        </section>
      )}
      <ImportOrders />
    </>
  );
}
