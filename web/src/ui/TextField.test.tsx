// @vitest-environment happy-dom
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, test, vi } from "vitest";
import { Refusal } from "../api/client";
import { TextField } from "./TextField";

afterEach(cleanup);

const refusal = (detail: string) =>
  new Refusal({ type: "about:blank", title: "Wrong", status: 422, detail, mode: "test", errors: [] });

test("what is typed is kept when the field is left, without the spaces around it", async () => {
  const save = vi.fn(async () => {});
  render(<TextField label="Name" value="Boat" save={save} />);
  await userEvent.type(screen.getByLabelText("Name"), " tour ");
  expect(save).not.toHaveBeenCalled();
  await userEvent.tab();
  expect(save).toHaveBeenCalledExactlyOnceWith("Boat tour");
});

test("what is not changed is not saved", async () => {
  const save = vi.fn(async () => {});
  render(<TextField label="Name" value="Boat" save={save} />);
  await userEvent.click(screen.getByLabelText("Name"));
  await userEvent.tab();
  expect(save).not.toHaveBeenCalled();
});

test("what is refused stays with the reason under it, until Escape puts the kept value back", async () => {
  const save = async () => {
    throw refusal("“x” is not an amount.");
  };
  render(<TextField label="Amount" value="85.00" save={save} />);
  const field = screen.getByLabelText<HTMLInputElement>("Amount");
  await userEvent.clear(field);
  await userEvent.type(field, "x{Enter}");
  expect((await screen.findByRole("alert")).textContent).toBe("“x” is not an amount.");
  expect([field.value, field.getAttribute("aria-invalid")]).toEqual(["x", "true"]);
  await userEvent.type(field, "{Escape}");
  expect([field.value, screen.queryByRole("alert")]).toEqual(["85.00", null]);
});

test("a newer value from the server does not take back what is being typed", async () => {
  const save = async () => {};
  const { rerender } = render(<TextField label="Name" value="Boat" save={save} />);
  await userEvent.type(screen.getByLabelText("Name"), " tour");
  rerender(<TextField label="Name" value="Ship" save={save} />);
  expect(screen.getByLabelText<HTMLInputElement>("Name").value).toBe("Boat tour");
});

test("what the server did not answer is sent again by itself", async () => {
  vi.useFakeTimers({ shouldAdvanceTime: true });
  const silent = refusal("Monedero does not answer.");
  Object.defineProperty(silent, "unanswered", { value: true });
  const save = vi.fn<() => Promise<void>>().mockRejectedValueOnce(silent).mockResolvedValue();
  render(<TextField label="Name" value="Boat" save={save} />);
  await userEvent.type(screen.getByLabelText("Name"), "s{Enter}", { delay: null });
  await vi.advanceTimersByTimeAsync(3100);
  expect(save).toHaveBeenCalledTimes(2);
  vi.useRealTimers();
});

test("a field that wraps grows with its text, and Enter keeps it as one line", async () => {
  const save = vi.fn(async () => {});
  render(<TextField wraps label="What the buyer does" value="Sends it" save={save} />);
  const field = screen.getByLabelText("What the buyer does");
  expect(field.tagName).toBe("TEXTAREA");
  await userEvent.type(field, " from the phone{Enter}");
  expect(save).toHaveBeenCalledExactlyOnceWith("Sends it from the phone");
});
