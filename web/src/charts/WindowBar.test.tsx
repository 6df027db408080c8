// @vitest-environment happy-dom
import { act, cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { axisFor } from "./axis";
import { WindowBar } from "./WindowBar";

// The slider of the library watches the size of its handles.
vi.stubGlobal(
  "ResizeObserver",
  class {
    observe() {}
    unobserve() {}
    disconnect() {}
  },
);
beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

type OnLimits = Parameters<typeof WindowBar>[0]["onLimits"];

const bar = (low: number | null, onLimits: OnLimits) => (
  <WindowBar
    name="Bank transfer"
    axis={axisFor([60])}
    currency="EUR"
    low={low}
    high={null}
    cursor={null}
    carried={{ low: null, high: null }}
    ink="offered"
    catches={[{ amount: 49.64, said: "costs the same as Card" }]}
    told={{ low: "", high: "" }}
    onLimits={onLimits}
  />
);

const handle = () => screen.getByLabelText("Bank transfer: offered from");
const said = () => handle().getAttribute("aria-valuetext");
const press = (key: string) => fireEvent.keyDown(handle(), { key });
const wait = () => act(() => vi.advanceTimersByTimeAsync(150));

/** Limits that are asked for, each answered when the test says so. */
function answers() {
  const asked: { low: number | null; answer: (kept: boolean) => Promise<void> }[] = [];
  const onLimits: OnLimits = (low) =>
    new Promise((resolve) => {
      asked.push({ low, answer: (kept) => act(async () => resolve(kept)) });
    });
  return { asked, onLimits };
}

test("a limit that comes back late does not move a handle that was moved on", async () => {
  const { asked, onLimits } = answers();
  const { rerender } = render(bar(60, onLimits));
  press("ArrowLeft");
  await wait();
  press("ArrowLeft");
  await wait();
  expect(asked.map(({ low }) => low)).toEqual([59, 57]);
  await asked[0]?.answer(true);
  rerender(bar(59, onLimits));
  expect(said()).toBe("57 EUR");
  await asked[1]?.answer(true);
  rerender(bar(57, onLimits));
  expect(said()).toBe("57 EUR");
});

test("a handle that goes back before its limit was kept takes the limit back", async () => {
  const { asked, onLimits } = answers();
  const { rerender } = render(bar(60, onLimits));
  press("ArrowLeft");
  await wait();
  press("ArrowRight");
  await wait();
  expect(asked.map(({ low }) => low)).toEqual([59, 60]);
  await asked[0]?.answer(true);
  rerender(bar(59, onLimits));
  await asked[1]?.answer(true);
  rerender(bar(60, onLimits));
  expect(said()).toBe("60 EUR");
});

test("a limit that is refused lets the handle go back to where it was", async () => {
  const { asked, onLimits } = answers();
  render(bar(60, onLimits));
  press("ArrowLeft");
  expect(said()).toBe("59 EUR");
  await wait();
  await asked[0]?.answer(false);
  expect(said()).toBe("60 EUR");
});

test("steps in a row are asked for as one limit, to the cent where another way costs the same", async () => {
  const { asked, onLimits } = answers();
  const { rerender } = render(bar(60, onLimits));
  for (let step = 0; step < 6; step += 1) press("ArrowLeft");
  expect(said()).toBe("49.64 EUR, costs the same as Card");
  await wait();
  expect(asked.map(({ low }) => low)).toEqual([49.64]);
  await asked[0]?.answer(true);
  rerender(bar(49.64, onLimits));
  expect(said()).toBe("49.64 EUR, costs the same as Card");
});
