"""Tells what lines say besides rates and extras, each thing once: plans by the month, events, settlement, terms, tax.

Rule: a line that says otherwise of a thing that another line has said is not read.

Source: own design; events and settlement as in the format `monedero/rate-card/1`, where the first entry that names a
method counts.

>>> told = Told()
>>> told.tell(told.tax, "", 4, Decimal("23"))
>>> told.tell(told.tax, "", 9, Decimal("21"))
Traceback (most recent call last):
...
monedero.formats.price_text.unread.NotRead: another-price
"""

from collections.abc import Iterable
from decimal import Decimal
from typing import Any, NamedTuple, TypeVar

from monedero.formats.price_text.unread import NotRead, Why

K = TypeVar("K")
V = TypeVar("V")
EVENTS = ("refund", "dispute", "failed")


class EventTold(NamedTuple):
    """Holds what an event costs, what of the fee a refund brings back, and whether a dispute's fee comes back when
    won.
    """

    fixed: str | None
    returns: str
    if_won: bool


class Told:
    """Everything that was said, with the line that said it; a method of None and a plan of "" stand for all."""

    def __init__(self) -> None:
        self.plans: dict[tuple[str, str], tuple[int, str]] = {}
        self.events: dict[tuple[str | None, str], tuple[int, EventTold]] = {}
        self.days: dict[str | None, tuple[int, int]] = {}
        self.payouts: dict[str | None, tuple[int, str]] = {}
        self.terms: dict[str, tuple[int, object]] = {}
        self.provider: dict[str, tuple[int, tuple[str, ...]]] = {}
        self.tax: dict[str, tuple[int, Decimal]] = {}

    def tell(self, things: dict[K, tuple[int, V]], key: K, number: int, value: V) -> None:
        """Keep what a line says of a thing; refuses what another line says otherwise."""
        line, before = things.setdefault(key, (number, value))
        if before != value:
            raise NotRead(Why.ANOTHER_PRICE, line=line)

    def of_plan(self, plan: str) -> dict[str, str]:
        """Tells what a plan costs a month; what was said of every plan holds for it too."""
        every = {key: value for (named, key), (_, value) in self.plans.items() if not named}
        return every | {key: value for (named, key), (_, value) in self.plans.items() if named == plan}

    def events_on_card(self) -> list[dict[str, Any]]:
        """An entry for each method that is named, with what holds for every method; then one for the others."""
        entries = []
        for method in _named_first(method for method, _ in self.events):
            entry: dict[str, Any] = {"methods": [method]} if method else {}
            for what in EVENTS:
                found = self.events.get((method, what)) or self.events.get((None, what))
                if found:
                    entry[what] = _event(what, found[1])
            entries.append(entry)
        return entries

    def settlement_on_card(self, calendar: str) -> list[dict[str, Any]]:
        """An entry for each method that is named, with what holds for every method; then one for the others."""
        entries = []
        for method in _named_first([*self.days, *self.payouts]):
            days = self.days.get(method) or self.days.get(None) or (0, 0)
            payout = self.payouts.get(method) or self.payouts.get(None) or (0, "daily")
            entry: dict[str, Any] = {"methods": [method]} if method else {}
            entries.append({**entry, "business_days": days[1], "calendar": calendar, "payout": payout[1]})
        return entries

    def rest_on_card(self) -> dict[str, Any]:
        """Tax on fees and terms, where something was said of them."""
        parts: dict[str, Any] = {}
        if self.tax:
            parts["fee_tax_percent"] = f"{self.tax[''][1]:f}"
        if self.terms:
            parts["terms"] = {name: value for name, (_, value) in self.terms.items()}
        return parts


def _named_first(methods: Iterable[str | None]) -> list[str | None]:
    return sorted(dict.fromkeys(methods), key=lambda method: method is None)


def _event(what: str, told: EventTold) -> dict[str, Any]:
    fixed: dict[str, Any] = {"fixed": told.fixed} if told.fixed is not None else {}
    if what == "refund":
        return fixed | {"returns": told.returns}
    return fixed | ({"returned_if_won": told.if_won} if what == "dispute" else {})
