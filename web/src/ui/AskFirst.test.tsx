// @vitest-environment happy-dom
import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { AskFirst, askFirst } from "./AskFirst";

afterEach(cleanup);

const question = (sentences: string[]) => ({ title: "This takes ways away", sentences, act: "Change it" });

test("what a change would do is told before it is made, and the answer is the owner's", async () => {
  render(<AskFirst />);
  const yes = askFirst(question(["Card leaves."]));
  expect(await screen.findByText("Card leaves.")).toBeTruthy();
  screen.getByRole("button", { name: "Change it" }).click();
  expect(await yes).toBe(true);
  const no = askFirst(question(["Card leaves."]));
  (await screen.findByRole("button", { name: "Leave it as it is" })).click();
  expect(await no).toBe(false);
  expect(screen.queryByText("Card leaves.")).toBeNull();
});

test("a long answer is folded after its first sentences", async () => {
  render(<AskFirst />);
  void askFirst(question(Array.from({ length: 9 }, (_, place) => `Sentence ${place}.`)));
  expect(await screen.findByText("3 more")).toBeTruthy();
});

test("where nothing can ask, nothing is changed", async () => {
  expect(await askFirst(question(["Card leaves."]))).toBe(false);
});
