/** Tells what a spreadsheet would take for a formula: it begins with one of these, or with a blank before one. */
const FORMULA = /^[=+\-@\t\r]/;
/** A plain number, or money or a percentage, is what it is, a minus before it as well. */
const FIGURE = /^-?[\d.,\s]+( [A-Z]{3}| %)?$/;

/** A cell that a spreadsheet reads as text or as a number, never as a formula. */
export function safeCell(text: string): string {
  return FORMULA.test(text) && !FIGURE.test(text) ? `'${text}` : text;
}

/** A field of a CSV file (RFC 4180). */
function field(text: string): string {
  const safe = safeCell(text);
  return /[",\n\r]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
}

/** Rows as CSV. */
export function csvOf(rows: string[][]): string {
  return `${rows.map((row) => row.map(field).join(",")).join("\r\n")}\r\n`;
}

/** Rows as text with tabs, as spreadsheets take it from the clipboard. */
export function tabbed(rows: string[][]): string {
  return rows
    .map((row) => row.map((cell) => safeCell(cell).replace(/[\t\n\r]+/g, " ")).join("\t"))
    .join("\n");
}

/** Tells what a table shows, row by row; a field in a cell counts by what is typed in it. */
export function rowsOf(table: HTMLTableElement): string[][] {
  return [...table.rows].map((row) =>
    [...row.cells].flatMap((cell) => [textOf(cell), ...Array(Math.max(cell.colSpan - 1, 0)).fill("")]),
  );
}

function textOf(cell: HTMLTableCellElement): string {
  const typed = [...cell.querySelectorAll("input")].map((input) =>
    input.type === "checkbox" ? (input.checked ? "yes" : "no") : input.value,
  );
  // biome-ignore lint/performance/useDomNodeTextContent: what is there for screen readers alone stays out
  const shown = cell.innerText ?? cell.textContent ?? "";
  return [shown, ...typed].join(" ").replace(/\s+/g, " ").trim();
}

/** Tells what a table is called: by its own name, else by the heading above it. */
export function nameOf(table: HTMLTableElement): string {
  const own = table.getAttribute("aria-label") ?? table.caption?.textContent;
  if (own) return own.trim();
  const above = [...document.querySelectorAll("main h1, main h2, main h3")].filter(
    (heading) => heading.compareDocumentPosition(table) & Node.DOCUMENT_POSITION_FOLLOWING,
  );
  return (above.at(-1)?.textContent ?? "Table").replace(/\s+/g, " ").trim();
}
