"""Past orders from the rows of a table, by a matching: each read, or refused with its line, column and reason.

An amount may be negative (a refund) or nothing (a free order); a country may be written as its name. A line that
the shop does not know stays unknown, and is not a fault.

Source: own design; ISO 3166-1 and CLDR for the names of countries.

>>> amount_of("1.085,50", ",", "EUR"), amount_of("-12", ".", "EUR")
(Money(minor=108550, currency='EUR'), Money(minor=-1200, currency='EUR'))
>>> amount_of("€ 18,71", ",", "EUR"), amount_of("-£12", ".", "GBP")
(Money(minor=1871, currency='EUR'), Money(minor=-1200, currency='GBP'))
>>> country_of("Espagne"), country_of("es")
('ES', 'ES')
>>> country_of("Atlantis")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: country-name ='Atlantis'
"""

import dataclasses
import re
from collections.abc import Callable, Iterator, Mapping, Sequence
from datetime import date
from functools import cache, lru_cache
from typing import Any, NamedTuple, TypeVar

import pycountry
from babel import Locale

from monedero.core.as_typed import SIGNS
from monedero.core.card_number import MASK, SHORTEST, holds_one, masked
from monedero.core.errors import Fault, FaultCode, InvalidInput, refuse
from monedero.core.fields import country, currency, identifier
from monedero.core.money import Money
from monedero.core.order.facts import CARD_KIND, KIND, Fact
from monedero.core.order.kinds import CardKind, LineKind
from monedero.core.order.model import Order
from monedero.core.shop import Line, Shop
from monedero.formats.matching import REQUIRED, DayOrder, Matching
from monedero.formats.paid_with import PaidWith, PaidWords
from monedero.formats.table import Table

T = TypeVar("T")

GIVEN_BACK = " given back"
"""Follows the id of an order that a row gives back by its status, in the id of the refund."""

LANGUAGES = ("en", "pt", "es", "fr", "de", "it", "nl")
WRITTEN = {
    DayOrder.YEAR_FIRST: "year, month, day",
    DayOrder.DAY_FIRST: "day, month, year",
    DayOrder.MONTH_FIRST: "month, day, year",
}
YES, NO = ("true", "yes", "1"), ("false", "no", "0")


class ReadOrder(NamedTuple):
    """A past order as it was read, with the line of the file on which it stands, its id, what it gives back, and how it
    was paid.
    """

    row: int
    id: str
    order: Order
    refund_of: str | None
    method: str | None = None


class LeftOut(NamedTuple):
    """A row that is no order, by its status."""

    status: str


class RefusedRow(NamedTuple):
    """A row that was not read: its line, its cells, and the fault, which names the column."""

    line: int
    cells: list[str]
    fault: Fault


@cache
def _countries() -> Mapping[str, str]:
    """Codes of countries by their names in several languages, in small letters."""
    codes = {entry.alpha_2 for entry in pycountry.countries}
    names = {entry.name.casefold(): entry.alpha_2 for entry in pycountry.countries}
    for language in LANGUAGES:
        territories = Locale(language).territories
        names |= {str(name).casefold(): code for code, name in territories.items() if code in codes}
    return names | {code.casefold(): code for code in codes} | {"uk": "GB"}


def country_of(text: str) -> str:
    """A country by its code or its name."""
    code = _countries().get(text.strip().casefold())
    if code is None:
        raise refuse(FaultCode.COUNTRY_NAME, value=text)
    return country(code)


def amount_of(text: str, decimal: str, code: str) -> Money:
    """Money as a file writes it: thousands grouped or not, perhaps with its currency beside it."""
    plain = text.replace("\u00a0", " ").replace("\u2212", "-").strip()
    signs = [sign for sign, codes in SIGNS.items() if code in codes]
    for mark in (code, code.lower(), *signs):
        plain = plain.removeprefix(mark).removesuffix(mark).strip()
        plain = f"-{plain[1:].strip().removeprefix(mark).strip()}" if plain.startswith("-") else plain
    grouping = "." if decimal == "," else ","
    grouped = rf"-?\d{{1,3}}(?:[{grouping} ']\d{{3}})+(?:\{decimal}\d+)?"
    if re.fullmatch(grouped, plain, re.ASCII):
        plain = re.sub(rf"[{grouping} ']", "", plain)
    if decimal == "," and "." in plain:
        raise refuse(FaultCode.AMOUNT_TEXT, value=text)
    try:
        return Money.of(plain.replace(decimal, "."), code)
    except InvalidInput as refused:
        raise InvalidInput(Fault(refused.faults[0].code, "", text, refused.faults[0].fields)) from None


