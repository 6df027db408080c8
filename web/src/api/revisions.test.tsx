// @vitest-environment happy-dom
import { useMutation, useQuery } from "@tanstack/react-query";
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, test, vi } from "vitest";
import { answering, shown } from "../test/page";
import { AGAIN_MS, answered, api } from "./client";
import { keys } from "./keys";
import { changedSince, isOld, revisionsOf } from "./revisions";

afterEach(cleanup);

test("the header is read, and what it counts on is told apart by its cause", () => {
  const before = revisionsOf("prices=3, month=1, any=9");
  const changed = changedSince(before, revisionsOf("prices=3, month=2, any=10"));
  expect([...changed]).toEqual(["month", "any"]);
  expect(isOld("plans", changed)).toBe(true);
  expect(isOld("shop", changed)).toBe(false);
  expect(isOld("checkout", changed)).toBe(false);
});

test("before the first answer nothing is known, so nothing is old", () => {
  expect([...changedSince(new Map(), revisionsOf("prices=3"))]).toEqual([]);
});

function Part() {
  const profile = useQuery({ queryKey: keys.profile, queryFn: () => answered(api.GET("/api/profile")) });
  const shop = useQuery({ queryKey: keys.shop, queryFn: () => answered(api.GET("/api/shop")) });
  const clear = useMutation({ mutationFn: () => answered(api.DELETE("/api/past-orders")) });
  return (
    <>
      <p>{profile.data && shop.data ? "here" : "not yet"}</p>
      <button type="button" onClick={() => clear.mutate()} disabled={clear.isPending}>
        Take away
      </button>
    </>
  );
}

test("a change makes old what rests on it, and nothing else", async () => {
  let month = 1;
  const asked = answering(({ method }) => {
    if (method === "DELETE") month += 1;
    return { body: {}, revisions: `prices=1, month=${month}` };
  });
  shown(<Part />);
  await screen.findByText("here");
  expect(asked.map(({ path }) => path).sort()).toEqual(["/api/profile", "/api/shop"]);
  asked.length = 0;
  await userEvent.click(screen.getByRole("button"));
  await waitFor(() => expect(screen.getByRole("button").hasAttribute("disabled")).toBe(false));
  // The act was over only when what it changed was here again.
  expect(asked.map(({ method, path }) => `${method} ${path}`)).toEqual([
    "DELETE /api/past-orders",
    "GET /api/profile",
  ]);
});

test("what another one changed is seen by the next answer, whatever was asked", async () => {
  let prices = 1;
  const asked = answering(() => ({ body: {}, revisions: `prices=${prices}, month=1` }));
  shown(<Part />);
  await screen.findByText("here");
  asked.length = 0;
  prices = 2;
  await userEvent.click(screen.getByRole("button"));
  // The profile is of the shop's kinds and markets, so it rests on the shop as well.
  await waitFor(() =>
    expect(asked.map(({ path }) => path).sort()).toEqual(["/api/past-orders", "/api/profile", "/api/shop"]),
  );
});

test("an answer from before a change that becomes known while it is on its way is asked for again", async () => {
  // The shop's answer knows of the change; the profile was made before it, and comes first.
  const profiles = () => asked.filter(({ path }) => path === "/api/profile");
  const asked = answering(({ path }) => {
    const old = path === "/api/profile" && profiles().length === 1;
    return { body: {}, revisions: `prices=${old ? 1 : 2}, month=1` };
  });
  shown(<Part />);
  await screen.findByText("here");
  await waitFor(() => expect(profiles()).toHaveLength(2));
});

test("an act that nobody answers is sent again as it was, and one that may have been done is not", async () => {
  vi.useFakeTimers({ shouldAdvanceTime: true });
  let silent = true;
  const tried: string[] = [];
  answering(({ method, path }) => {
    tried.push(`${method} ${path}`);
    if (silent) throw new TypeError("Failed to fetch");
    return { body: {} };
  });
  function Acts() {
    const clear = useMutation({ mutationFn: () => answered(api.DELETE("/api/past-orders")) });
    const place = useMutation({ mutationFn: () => answered(api.POST("/api/rate-cards/examples")) });
    return (
      <>
        <button type="button" onClick={() => clear.mutate()}>
          Take away
        </button>
        <button type="button" onClick={() => place.mutate()}>
          {place.error ? place.error.message : "Put in"}
        </button>
        <p>{clear.isSuccess ? "gone" : "there"}</p>
      </>
    );
  }
  shown(<Acts />);
  screen.getByRole("button", { name: "Take away" }).click();
  screen.getByRole("button", { name: "Put in" }).click();
  expect(await screen.findByText(/does not answer/)).toBeTruthy();
  expect(tried.sort()).toEqual(["DELETE /api/past-orders", "POST /api/rate-cards/examples"]);
  silent = false;
  await vi.advanceTimersByTimeAsync(AGAIN_MS);
  expect(await screen.findByText("gone")).toBeTruthy();
  expect(tried.filter((act) => act.startsWith("DELETE"))).toHaveLength(2);
  expect(tried.filter((act) => act.startsWith("POST"))).toHaveLength(1);
  vi.useRealTimers();
});
