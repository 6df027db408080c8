"""The orders of a month that find no way that they take, with the ways that are on in the draft.

Limits and conditions of the checkout are left aside: a way carries what its method and its prices carry.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from fractions import Fraction
from typing import NamedTuple

from monedero.core.best_set.month import Chosen, month_of
from monedero.core.buyers.typed import kinds_of
from monedero.core.columns.level import ZERO
from monedero.core.method import Family
from monedero.work.context import Context
from monedero.work.month.buyers import buyers_of
from monedero.work.month.demand import demand_of
from monedero.work.month.stands import ways_of_checkout
from monedero.work.prices.inputs import CompareInputs, inputs_of

MOST = 6


class LostWhere(NamedTuple):
    """Orders of a country whose buyers would pay by a family first, and find no way that they take."""

    country: str
    family: Family
    orders: Fraction


@dataclass(frozen=True)
class LostOrders:
    """The orders lost and the money left in a month; None where nothing is on, or a margin is not known."""

    currency: str
    countries: Sequence[str]
    orders: Fraction
    lost: Fraction | None
    lost_margin: Fraction | None
    left: Fraction | None
    where: Sequence[LostWhere]


def lost_orders(context: Context, day: date) -> LostOrders:
    """The orders that find no way that they take, the most first."""
    inputs, demand = inputs_of(context), demand_of(context, day)
    countries = sorted({entry.country for entry in demand.classes})
    orders = demand.every.orders + demand.unbrought
    chosen = ways_of_checkout(context, demand)
    if not chosen.ways:
        return LostOrders(inputs.shop.currency, countries, orders, None, None, None, [])
    month = month_of(demand, chosen)
    where = sorted(_where(inputs, countries, context, day, chosen), key=lambda entry: -entry.orders)
    return LostOrders(
        inputs.shop.currency, countries, orders, month.lost, month.lost_margin, month.left, where[:MOST]
    )


def _where(
    inputs: CompareInputs, countries: Sequence[str], context: Context, day: date, chosen: Chosen
) -> list[LostWhere]:
    """By country and first family; a kind is lost where none of its families has a way that carries the orders."""
    demand = demand_of(context, day)
    methods = {way.method: inputs.methods[way.method].family for way in chosen.ways}
    by_route = {way.route: methods[way.method] for way in chosen.ways}
    found: dict[tuple[str, Family], Fraction] = {}
    for entry in demand.classes:
        carried = {by_route[at.route] for at in entry.fees if at.route in by_route}
        for kind in kinds_of(buyers_of(inputs, entry.country).families):
            if carried.isdisjoint(kind.families):
                key = (entry.country, kind.families[0])
                found[key] = found.get(key, ZERO) + kind.share * entry.orders
    return [LostWhere(*key, orders) for key, orders in found.items() if key[0] in countries]
