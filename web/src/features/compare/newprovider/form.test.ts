import { expect, test } from "vitest";
import { askedOf, corrected, emptyForm, withLine } from "./form";

test("rows without a figure are not sent, and amounts get the provider's currency", () => {
  const form = { ...emptyForm("PT", "EUR"), name: " Larkhithe " };
  form.place = form.place.map((row, place) =>
    place === 1 ? { ...row, percent: "1,5", fixed: "0,25" } : row,
  );
  const asked = askedOf(form, "place", null);
  expect(asked.name).toBe("Larkhithe");
  expect(asked.rows).toEqual([{ method: "card", place: "eea", percent: "1,5", fixed: "0,25 EUR" }]);
  expect(askedOf(form, "one", null).rows).toEqual([]);
  expect(askedOf({ ...form, text: "Cards 1%" }, "text", null)).toMatchObject({ text: "Cards 1%", rows: [] });
});

test("a line is changed in its place", () => {
  expect(withLine("one\ntwo\nthree", 2, "2")).toBe("one\n2\nthree");
});

test("a correction keeps what was said before of the same line", () => {
  const first = corrected([], 2, { methods: ["card"] });
  expect(corrected(first, 2, { places: ["eea"] })).toEqual([{ line: 2, methods: ["card"], places: ["eea"] }]);
  expect(corrected(first, 3, { places: [] })).toHaveLength(2);
});
