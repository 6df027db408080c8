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
from datetime import date
from enum import StrEnum
from typing import NoReturn, TypeVar

from monedero.core.card_number import SHORTEST, holds_one
from monedero.core.errors import Fault, FaultCode, InvalidInput, refuse
from monedero.core.fields import country, currency, identifier
from monedero.core.money import Money
from monedero.core.ratecard.context import OrderContext
from monedero.core.ratecard.model import CardKind, LineKind

T = TypeVar("T")
E = TypeVar("E", bound=StrEnum)

REQUIRED = ("id", "placed_on", "amount", "currency", "buyer_country")
OPTIONAL = (
    "line",
    "line_kind",
    "recurring",
    "delivery",
    "postcode",
    "customer_group",
    "storefront",
    "card_network",
    "card_kind",
    "device",
    "signed_in",
    "refund_of",
)


class BrokenRow(InvalidInput):
    """A row that cannot be read; the fault's field names its line and column, its fields carry both."""


@dataclass(frozen=True, slots=True)
class OrderRow:
    """A row of an orders file: its id, and the order as a rate card sees it."""

    id: str
    context: OrderContext


@dataclass(slots=True)
class Row:
    """The cells of a row with the line on which it begins: split, not read yet."""

    line: int
    cells: dict[str, str]

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

    def optional(self, column: str, reader: Callable[[str], T]) -> T | None:
        """The value of a cell, or None where it is empty or not there."""
        return self.read(column, reader) if self.cells.get(column) else None


def read(
    lines: Iterator[str], *, ignore_unknown: bool = False, monthly_volume: Money | None = None
) -> Iterator[OrderRow]:
    """Orders in the sequence of the file. Raises `BrokenRow` at the first row that cannot be read.

    `lines` are lines of text with their line ends, as an open file gives them.
    """
    for row in split(lines, ignore_unknown=ignore_unknown):
        yield order_of(row, monthly_volume)


def split(lines: Iterator[str], *, ignore_unknown: bool = False) -> Iterator[Row]:
    """The rows of a file, split into cells; refuses a broken header, and rows that are not CSV."""
    counter = _Lines(lines)
    rows = csv.reader(counter, strict=True)
    header: list[str] | None = None
    while True:
        begins = counter.count + 1
        try:
            cells = next(rows)
        except StopIteration:
            break
        except csv.Error as broken:
            Row(begins, {}).refused("", Fault(FaultCode.CSV_BROKEN, value=str(broken)))
        except UnicodeDecodeError as broken:
            Row(begins, {}).refused("", Fault(FaultCode.NOT_UTF8, value=broken.object[broken.start :][:1].hex()))
        if header is None:
            header = _header(cells, ignore_unknown=ignore_unknown)
        elif cells:
            yield _cells(begins, header, cells)
    if header is None:
        raise refuse(FaultCode.COLUMN_MISSING, REQUIRED[0])


class _Lines:
    """Counts the physical lines that a CSV reader has taken."""

    def __init__(self, lines: Iterator[str]) -> None:
        self._lines = lines
        self.count = 0

    def __iter__(self) -> "_Lines":
        return self

    def __next__(self) -> str:
        line = next(self._lines)
        self.count += 1
        return line


def _header(cells: list[str], *, ignore_unknown: bool) -> list[str]:
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


def _cells(line: int, header: list[str], cells: list[str]) -> Row:
    row = Row(line, dict(zip(header, cells, strict=False)))
    for column, cell in row.cells.items():
        if len(cell) >= SHORTEST and holds_one(cell):
            row.refused(column, Fault(FaultCode.CARD_NUMBER))
    if len(cells) != len(header):
        row.refused(
            "", Fault(FaultCode.COLUMN_COUNT, value=str(len(cells)), fields={"expected": str(len(header))})
        )
    return row


def order_of(row: Row, monthly_volume: Money | None) -> OrderRow:
    """The order in a row; `monthly_volume` is what the account takes in a month."""
    code = row.read("currency", currency)

    def amount(text: str) -> Money:
        value = Money.of(text, code)
        if value.minor < 0:
            raise refuse(FaultCode.AMOUNT_NEGATIVE, value=text)
        return value

    kinds = row.optional("line_kind", _line_kinds)
    row.optional("signed_in", _truth)  # no rate asks for it, yet a broken cell is refused like any other
    context = OrderContext(
        amount=row.read("amount", amount),
        buyer_country=row.read("buyer_country", country),
        placed_on=row.read("placed_on", _day),
        line_kinds=kinds or frozenset(),
        recurring=row.optional("recurring", _truth),
        card_network=row.optional("card_network", identifier),
        card_kind=row.optional("card_kind", _card_kind),
        monthly_volume=monthly_volume,
    )
    return OrderRow(row.read("id", _filled), context)


def _filled(text: str) -> str:
    if not text:
        raise refuse(FaultCode.BLANK, value=text)
    return text


def _day(text: str) -> date:
    try:
        day = date.fromisoformat(text)
    except ValueError as broken:
        raise refuse(FaultCode.DATE_TEXT, value=text) from broken
    if day.isoformat() != text:
        raise refuse(FaultCode.DATE_TEXT, value=text)
    return day


def _truth(text: str) -> bool:
    if text not in ("true", "false"):
        raise refuse(FaultCode.NOT_ONE_OF, value=text, expected="true or false")
    return text == "true"


def _choice(options: type[E]) -> Callable[[str], E]:
    members = {member.value: member for member in options}

    def read_choice(text: str) -> E:
        if text not in members:
            raise refuse(FaultCode.NOT_ONE_OF, value=text, expected=", ".join(members))
        return members[text]

    return read_choice


_card_kind = _choice(CardKind)
_line_kind = _choice(LineKind)


def _line_kinds(text: str) -> frozenset[LineKind]:
    return frozenset(_line_kind(kind) for kind in text.split("+"))
