// @vitest-environment happy-dom
import { useQuery } from "@tanstack/react-query";
import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, test, vi } from "vitest";
import { AGAIN_MS, answered, api } from "../api/client";
import { keys } from "../api/keys";
import { answering, shown } from "../test/page";
import { Boundary } from "./Boundary";

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

function Shop() {
  const shop = useQuery({
    queryKey: keys.shop,
    queryFn: () => answered(api.GET("/api/shop")),
    retry: false,
    throwOnError: true,
  });
  return <p>{shop.data ? "the shop is here" : "waiting"}</p>;
}

test("a view whose answer fails says so, and is there after another try", async () => {
  vi.spyOn(console, "error").mockImplementation(() => undefined);
  let status = 500;
  answering(() => ({
    status,
    body: status === 200 ? {} : { title: "x", detail: "This went wrong.", errors: [] },
  }));
  shown(
    <Boundary what="This view">
      <Shop />
    </Boundary>,
  );
  expect((await screen.findByRole("alert")).textContent).toContain(
    "This view cannot be shown: This went wrong.",
  );
  status = 200;
  await userEvent.click(screen.getByRole("button", { name: "Try again" }));
  expect(await screen.findByText("the shop is here")).toBeTruthy();
  expect(screen.queryByRole("alert")).toBeNull();
});

test("a view that nobody answered is there by itself when somebody answers again", async () => {
  vi.spyOn(console, "error").mockImplementation(() => undefined);
  vi.useFakeTimers({ shouldAdvanceTime: true });
  const fetched = vi.spyOn(window, "fetch").mockRejectedValue(new TypeError("Failed to fetch"));
  shown(
    <Boundary what="This view">
      <Shop />
    </Boundary>,
  );
  expect((await screen.findByRole("alert")).textContent).toContain("Monedero does not answer");
  await vi.advanceTimersByTimeAsync(AGAIN_MS);
  expect(screen.getByRole("alert")).toBeTruthy();
  fetched.mockImplementation(() => Promise.resolve(Response.json({})));
  await vi.advanceTimersByTimeAsync(AGAIN_MS);
  expect(await screen.findByText("the shop is here")).toBeTruthy();
  expect(screen.queryByRole("alert")).toBeNull();
  vi.useRealTimers();
});

function Broken(): never {
  throw new TypeError("Failed to fetch dynamically imported module");
}

test("a script that did not come is said as what it is, and going elsewhere draws anew", async () => {
  vi.spyOn(console, "error").mockImplementation(() => undefined);
  answering(() => ({ body: {} }));
  const { rerender } = shown(
    <Boundary what="This view" at="/compare">
      <Broken />
    </Boundary>,
  );
  expect((await screen.findByRole("alert")).textContent).toContain("a part of the page did not come");
  rerender(
    <Boundary what="This view" at="/shop">
      <p>another view</p>
    </Boundary>,
  );
  expect(await screen.findByText("another view")).toBeTruthy();
});
