// @vitest-environment happy-dom
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, test } from "vitest";
import { changeShop, useTyped } from "./useTyped";

beforeEach(() => sessionStorage.clear());
afterEach(cleanup);

function Field() {
  const name = useTyped("name of the first shop", "none");
  return <input aria-label="Name" value={name.text} onChange={(event) => name.type(event.target.value)} />;
}

const shown = () => {
  cleanup();
  render(<Field />);
  return screen.getByLabelText<HTMLInputElement>("Name");
};

test("what is typed is there again when the form is", async () => {
  await userEvent.type(shown(), "!");
  expect(shown().value).toBe("none!");
});

test("each shop keeps what was typed in it, through the other one and back", async () => {
  await userEvent.type(shown(), " of mine");
  changeShop("demo");
  expect(shown().value).toBe("none");
  await userEvent.type(shown(), " of the demo");
  changeShop("own");
  expect(shown().value).toBe("none of mine");
  changeShop("demo");
  expect(shown().value).toBe("none of the demo");
});
