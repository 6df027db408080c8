"""The checks of one tender, asked for many orders: what most of them say depends on a few facts that often repeat.

Checks about the amount and the day are asked each time; what the others say is kept by the values of the facts that
they are about. What is kept is bounded.

Source: own design.

>>> from datetime import date
>>> from monedero.core.money import Money
>>> from monedero.core.order.facts import COUNTRY
>>> from monedero.core.checkout.checks import COUNTRY_CODES, OneOf
>>> checks = KeptChecks([OneOf(COUNTRY, ("PT", "FR"), COUNTRY_CODES)])
>>> abroad = Order(Money(8500, "EUR"), "ES", date(2026, 11, 24))
>>> [reason.code.value for reason in checks.said(abroad).reasons(abroad)]
['method-country']
>>> KeptChecks([]).said(abroad).reasons(abroad)
()
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from operator import attrgetter
from typing import Any

from monedero.core.bounded import Bounded
from monedero.core.checkout.checks import Check
from monedero.core.order.facts import AMOUNT, COUNTRY, CURRENCY, DAY, POSTCODE, Fact
from monedero.core.order.model import Order
from monedero.core.reasons import Reason, ReasonCode

MOST_KEPT = 4_000
EVERY_TIME = (AMOUNT, DAY)


Checks = tuple[Callable[[Order], bool], ...]
"""True if some checks hold for an order."""


@dataclass(frozen=True, slots=True)
class Said:
    """Holds what was said for some values: in sequence reasons and checks to be asked yet, and each of them by
    itself.
    """

    parts: tuple[tuple[Reason, ...] | Check, ...]
    only: tuple[Reason, ...]
    checks: Checks

    @property
    def codes(self) -> tuple[ReasonCode, ...]:
        """The codes of what speaks against those values, whatever the amount and the day."""
        return tuple(reason.code for reason in self.only)

    def reasons(self, order: Order) -> tuple[Reason, ...]:
        """Why they do not hold for an order that has those values, in sequence; nothing where all do."""
        for holds in self.checks:
            if not holds(order):
                break
        else:
            return self.only
        found: list[Reason] = []
        for part in self.parts:
            found += part if isinstance(part, tuple) else part.reasons(order)
        return tuple(found)


class KeptChecks:
    """The checks of a tender, in sequence."""

    def __init__(self, checks: Sequence[Check]) -> None:
        """Sees once which facts they are about."""
        self.checks = tuple(checks)
        self.fields = {field for check in checks for field in fields_of(check.fact)}
        self._values = values_of(self.fields)
        self._kept: Bounded[Any, Said] = Bounded(MOST_KEPT)

    def said(self, order: Order) -> Said:
        """Tells what they say for the values of an order."""
        values = self._values(order)
        return self._kept.get(values) or self._kept.put(values, self._ask(order))

    def _ask(self, order: Order) -> Said:
        parts: list[tuple[Reason, ...] | Check] = []
        for check in self.checks:
            if check.fact in EVERY_TIME:
                parts.append(check)
            elif reasons := tuple(check.reasons(order)):
                parts.append(reasons)
        again = tuple(part.holds for part in parts if not isinstance(part, tuple))
        only = tuple(reason for part in parts if isinstance(part, tuple) for reason in part)
        return Said(tuple(parts), only, again)


def fields_of(fact: Fact | None) -> tuple[str, ...]:
    """The fields of an order on which a check about a fact depends, but its amount and day."""
    if fact is None or fact in EVERY_TIME:
        return ()
    if fact is CURRENCY:
        return ("amount.currency",)
    # An area lies in a country.
    return (fact.field, COUNTRY.field) if fact is POSTCODE else (fact.field,)


def values_of(fields: set[str]) -> Callable[[Order], Any]:
    """Tells what reads the values of some fields of an order, as one thing that can be compared."""
    return attrgetter(*sorted(fields)) if fields else _nothing


def _nothing(_: Order) -> None:
    """The values of no field."""
