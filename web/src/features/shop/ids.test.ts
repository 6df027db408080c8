import { expect, test } from "vitest";
import { freeId } from "./ids";

test.each([
  ["Night boat tour", [], "night-boat-tour"],
  ["Carta Celeste nº 2", [], "carta-celeste-no-2"],
  ["  Señales!  ", [], "senales"],
  ["***", [], "line"],
  ["Lamp", ["lamp", "lamp-2"], "lamp-3"],
])("%s becomes an id that is free", (name, taken, id) => {
  expect(freeId(name, taken)).toBe(id);
});

test("a long name becomes an id that is short enough", () => {
  expect(freeId("x".repeat(200), [])).toHaveLength(50);
});
