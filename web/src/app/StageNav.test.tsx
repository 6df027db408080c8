// @vitest-environment happy-dom
import { cleanup, screen } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { answering, shownAt } from "../test/page";
import { StageNav } from "./StageNav";

afterEach(cleanup);

const ANSWERS: Record<string, unknown> = {
  "/api/shop": { shop: { storefronts: [{ id: "web-shop" }], markets: [{}], lines: [{}] } },
  "/api/checkouts/web-shop": { tenders: [{ on: true, route: null }] },
  "/api/checkouts/web-shop/publication": { changes: [], editions: [{}] },
  "/api/checkouts/web-shop/coverage/state": { dead_ends: 0, singles: 0, note: "everybody can pay" },
  "/api/accounts": { providers: [] },
  "/api/checkouts/web-shop/rehearsal/state": { counts: { passed: 2 } },
};

const never = () => new Promise<never>(() => undefined);
const notes = () => screen.getAllByRole("link").map((link) => link.textContent);

test("what was not answered yet is drawn as not known, and never as open or done", async () => {
  answering(never);
  shownAt("/compare", <StageNav search="" />);
  const told = await screen.findAllByText("not known yet");
  expect(told).toHaveLength(7);
});

test("each stage says what was answered of it", async () => {
  answering(({ path }) => (path in ANSWERS ? { body: ANSWERS[path] } : never()));
  shownAt("/compare", <StageNav search="" />);
  await screen.findByText("1 switched on");
  expect(notes()).toContain("Shopdescribed");
  expect(notes()).toContain("Accounts");
  expect(notes()).toContain("Rehearse2 passed");
  expect(screen.queryAllByText("not known yet").length).toBeLessThanOrEqual(1);
});