@lru_cache(maxsize=4096)
def _day(text: str, written: DayOrder) -> date:
    found = re.match(r"(\d{1,4})[-/. ](\d{1,2})[-/. ](\d{1,4})(?:[T ].*)?$", text.strip(), re.ASCII)
    try:
        if found is None:
            raise ValueError
        first, second, third = (int(part) for part in found.groups())
        if written is DayOrder.YEAR_FIRST:
            return date(first, second, third)
        year = third if third > 99 else 2000 + third
        return date(year, second, first) if written is DayOrder.DAY_FIRST else date(year, first, second)
    except ValueError:
        raise refuse(FaultCode.DAY_FORMAT, value=text, expected=WRITTEN[written]) from None


def _truth(text: str) -> bool:
    if text.casefold() not in YES + NO:
        raise refuse(FaultCode.NOT_ONE_OF, value=text, expected="true or false")
    return text.casefold() in YES


def _kind(text: str) -> CardKind:
    """A kind of card, whatever its letters are and with spaces for hyphens; told as the file has it when refused."""
    kind: CardKind = _as_typed(CARD_KIND, text, text.strip().casefold().replace(" ", "-"))
    return kind


def _line_kinds(text: str) -> frozenset[LineKind]:
    """The kinds of the lines of one cart, whatever their letters are."""
    kinds: frozenset[LineKind] = _as_typed(
        KIND, text, "+".join(part.strip() for part in text.casefold().split("+"))
    )
    return kinds


def _as_typed(fact: Fact, text: str, plain: str) -> Any:
    try:
        return fact.read(plain)
    except InvalidInput as refused:
        raise InvalidInput(dataclasses.replace(refused.faults[0], value=text)) from None


class _NotTold(NamedTuple):
    """How an order was paid of which the file does not say it."""

    method: str | None = None
    network: str | None = None
    kind: CardKind | None = None


NOT_TOLD = _NotTold()


