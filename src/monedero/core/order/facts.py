"""The table of what can be known of an order: each fact with its name, how it is read, and how it is told apart.

The order in hand, the API, files of orders, past orders and the reasons of a decision all read this table: a fact is
read from text in one way, wherever it comes from. A fact that is not there is unknown.

Source: own design; the columns are those of `ORDERS.csv`.

>>> order = order_from({"amount": "85.00", "currency": "EUR", "buyer_country": "ES", "placed_on": "2026-11-24",
...     "line_kind": "booking+goods", "recurring": "false", "device": "phone"})
>>> [(fact.id, fact.text(order)) for fact in FACTS if fact.text(order)]
[('amount', '85.00 EUR'), ('currency', 'EUR'), ('country', 'ES'), ('kind', 'booking+goods'), ('recurring', 'false'), \
('device', 'phone'), ('day', '2026-11-24')]
>>> order_from({"amount": "85.00", "currency": "EUR", "buyer_country": "ES", "placed_on": "2026-11-24", "device": "tv"})
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: not-one-of device='tv'
"""

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass
from datetime import date
from enum import StrEnum
from typing import Any, TypeVar

from monedero.core.errors import Fault, FaultCode, InvalidInput, refuse
from monedero.core.fields import country, currency, identifier, text_of
from monedero.core.money import Money
from monedero.core.order.kinds import CardKind, LineKind
from monedero.core.order.model import Device, Order

E = TypeVar("E", bound=StrEnum)
JOINED_BY = "+"


class Part(StrEnum):
    """The part of a possible order that a fact belongs to: facts of one part go together, and are looked at as one."""

    PLACES = "places"
    """A market, with the areas that lie in its country."""
    CARTS = "carts"
    """The lines that are ordered together."""
    DELIVERIES = "deliveries"
    GROUPS = "groups"
    DEVICES = "devices"
    SIGNED_IN = "signed_in"
    AMOUNTS = "amounts"
    ONE = "one"
    """One value, or an unknown one, stands for all: the day, the storefront that is looked at, and the buyer's card."""


class Cut(StrEnum):
    """How the values of a fact are told apart where every possible order is looked at."""

    AMOUNTS = "amounts"
    """Into stretches, at every limit."""
    CLASSES = "classes"
    """Into the values that something names, and all others together."""
    TRUTH = "truth"
    """Into yes and no."""
    POSTCODES = "postcodes"
    """Into the areas in which they lie."""
    ONE_DAY = "one-day"
    """Not at all: one day is looked at."""


@dataclass(frozen=True, slots=True)
class Fact:
    """Something that can be known of an order.

    `id` is its name in reasons and conditions, and the key of its wording; `field` is its field of `Order`, empty for
    the currency, which is the amount's; `column` is its name in files; `part` and `cut` say how coverage tells its
    values apart. Of a fact with `several` values, the text holds them joined by `+`.
    """

    id: str
    field: str
    column: str
    read: Callable[[str], Any]
    part: Part
    cut: Cut
    several: bool = False

    def value(self, order: Order) -> Any:
        """Its value in an order; None, or nothing where it is several, where it is unknown."""
        return getattr(order, self.field) if self.field else order.amount.currency

    def values(self, order: Order) -> tuple[Any, ...]:
        """All its values in an order; none where it is unknown."""
        value = self.value(order)
        if self.several:
            return tuple(sorted(value))
        return () if value is None else (value,)

    def text(self, order: Order) -> str:
        """Its value as files and reasons have it; empty where it is unknown."""
        return JOINED_BY.join(map(_text, self.values(order)))


def _text(value: Any) -> str:
    if isinstance(value, bool):
        return "true" if value else "false"
    return value.isoformat() if isinstance(value, date) else str(value)


def day(text: str) -> date:
    """A day, written with year, month and day."""
    try:
        found = date.fromisoformat(text)
    except ValueError as broken:
        raise refuse(FaultCode.DATE_TEXT, value=text) from broken
    if found.isoformat() != text:
        raise refuse(FaultCode.DATE_TEXT, value=text)
    return found


def truth(text: str) -> bool:
    """Yes or no, written `true` or `false`."""
    if text not in ("true", "false"):
        raise refuse(FaultCode.NOT_ONE_OF, value=text, expected="true or false")
    return text == "true"


def one_of(options: type[E]) -> Callable[[str], E]:
    """A reader of one of some values."""
    members = {member.value: member for member in options}

    def read(text: str) -> E:
        if text not in members:
            raise refuse(FaultCode.NOT_ONE_OF, value=text, expected=", ".join(members))
        return members[text]

    return read


