// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { axisFor } from "../../charts";
import { Grid } from "./Grid";
import type { Block, Cell } from "./queries";

afterEach(cleanup);

const AXIS = axisFor([60]);
const HERE = { market: "pt", line: "chart", amount: 85, said: "85.00" };

const cell = (first: string, below: string | null, least: number, most = least): Cell => ({
  first,
  below,
  begins: first,
  ends: below,
  least,
  most,
  said: `${first}: ${least} to ${most}`,
});

const block = (cells: Cell[], more: Partial<Block> = {}): Block => ({
  markets: ["pt", "es"],
  name: "Portugal and Spain",
  currency: "EUR",
  rated: true,
  rows: [{ lines: ["chart"], stands_for: ["chart", "map"], name: "Star chart", repeats: false, cells }],
  ...more,
});

const shownCells = () =>
  screen.getAllByRole("button").map((button) => button.querySelector("[aria-hidden]")?.textContent);

test("each cell says how many ways there are, nobody in words and a range as one", () => {
  render(
    <Grid
      blocks={[block([cell("0.01", "50.00", 2), cell("50.00", "90.00", 0, 3), cell("90.00", null, 0)])]}
      axis={AXIS}
      here={HERE}
      onCell={() => undefined}
    />,
  );
  expect(shownCells()).toEqual(["2", "0–3", "nobody"]);
  expect(screen.getByRole("button", { name: "Star chart, Portugal and Spain, 90.00: 0 to 0" })).toBeTruthy();
});

test("amounts beyond an end of the ruler are told in its margin, the last of them alone", () => {
  render(
    <Grid
      blocks={[block([cell("0.01", "2.00", 1), cell("2.00", "9000.00", 2), cell("9000.00", null, 0)])]}
      axis={AXIS}
      here={HERE}
      onCell={() => undefined}
    />,
  );
  expect(shownCells()).toEqual(["1", "2", "nobody"]);
  const [below, , above] = screen.getAllByRole("button");
  expect(below?.style.left).toBe("0px");
  expect(above?.style.left).toContain("100%");
});

test("arrows go from cell to cell, and a cell is told with the market of the order in hand", () => {
  const onCell = vi.fn();
  render(
    <Grid
      blocks={[
        block([cell("0.01", "50.00", 2), cell("50.00", null, 1)]),
        block([cell("0.01", null, 1)], { markets: ["gb"], name: "United Kingdom", currency: "GBP" }),
      ]}
      axis={AXIS}
      here={{ ...HERE, market: "es" }}
      onCell={onCell}
    />,
  );
  const [first, second, third] = screen.getAllByRole("button");
  first?.focus();
  fireEvent.keyDown(first as HTMLElement, { key: "ArrowRight" });
  expect(document.activeElement).toBe(second);
  fireEvent.keyDown(second as HTMLElement, { key: "ArrowDown" });
  expect(document.activeElement).toBe(third);
  fireEvent.keyDown(third as HTMLElement, { key: "ArrowDown" });
  expect(document.activeElement).toBe(third);
  second?.click();
  expect(onCell.mock.calls[0]?.[0]).toBe("es");
  third?.click();
  expect(onCell.mock.calls[1]?.[0]).toBe("gb");
});

test("a currency without a reference rate says so", () => {
  render(
    <Grid
      blocks={[block([cell("0.01", null, 1)], { rated: false })]}
      axis={AXIS}
      here={{ ...HERE, amount: null }}
      onCell={() => undefined}
    />,
  );
  expect(screen.getByText(/without a reference rate/)).toBeTruthy();
});

test("the order in hand is marked in the row that stands for its line", () => {
  const marked = (line: string) => {
    const { container, unmount } = render(
      <Grid
        blocks={[block([cell("0.01", null, 2)])]}
        axis={AXIS}
        here={{ ...HERE, market: "pt", line, amount: 60 }}
        onCell={() => undefined}
      />,
    );
    const found = container.querySelectorAll("[data-row] > span").length;
    unmount();
    return found;
  };
  expect([marked("chart"), marked("map"), marked("lamp")]).toEqual([1, 1, 0]);
});