class Reader:
    """Reads the rows of a table by a matching, for a shop."""

    def __init__(self, table: Table, matching: Matching, shop: Shop, words: PaidWords) -> None:
        """Refuse a matching that leaves out what is needed, or names a column that the table does not have.

        `words` are those by which the file may say how an order was paid.
        """
        missing = [Fault(FaultCode.COLUMN_UNMATCHED, name) for name in REQUIRED if name not in matching.columns]
        missing += [
            Fault(FaultCode.COLUMN_MISSING, name, column)
            for name, column in matching.columns.items()
            if column not in table.header
        ]
        if missing:
            raise InvalidInput(*missing)
        self._table = table
        self._matching = matching
        self._words, self._paid = words, dict(matching.paid_with)
        self._places = {name: table.header.index(column) for name, column in matching.columns.items()}
        self._lines: dict[str, Line] = {}
        for line in shop.lines:
            # The name that the file has for it in any language of its buyers.
            self._lines |= {name.casefold(): line for name in (*line.names.values(), line.name, line.id)}
        self.unknown_lines = 0

    def rows(self) -> Iterator[tuple[list[str], ReadOrder | RefusedRow | LeftOut]]:
        """Every row in sequence with its cells: read, refused, or left out by its status."""
        for number, cells in self._table.rows:
            holding = next((place for place, cell in enumerate(cells) if _holds_card_number(cell)), None)
            if holding is not None:
                yield self._without(number, cells, holding)
                continue
            status = self._text(cells, "status") if self._matching.left_out else ""
            if status and status in self._matching.left_out:
                yield cells, LeftOut(status)
                continue
            try:
                yield cells, self._read(number, cells)
            except _Broken as broken:
                column = self._matching.columns.get(broken.field, broken.field)
                where = {"line": str(number), "column": column}
                fault = Fault(broken.fault.code, column, broken.fault.value, {**broken.fault.fields, **where})
                yield cells, RefusedRow(number, cells, fault)

    def _without(self, number: int, cells: Sequence[str], place: int) -> tuple[list[str], RefusedRow]:
        """The refusal of a row with a card number in it, which is not repeated."""
        header = self._table.header
        column = header[place] if place < len(header) else ""
        fault = Fault(FaultCode.CARD_NUMBER, column, "", {"line": str(number), "column": column})
        kept = [masked(cell) for cell in cells]
        return kept, RefusedRow(number, kept, fault)

    def doubled(self, order: ReadOrder, cells: list[str], kept: str) -> RefusedRow:
        """The refusal of an order whose id is there already with another day or amount (`kept`)."""
        column = self._matching.columns["id"]
        where = {"line": str(order.row), "column": column, "kept": kept}
        return RefusedRow(order.row, cells, Fault(FaultCode.ORDER_DIFFERS, column, order.id, where))

    def _text(self, cells: Sequence[str], field: str) -> str:
        place = self._places.get(field)
        return cells[place].strip() if place is not None and place < len(cells) else ""

    def _value(self, cells: Sequence[str], field: str, reader: Callable[[str], T]) -> T | None:
        text = self._text(cells, field)
        if not text:
            return None
        try:
            return reader(text)
        except InvalidInput as refused:
            raise _Broken(field, refused.faults[0]) from None

    def _needed(self, cells: Sequence[str], field: str, reader: Callable[[str], T]) -> T:
        value = self._value(cells, field, reader)
        if value is None:
            raise _Broken(field, Fault(FaultCode.BLANK))
        return value

    def _read(self, number: int, cells: Sequence[str]) -> ReadOrder:
        matching = self._matching
        paid, back = self._paid_with(cells), self._text(cells, "status") in matching.refunds
        code = self._value(cells, "currency", lambda text: currency(text.upper())) or matching.currency
        name = self._text(cells, "line")
        line = self._lines.get(name.casefold()) if name else None
        self.unknown_lines += bool(name) and line is None
        kinds = self._value(cells, "kind", _line_kinds) or frozenset({line.kind} if line else ())
        recurring = self._value(cells, "recurring", _truth)
        amount = self._needed(cells, "amount", lambda text: amount_of(text, matching.decimal, code))
        order = Order(
            placed_on=self._needed(cells, "placed_on", lambda text: _day(text, matching.days)),
            amount=amount._replace(minor=-abs(amount.minor)) if back else amount,
            country=self._value(cells, "country", country_of) or matching.country,
            lines=(line.id,) if line else (),
            kinds=kinds,
            recurring=line.recurring if recurring is None and line else recurring,
            card_kind=self._value(cells, "card_kind", _kind) or paid.kind,
            card_network=self._value(cells, "card_network", lambda text: identifier(text.casefold()))
            or paid.network,
        )
        id, refund_of = self._needed(cells, "id", str), self._value(cells, "refund_of", str)
        if back and refund_of is None:
            # The order itself may stand in the same file, or in one that was read before its status changed.
            id, refund_of = f"{id}{GIVEN_BACK}", id
        return ReadOrder(number, id, order, refund_of, paid.method)

    def _paid_with(self, cells: Sequence[str]) -> PaidWith | _NotTold:
        """How the order was paid, as the owner matched the file's word for it, else by a guess."""
        text = self._text(cells, "method")
        if text and text not in self._paid:
            self._paid[text] = self._words.guess(text)
        return self._paid.get(text) or NOT_TOLD


def _holds_card_number(cell: str) -> bool:
    return len(cell) >= SHORTEST and (MASK in cell or holds_one(cell))


class _Broken(Exception):
    """A cell that cannot be read, with its field."""

    def __init__(self, field: str, fault: Fault) -> None:
        super().__init__(field)
        self.field = field
        self.fault = fault