NAME = text_of(60)


def _kinds(text: str) -> frozenset[LineKind]:
    return frozenset(map(one_of(LineKind), text.split(JOINED_BY)))


def _lines(text: str) -> tuple[str, ...]:
    return tuple(map(NAME, text.split(JOINED_BY)))


AMOUNT = Fact("amount", "amount", "amount", Money.parse, Part.AMOUNTS, Cut.AMOUNTS)
CURRENCY = Fact("currency", "", "currency", currency, Part.PLACES, Cut.CLASSES)
COUNTRY = Fact("country", "country", "buyer_country", country, Part.PLACES, Cut.CLASSES)
POSTCODE = Fact("postcode", "postcode", "postcode", text_of(20), Part.PLACES, Cut.POSTCODES)
TOWN = Fact("town", "town", "town", NAME, Part.ONE, Cut.POSTCODES)
LINE = Fact("line", "lines", "line", _lines, Part.CARTS, Cut.CLASSES, several=True)
KIND = Fact("kind", "kinds", "line_kind", _kinds, Part.CARTS, Cut.CLASSES, several=True)
RECURRING = Fact("recurring", "recurring", "recurring", truth, Part.CARTS, Cut.TRUTH)
DELIVERY = Fact("delivery", "delivery", "delivery", NAME, Part.DELIVERIES, Cut.CLASSES)
CUSTOMER_GROUP = Fact("customer_group", "customer_group", "customer_group", NAME, Part.GROUPS, Cut.CLASSES)
STOREFRONT = Fact("storefront", "storefront", "storefront", NAME, Part.ONE, Cut.CLASSES)
DEVICE = Fact("device", "device", "device", one_of(Device), Part.DEVICES, Cut.CLASSES)
SIGNED_IN = Fact("signed_in", "signed_in", "signed_in", truth, Part.SIGNED_IN, Cut.TRUTH)
CARD_NETWORK = Fact("card_network", "card_network", "card_network", identifier, Part.ONE, Cut.CLASSES)
CARD_KIND = Fact("card_kind", "card_kind", "card_kind", one_of(CardKind), Part.ONE, Cut.CLASSES)
DAY = Fact("day", "placed_on", "placed_on", day, Part.ONE, Cut.ONE_DAY)

FACTS = (
    *(AMOUNT, CURRENCY, COUNTRY, POSTCODE, TOWN, LINE, KIND, RECURRING, DELIVERY, CUSTOMER_GROUP),
    *(STOREFRONT, DEVICE, SIGNED_IN, CARD_NETWORK, CARD_KIND, DAY),
)
"""Every fact, in the sequence in which reasons about them are given; the network of a card last of the conditions."""

ALWAYS_KNOWN = (AMOUNT, CURRENCY, COUNTRY, DAY)
MAY_BE_UNKNOWN = tuple(fact for fact in FACTS if fact not in ALWAYS_KNOWN)
BY_ID = {fact.id: fact for fact in FACTS}


def known_facts(texts: Mapping[str, str], facts: Iterable[Fact] = MAY_BE_UNKNOWN) -> dict[str, Any]:
    """The values of facts by their fields of `Order`, from texts by their columns; an empty text is unknown.

    A text that cannot be read is refused under the name of its column.
    """
    return {fact.field: _read(fact, texts[fact.column]) for fact in facts if texts.get(fact.column)}


def order_from(texts: Mapping[str, str]) -> Order:
    """An order from texts by the columns of its facts. An amount below zero is refused.

    Raises `InvalidInput` under the name of the column that cannot be read, or must be there and is not.
    """
    code = _read(CURRENCY, texts.get(CURRENCY.column, ""))
    try:
        amount = Money.of(texts.get(AMOUNT.column, ""), code)
    except InvalidInput as refused:
        raise InvalidInput(refused.faults[0].at(AMOUNT.column)) from None
    if amount.minor < 0:
        raise refuse(FaultCode.AMOUNT_NEGATIVE, AMOUNT.column, texts[AMOUNT.column])
    placed = _read(COUNTRY, texts.get(COUNTRY.column, "")), _read(DAY, texts.get(DAY.column, ""))
    return Order(amount, *placed, **known_facts(texts))


def _read(fact: Fact, text: str) -> Any:
    try:
        return fact.read(text)
    except InvalidInput as refused:
        fault = refused.faults[0]
        raise InvalidInput(Fault(fault.code, fact.column, fault.value, fault.fields)) from None
