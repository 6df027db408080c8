"""A table from a file, as text cells with their lines: CSV with any usual separator, or the first sheet of an XLSX.

What a file is shows in its first bytes, not in its name. Days become `2026-11-24`, numbers plain digits.

Source: RFC 4180; ECMA-376 (package `python-calamine`).

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
from datetime import date, datetime, timedelta
from datetime import time as clock
from decimal import Decimal
from typing import NamedTuple

from python_calamine import CalamineError, CalamineWorkbook, PasswordError, ZipError

from monedero.core.card_number import refuse_in
from monedero.core.errors import Fault, FaultCode, InvalidInput, refuse

ZIP = b"PK\x03\x04"
SEPARATORS = (",", ";", "\t", "|")


class Table(NamedTuple):
    """A header, and rows with the physical line (or the sheet's row) on which each begins."""

    header: list[str]
    rows: list[tuple[int, list[str]]]


def read(content: bytes) -> Table:
    """The table of a file; refuses what is neither CSV in UTF-8 nor XLSX, and what has no rows."""
    table = _sheet(content) if content.startswith(ZIP) else _csv(content)
    if not table.header or not table.rows:
        raise refuse(FaultCode.TABLE_EMPTY)
    for name in table.header:
        refuse_in(name)
    doubled = next((name for name in table.header if name and table.header.count(name) > 1), None)
    if doubled:
        raise refuse(FaultCode.DUPLICATE, doubled, doubled, what="column")
    return table


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


def _sheet(content: bytes) -> Table:
    try:
        cells = (
            CalamineWorkbook.from_filelike(io.BytesIO(content))
            .get_sheet_by_index(0)
            .to_python(skip_empty_area=False)
        )
    except (CalamineError, ZipError, PasswordError) as broken:
        raise refuse(FaultCode.SHEET_UNREADABLE, value=str(broken)) from broken
    rows = [(number, [_text(cell) for cell in row]) for number, row in enumerate(cells, 1)]
    return _headed([row for row in rows if any(row[1])])


def _headed(rows: list[tuple[int, list[str]]]) -> Table:
    if not rows:
        return Table([], [])
    return Table([name.strip() for name in rows[0][1]], rows[1:])


def _text(cell: object) -> str:
    """A cell of a sheet as text: what a person reads in it, without the sheet's own format."""
    if isinstance(cell, datetime):
        return cell.date().isoformat()
    if isinstance(cell, date | clock | timedelta):
        return str(cell)
    if isinstance(cell, bool):
        return "true" if cell else "false"
    if isinstance(cell, int | float):
        # The shortest digits that give the number again are those that were typed.
        plain = format(Decimal(repr(cell)), "f")
        return plain.removesuffix(".0")
    return str(cell).strip()
