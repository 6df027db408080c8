"""A table from a file, as text cells with their lines: CSV with any usual separator, or the first sheet of an XLSX.

What a file is shows in its first bytes, not in its name. Days become `2026-11-24`, numbers plain digits.

Source: RFC 4180; sheets by `monedero.formats.sheet`.

>>> held = read(b"id;amount\\n7;85,00\\n")
>>> held.header, held.rows
(['id', 'amount'], [(2, ['7', '85,00'])])
>>> read(b"")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: table-empty =''
"""

import csv
import io
from collections import Counter
from collections.abc import Iterable
from typing import NamedTuple

from monedero.core.card_number import refuse_in
from monedero.core.errors import Fault, FaultCode, InvalidInput, refuse
from monedero.formats.sheet import rows_of

ZIP = b"PK\x03\x04"
SEPARATORS = (",", ";", "\t", "|")
MOST_COLUMNS, LONGEST_CELL = 200, 10_000


class Table(NamedTuple):
    """A header, and rows with the physical line (or the sheet's row) on which each begins."""

    header: list[str]
    rows: Iterable[tuple[int, list[str]]]


def read(content: bytes) -> Table:
    """The table of a file; refuses what is neither CSV in UTF-8 nor XLSX, and what has no rows."""
    table = _headed(rows_of(content)) if content.startswith(ZIP) else _csv(content)
    if not table.header or not table.rows:
        raise refuse(FaultCode.TABLE_EMPTY)
    _check(table)
    return table


def _check(table: Table) -> None:
    """Refuse a table with too many columns, two of one name, or a cell that no order has."""
    if len(table.header) > MOST_COLUMNS:
        largest = f"{MOST_COLUMNS} columns"
        raise refuse(FaultCode.SHEET_TOO_LARGE, "header", f"{len(table.header)} columns", largest=largest)
    for name in table.header:
        refuse_in(name)
    doubled = next((name for name, times in Counter(filter(None, table.header)).items() if times > 1), None)
    if doubled:
        raise refuse(FaultCode.DUPLICATE, doubled, doubled, what="column")
    for number, cells in table.rows:
        if max(map(len, cells)) > LONGEST_CELL:
            largest = f"{LONGEST_CELL} characters in a cell"
            raise refuse(FaultCode.SHEET_TOO_LARGE, f"line.{number}", "a cell of the row", largest=largest)


def _csv(content: bytes) -> Table:
    try:
        text = content.decode("utf-8-sig")
    except UnicodeDecodeError as broken:
        raise refuse(FaultCode.NOT_UTF8, value=content[broken.start : broken.start + 1].hex()) from broken
    first = text.partition("\n")[0]
    separator = max(SEPARATORS, key=first.count)
    reader = csv.reader(io.StringIO(text, newline=""), delimiter=separator, strict=True)
    rows: list[tuple[int, list[str]]] = []
    begins = 1
    try:
        for cells in reader:
            if any(cell.strip() for cell in cells):
                rows.append((begins, cells))
            begins = reader.line_num + 1
    except csv.Error as broken:
        where = {"line": str(begins), "column": ""}
        raise InvalidInput(Fault(FaultCode.CSV_BROKEN, f"line.{begins}", str(broken), where)) from broken
    return _headed(rows)


def _headed(rows: list[tuple[int, list[str]]]) -> Table:
    if not rows:
        return Table([], [])
    return Table([name.strip() for name in rows[0][1]], rows[1:])
