// @vitest-environment happy-dom
import { cleanup, screen } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { answering, shown } from "../../test/page";
import { PublishPage } from "./PublishPage";

afterEach(cleanup);

const EDITION = {
  id: 1,
  number: 1,
  published_at: "2026-11-24T10:00:00Z",
  tenders: [{ id: "card", name: "Card", on: true }],
  summary: [],
  note: "",
  actor: "owner",
  of_edition: null,
  fingerprint: "f",
  is_shown: true,
  can_go_back: false,
  mode: "test",
};

/** The page as it is for a publication. */
function page(publication: Record<string, unknown>) {
  const asked = answering(({ path }) => ({
    body: path.endsWith("/moves")
      ? { mode: "test", sentences: ["Card is no longer offered for anything in Spain."] }
      : path === "/api/shop"
        ? { version: 1, shop: { storefronts: [{ id: "web-shop" }] } }
        : path.endsWith("/ready")
          ? { mode: "test", forbids: 0, warns: 0, items: [] }
          : publication,
  }));
  shown(<PublishPage />);
  return asked;
}

const publication = (changes: string[], editions: unknown[]) => ({
  storefront: "web-shop",
  fingerprint: "f",
  changes,
  planned: null,
  next: editions.length + 1,
  editions,
  mode: "test",
});

test("an empty checkout that was never published says that there is nothing to publish", async () => {
  page(publication([], []));
  expect(await screen.findByText(/there is nothing to publish/)).toBeTruthy();
  expect(screen.queryByText(/Buyers see what you see/)).toBeNull();
});

test("where nothing differs from the edition it says so, and nothing can be published", async () => {
  page(publication([], [EDITION]));
  expect(await screen.findByText("Nothing differs. Buyers see what you see.")).toBeTruthy();
  expect(screen.queryByRole("button", { name: /Publish/ })).toBeNull();
});

test("what is published is what was looked at, by its fingerprint", async () => {
  const asked = page(publication(["Card is switched off."], [EDITION]));
  expect(await screen.findByText("Card is switched off.")).toBeTruthy();
  expect(await screen.findByText("Card is no longer offered for anything in Spain.")).toBeTruthy();
  screen.getByRole("button", { name: /Publish as edition 2/ }).click();
  await screen.findByText("Card is switched off.");
  const posted = asked.find(({ method }) => method === "POST");
  expect(posted?.path).toBe("/api/checkouts/web-shop/editions");
  expect(posted?.body).toEqual({ fingerprint: "f", note: "" });
});
