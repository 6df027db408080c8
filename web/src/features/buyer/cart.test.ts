// @vitest-environment happy-dom
import { beforeEach, expect, test } from "vitest";
import { cartWith, elsewhere, heldCart, holdCart, timesIn } from "./cart";

beforeEach(() => localStorage.clear());

test("a line stands in a cart as often as was said last, and no times takes it out", () => {
  const one = cartWith("", "star-chart", 1);
  const two = cartWith(one, "sky-maps", 3);
  expect(two).toBe("star-chart:1,sky-maps:3");
  expect(cartWith(two, "star-chart", 2)).toBe("star-chart:2,sky-maps:3");
  expect(cartWith(two, "star-chart", 0)).toBe("sky-maps:3");
  expect(timesIn(two, "sky-maps")).toBe(3);
  expect(timesIn(two, "sky")).toBe(0);
});

test("a cart is kept in this browser until it is empty", () => {
  holdCart("star-chart:1");
  expect(heldCart()).toBe("star-chart:1");
  holdCart("");
  expect(localStorage.length).toBe(0);
  expect(heldCart()).toBe("");
});

test("elsewhere the market and the buyer stay, and what was bought does not", () => {
  const search = "?market=es-eur&line=a&amount=9&goods=9&delivery=pier&cart=a:1&language=de&device=phone";
  expect(elsewhere(search)).toBe("?market=es-eur&language=de&device=phone");
  expect(elsewhere(search, { cart: "b:2" })).toBe("?market=es-eur&language=de&device=phone&cart=b%3A2");
});
