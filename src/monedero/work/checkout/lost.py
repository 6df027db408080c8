"""The orders of a month that find no way to pay in a checkout, by country and by what their buyers take first."""

from collections.abc import Sequence
from fractions import Fraction
from typing import NamedTuple

from monedero.core.buyers.typed import kinds_of
from monedero.core.columns.level import ZERO
from monedero.core.method import Family
from monedero.work.checkout.offered_month import OfferedMonth
from monedero.work.month.buyers import buyers_of
from monedero.work.prices.inputs import CompareInputs


class LostWhere(NamedTuple):
    """Orders a month of a country whose buyers would pay by a family first, and find no way that they take."""

    country: str
    family: Family
    orders: Fraction


def lost_where(inputs: CompareInputs, month: OfferedMonth) -> Sequence[LostWhere]:
    """The orders that are lost, the most first.

    Buyers of a kind are lost where no tender of its families is offered for their orders and carries them.
    """
    families = {name: inputs.methods[entry.way.method].family for name, entry in month.tenders.items()}
    found: dict[tuple[str, Family], Fraction] = {}
    for entry in month.classes:
        there = {families[at.route] for at in entry.fees}
        for kind in kinds_of(buyers_of(inputs, entry.country).families):
            if there.isdisjoint(kind.families):
                key = (entry.country, kind.families[0])
                found[key] = found.get(key, ZERO) + kind.share * entry.orders
    return sorted((LostWhere(*key, orders) for key, orders in found.items()), key=lambda entry: -entry.orders)
