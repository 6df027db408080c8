// @vitest-environment happy-dom
import { act, cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useEffect } from "react";
import { afterEach, expect, test } from "vitest";
import { answering, shownAt } from "../../test/page";
import { beforeHandChanges, type Hand, useHand } from "./useHand";

afterEach(cleanup);

const SHOP = {
  markets: [
    { id: "pt", currency: "EUR" },
    { id: "gb", currency: "GBP" },
  ],
  lines: [{ id: "chart", amount: "12.00 EUR" }],
};
const PLACE = "/compare?market=pt&line=chart&amount=12.00&currency=EUR";

/** Something that draws the order first: it is told of the next one, and has what it needs when the test says so. */
function First({ told, ready }: { told: Hand[]; ready: Promise<unknown> }) {
  useEffect(
    () =>
      beforeHandChanges((next) => {
        told.push(next);
        return ready;
      }),
    [told, ready],
  );
  return null;
}

function Desk() {
  const { hand, change } = useHand();
  return (
    <>
      <p>{hand ? `${hand.amount} from ${hand.market} in ${hand.currency}` : "nothing yet"}</p>
      <button type="button" onClick={() => void change({ amount: "85.00" })}>
        amount
      </button>
      <button type="button" onClick={() => void change({ market: "gb", currency: "GBP" })}>
        market
      </button>
    </>
  );
}

async function opened(ready: Promise<unknown>) {
  answering(() => ({ body: { shop: SHOP, demo: false } }));
  const told: Hand[] = [];
  shownAt(
    PLACE,
    <>
      <First told={told} ready={ready} />
      <Desk />
    </>,
  );
  await screen.findByText("12.00 from pt in EUR");
  return told;
}

test("the address waits for what is drawn first, and takes the changes of that time together", async () => {
  let done: () => void = () => undefined;
  const told = await opened(new Promise<void>((resolve) => (done = resolve)));
  const before = window.history.length;
  await userEvent.click(screen.getByText("amount"));
  await userEvent.click(screen.getByText("market"));
  expect(window.location.search).toContain("amount=12.00");
  await act(async () => done());
  await screen.findByText("85.00 from gb in GBP");
  expect(told.map((next) => `${next.amount} ${next.market}`)).toEqual(["85.00 pt", "85.00 gb"]);
  expect(window.history.length).toBe(before + 1);
});

test("what is not ready in a moment is not waited for", async () => {
  await opened(new Promise(() => undefined));
  await userEvent.click(screen.getByText("amount"));
  await waitFor(() => expect(window.location.search).toContain("amount=85.00"));
});

test("a page that was left meanwhile stays left", async () => {
  let done: () => void = () => undefined;
  await opened(new Promise<void>((resolve) => (done = resolve)));
  await userEvent.click(screen.getByText("amount"));
  window.history.pushState(null, "", `/checkout${window.location.search}`);
  await act(async () => done());
  await waitFor(() => expect(window.location.search).toContain("amount=85.00"));
  expect(window.location.pathname).toBe("/checkout");
});
