"""Orders from a CSV file, one at a time, each row read or refused with its line and column.

UTF-8, RFC 4180, a header row; unknown columns are refused unless they are to be ignored; an empty cell is
unknown. Lines are physical, the header is line 1.

Source: RFC 4180; the columns are an *own design*.

>>> head = "id,placed_on,amount,currency,buyer_country\\n"
>>> [row.id for row in read(iter([head, "7,2026-01-05,85.00,EUR,ES\\n"]))]
['7']
>>> list(read(iter([head, "7,2026-01-05,85.001,EUR,ES\\n"])))
Traceback (most recent call last):
...
monedero.formats.orders_csv.BrokenRow: amount-decimals line.2.amount='85.001 EUR'
"""

import csv
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from typing import NoReturn, TypeVar

from monedero.core.card_number import SHORTEST, holds_one
from monedero.core.errors import Fault, FaultCode, InvalidInput, refuse
from monedero.core.order.facts import ALWAYS_KNOWN, MAY_BE_UNKNOWN, order_from
from monedero.core.order.model import Order

T = TypeVar("T")

REQUIRED = ("id", *(fact.column for fact in ALWAYS_KNOWN))
OPTIONAL = (*(fact.column for fact in MAY_BE_UNKNOWN), "refund_of", "method")


class BrokenRow(InvalidInput):
    """A row that cannot be read; the fault's field names its line and column, its fields carry both."""


@dataclass(frozen=True, slots=True)
class FileOrder:
    """A row of an orders file: its id, and the order."""

    id: str
    order: Order


@dataclass(slots=True)
class Row:
    """The values of a row with the line on which it begins, split and not read yet, and the names of its columns."""

    line: int
    names: list[str]
    values: list[str]

    @property
    def cells(self) -> dict[str, str]:
        """The values by the names of their columns."""
        return dict(zip(self.names, self.values, strict=True))

    def refused(self, column: str, fault: Fault) -> NoReturn:
        """Refuse the row for a fault in one of its columns."""
        where = {"line": str(self.line), "column": column}
        raise BrokenRow(Fault(fault.code, f"line.{self.line}.{column}", fault.value, {**fault.fields, **where}))

    def read(self, column: str, reader: Callable[[str], T]) -> T:
        """The value of a cell; a fault gets the row's line and the column."""
        try:
            return reader(self.cells[column])
        except InvalidInput as refused:
            self.refused(column, refused.faults[0])


def read(lines: Iterator[str], *, ignore_unknown: bool = False) -> Iterator[FileOrder]:
    """Orders in the sequence of the file. Raises `BrokenRow` at the first row that cannot be read.

    `lines` are lines of text with their line ends, as an open file gives them.
    """
    for row in split(lines, ignore_unknown=ignore_unknown):
        yield order_of(row)


def split(
    lines: Iterator[str], *, ignore_unknown: bool = False, header: list[str] | None = None, before: int = 0
) -> Iterator[Row]:
    """The rows of a file, split into cells; refuses a broken header, and rows that are not CSV.

    Where the header is known already, `lines` are those after the first `before` ones of the file.
    """
    rows = csv.reader(lines, strict=True)
    begins = before + 1
    try:
        for cells in rows:
            if header is None:
                header = header_of(cells, ignore_unknown=ignore_unknown)
            elif cells:
                yield _row(begins, header, cells)
            begins = before + rows.line_num + 1
    except csv.Error as broken:
        Row(begins, [], []).refused("", Fault(FaultCode.CSV_BROKEN, value=str(broken)))
    except UnicodeDecodeError as broken:
        Row(begins, [], []).refused("", Fault(FaultCode.NOT_UTF8, value=broken.object[broken.start :][:1].hex()))
    if header is None:
        raise refuse(FaultCode.COLUMN_MISSING, REQUIRED[0])


def header_of(cells: list[str], *, ignore_unknown: bool) -> list[str]:
    """The names of the columns; refuses one that stands twice, is not known, or is missing."""
    names = [cells[0].removeprefix("\ufeff"), *cells[1:]] if cells else []
    for name in names:
        if names.count(name) > 1:
            raise refuse(FaultCode.DUPLICATE, name, name, what="column")
        if name not in REQUIRED + OPTIONAL and not ignore_unknown:
            raise refuse(FaultCode.COLUMN_UNKNOWN, name, name, known=", ".join(REQUIRED + OPTIONAL))
    for name in REQUIRED:
        if name not in names:
            raise refuse(FaultCode.COLUMN_MISSING, name)
    return names


def _row(line: int, header: list[str], cells: list[str]) -> Row:
    row = Row(line, header, cells)
    if max(map(len, cells)) >= SHORTEST:
        for column, cell in zip(header, cells, strict=False):
            if len(cell) >= SHORTEST and holds_one(cell):
                row.refused(column, Fault(FaultCode.CARD_NUMBER))
    if len(cells) != len(header):
        row.refused(
            "", Fault(FaultCode.COLUMN_COUNT, value=str(len(cells)), fields={"expected": str(len(header))})
        )
    return row


def order_of(row: Row) -> FileOrder:
    """The order in a row."""
    try:
        order = order_from(row.cells)
    except InvalidInput as refused:
        fault = refused.faults[0]
        row.refused(fault.field, fault.at(""))
    return FileOrder(row.read("id", _filled), order)


def _filled(text: str) -> str:
    if not text:
        raise refuse(FaultCode.BLANK, value=text)
    return text
