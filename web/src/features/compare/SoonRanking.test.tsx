// @vitest-environment happy-dom
import { act, cleanup, screen } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { answering, shownAt } from "../../test/page";
import { beforeHandChanges, useHand } from "../hand";
import { useComparison } from "./queries";
import { SoonRanking } from "./SoonRanking";

afterEach(cleanup);

const SHOP = {
  markets: [{ id: "pt", currency: "EUR" }],
  lines: [{ id: "chart", amount: "12.00 EUR" }],
};
const compared = (cost: string) => ({
  currency: "EUR",
  ranked: [
    {
      route: { key: "orlenta/start/card", method_name: "Card", provider_name: "Orlenta", plan_name: "" },
      cost: `${cost} EUR`,
      bands: { fee: cost, month: "0", risk: "0" },
      effective_percent: "1.5",
      earns: null,
      completion: null,
      facts: [],
      month: null,
    },
  ],
  shut: [],
});
const nothing = () => undefined;
const all = () => true;

/** Tells what the page of Compare has of it. */
function Page() {
  const { hand, change } = useHand();
  const data = useComparison(hand).data;
  if (!hand || !data) return null;
  return (
    <>
      <p>{`in hand: ${hand.amount}`}</p>
      <button type="button" onClick={() => void change({ amount: "85.00" })}>
        amount
      </button>
      <SoonRanking
        hand={hand}
        comparison={data}
        fits={all}
        currency="EUR"
        view="costs"
        sort="cost"
        chosen={[]}
        onSort={nothing}
        onChoose={nothing}
        onAdd={nothing}
        onBegin={nothing}
      />
    </>
  );
}

test("the ranking of the next order is there before the order in hand changes, and stays", async () => {
  let costs = "0.42";
  answering(({ path }) => ({
    body: path === "/api/compare" ? compared(costs) : { shop: SHOP, demo: false },
  }));
  shownAt("/compare?market=pt&line=chart&amount=12.00&currency=EUR", <Page />);
  await screen.findByText("0.42");
  costs = "1.27";
  // Something else on the page is not ready yet, so that the address waits.
  let done: () => void = nothing;
  const ready = new Promise<void>((resolve) => {
    done = resolve;
  });
  const leave = beforeHandChanges(() => ready);
  await act(async () => screen.getByText("amount").click());
  await screen.findByText("1.27");
  expect(screen.queryByText("in hand: 12.00")).not.toBeNull();
  await act(async () => done());
  await screen.findByText("in hand: 85.00");
  expect(screen.queryByText("1.27")).not.toBeNull();
  leave();
});
