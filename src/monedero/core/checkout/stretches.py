"""Tells which tenders are offered at every amount, for an order in all but its amount: stretches on which nothing
changes.

The amounts are cut at every limit of a tender or a method; one order is asked in each stretch, which answers for all of
it, since no other check is about the amount.

Source: own design.

>>> from datetime import date
>>> from monedero.core.checkout.decision import Setting
>>> from monedero.core.checkout.model import Tender
>>> from monedero.core.account import Mode
>>> from monedero.core.fx import ReferenceRates
>>> from monedero.core.method import Method
>>> traits = Method(id="cash", name="Cash", family="cash", buyer="Pays.", recurring=True, own=True)
>>> cash = Tender(id="cash", method="cash", on=True, name="Cash", windows=[{"up_to": "150.00 EUR"}])
>>> class NoTable:
...     days: list[date] = []
>>> decision = Decision([cash], Setting("PT", "EUR", Mode.TEST, {"cash": traits}, {}, ReferenceRates(NoTable())))
>>> order = Order(Money(4200, "EUR"), "PT", date(2026, 11, 27))
>>> for stretch in stretches(decision, order):
...     print(stretch.from_, stretch.below, [tender.id for tender in stretch.tenders])
0.01 EUR 150.01 EUR ['cash']
150.01 EUR None []
"""

from datetime import date
from typing import NamedTuple

from monedero.core.checkout.checks import ENDLESS, Within
from monedero.core.checkout.decision import Decision
from monedero.core.checkout.model import Tender
from monedero.core.money import Money
from monedero.core.order.model import Order


class Stretch(NamedTuple):
    """Amounts from one on (inclusive) and below another (None: without an end), with the tenders offered there."""

    from_: Money
    below: Money | None
    tenders: list[Tender]


def begins_of(decision: Decision, currency: str, day: date) -> set[int]:
    """The amounts above zero at which what a decision says may change, in minor units of a currency on a day."""
    begins = {1}
    for _, sifted in decision.tenders:
        for check in sifted.checks:
            if isinstance(check, Within):
                low, high = check.ends(currency, day)
                begins |= {low, high + 1}
    return {begin for begin in begins if 0 < begin < ENDLESS}


def stretches(decision: Decision, order: Order) -> list[Stretch]:
    """Every stretch above zero, in the order's currency on its day; neighbours differ in what is offered."""
    currency, day = order.amount.currency, order.placed_on
    found: list[Stretch] = []
    for minor in sorted(begins_of(decision, currency, day)):
        at = Money(minor, currency)
        tenders = decision.offered(order.on(at, day))
        if found and found[-1].tenders == tenders:
            continue
        if found:
            found[-1] = found[-1]._replace(below=at)
        found.append(Stretch(at, None, tenders))
    return found
