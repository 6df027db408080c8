// @vitest-environment happy-dom
import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, test } from "vitest";
import { answering, shown } from "../../test/page";
import type { OrderRecord } from "./queries";
import { RecordActs } from "./RecordActs";

afterEach(cleanup);
beforeEach(() => sessionStorage.clear());

const NOTHING: OrderRecord["can"] = {
  take: null,
  release: false,
  refund: null,
  credit: null,
  send: null,
  weigh: null,
  rest_paid: null,
  rest_let_go: false,
  mark_paid: false,
  refuse_receipt: false,
  refund_double: null,
};

function order(can: Partial<OrderRecord["can"]>): OrderRecord {
  const record = { token: "abc", version: 4, receipts: [], payments: [], can: { ...NOTHING, ...can } };
  return record as unknown as OrderRecord;
}

const buttons = () => screen.getAllByRole("button").map((button) => button.textContent);

test("only what the server says is possible can be done", () => {
  answering(() => ({ body: {} }));
  const { unmount } = shown(<RecordActs order={order({ mark_paid: true })} />);
  expect(buttons()).toEqual(["The money is here: mark as paid"]);
  unmount();
  shown(<RecordActs order={order({ refund: "85.00 EUR", credit: "85.00 EUR" })} />);
  expect(buttons()).toEqual(["Refund it", "Give it as shop credit"]);
});

test("where nothing is possible it says so", () => {
  answering(() => ({ body: {} }));
  shown(<RecordActs order={order({})} />);
  expect(screen.getByText("Nothing.")).toBeTruthy();
});

test("an act is asked with the amount as it is typed, over the version that was looked at", async () => {
  const asked = answering(() => ({ body: {} }));
  shown(<RecordActs order={order({ refund: "85.00 EUR" })} />);
  const amount = screen.getByLabelText<HTMLInputElement>("Amount to give back, EUR");
  expect(amount.value).toBe("85.00");
  await userEvent.clear(amount);
  await userEvent.type(amount, "12,50");
  await userEvent.click(screen.getByText("Refund it"));
  expect(asked).toEqual([
    { method: "POST", path: "/api/records/abc/refund", body: { version: 4, amount: "12,50 EUR" } },
  ]);
});

test("what the server refuses is said, and the amount stays", async () => {
  const problem = {
    type: "about:blank",
    title: "No",
    status: 422,
    mode: "test",
    errors: [{ code: "amount-beyond" }],
  };
  answering(() => ({ status: 422, body: { ...problem, detail: "90.00 EUR is more than there is." } }));
  shown(<RecordActs order={order({ refund: "85.00 EUR" })} />);
  const amount = screen.getByLabelText<HTMLInputElement>("Amount to give back, EUR");
  await userEvent.clear(amount);
  await userEvent.type(amount, "90");
  await userEvent.click(screen.getByText("Refund it"));
  expect(await screen.findByText("90.00 EUR is more than there is.")).toBeTruthy();
  expect(amount.value).toBe("90");
});
