// @vitest-environment happy-dom
import { expect, test } from "vitest";
import { csvOf, nameOf, rowsOf, safeCell, tabbed } from "./tables";

test.each([
  ["=1+1", "'=1+1"],
  ["@SUM(A1)", "'@SUM(A1)"],
  ["+351 912", "'+351 912"],
  ["-2+3", "'-2+3"],
  ["-12.50 EUR", "-12.50 EUR"],
  ["-3 %", "-3 %"],
  ["Card", "Card"],
])("%s cannot be taken for a formula", (cell, safe) => {
  expect(safeCell(cell)).toBe(safe);
});

test("commas, quotes and lines are quoted", () => {
  expect(
    csvOf([
      ["a,b", 'say "x"'],
      ["one\ntwo", ""],
    ]),
  ).toBe('"a,b","say ""x"""\r\n"one\ntwo",\r\n');
  expect(tabbed([["a\tb", "c"]])).toBe("a b\tc");
});

test("a table is read as it is shown, with what is typed in it", () => {
  document.body.innerHTML = `<main><h2>Rates <span>the first counts</span></h2><table>
    <tr><th colspan="2">Method</th><th>%</th></tr>
    <tr><td>Card</td><td><input type="checkbox" checked></td><td><input value="1.5"></td></tr></table></main>`;
  const table = document.querySelector("table") as HTMLTableElement;
  expect(rowsOf(table)).toEqual([
    ["Method", "", "%"],
    ["Card", "yes", "1.5"],
  ]);
  expect(nameOf(table)).toBe("Rates the first counts");
});
