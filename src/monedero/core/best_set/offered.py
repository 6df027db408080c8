"""The month of a checkout: what its buyers choose among the tenders that are offered, with limits, conditions and fees.

The month is cut into parts within which the same tenders are offered. A class of a part is carried by the tenders that
are offered there and priced; so the month of a set is the month of the checkout, where a tender takes the place of a
route. An end of a window that keeps orders from a tender costs what would be left of those of its buyers who would
take the tender, less what is left of them now.

Source: own design.

>>> from fractions import Fraction
>>> from monedero.core.columns.order_class import Fees
>>> cash = OfTender(Way("cash", "c", None), "cash")
>>> entry = OrderClass("PT", {}, Fraction(2), Fraction(80), None, {At("cash", None): Fees(ZERO, ZERO)}, 1)
>>> offers = [Offer((), ()), Offer((), (("c", "up_to"),))]
>>> [list(found.fees) for kept in (False, True) for found in of_tenders([entry], offers, {"c": cash}, kept=kept)]
[[], [At(route='c', reached=None)]]
"""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import replace
from typing import NamedTuple

from monedero.core.best_set.demand import Cell, Way
from monedero.core.best_set.month import SettledSet
from monedero.core.buyers.ranking import Rankings
from monedero.core.checkout.limit_cost import NOTHING, LimitCost, Offer
from monedero.core.columns.level import ZERO
from monedero.core.columns.order_class import At, OrderClass


class OfTender(NamedTuple):
    """A tender as a way, whose route is the tender's id, and the route on which its orders are priced."""

    way: Way
    route: str


Tenders = Mapping[str, OfTender]
"""The tenders of a checkout that have a price in the month, by id, in sequence."""


def of_tenders(
    found: Iterable[OrderClass], offers: Sequence[Offer], tenders: Tenders, *, kept: bool
) -> Iterator[OrderClass]:
    """Classes of a month that was cut into parts, carried by the tenders that are offered in their part.

    With `kept` those stand there too that one end of a window alone keeps away.
    """
    for entry in found:
        offer = offers[entry.part]
        there = [*offer.tenders, *(tender for tender, _ in offer.kept)] if kept else offer.tenders
        by_route: dict[str, list[str]] = {}
        for tender in there:
            if tender in tenders:
                by_route.setdefault(tenders[tender].route, []).append(tender)
        fees = {
            At(tender, at.reached): paid
            for at, paid in entry.fees.items()
            for tender in by_route.get(at.route, ())
        }
        yield replace(entry, fees=fees)


def limit_costs(
    settled: SettledSet,
    found: Iterable[OrderClass],
    offers: Sequence[Offer],
    tenders: Tenders,
    rankings: Rankings,
) -> dict[tuple[str, str], LimitCost]:
    """The cost of each end of each window, by tender and end, all else as it is.

    `found` are the classes of tenders with those that are kept away; `settled` is the checkout at its volumes.
    """
    costs: dict[tuple[str, str], LimitCost] = {}
    for entry in found:
        offer = offers[entry.part]
        kept = [(tender, end) for tender, end in offer.kept if tender in tenders]
        for ranking in rankings.of(entry.country) if kept else ():
            cell = Cell(ranking.methods, [(ranking.share, entry)])
            here = _first(settled, cell, offer.tenders, tenders)
            for tender, end in kept:
                # Buyers who never pay by the method of a tender are not kept from it.
                if tenders[tender].way.method in ranking.methods:
                    there = [name for name in tenders if name == tender or name in offer.tenders]
                    cost = _cost(settled, cell, (here, _first(settled, cell, there, tenders)), tender)
                    if cost is not None:
                        costs[tender, end] = costs.get((tender, end), NOTHING).plus(cost)
    return costs


def _cost(settled: SettledSet, cell: Cell, taken: tuple[Way | None, Way | None], tender: str) -> LimitCost | None:
    """The cost for the orders of a cell, by what its buyers take with the limit and without it; None where they would
    not take the tender.
    """
    here, there = taken
    if there is None or there.route != tender:
        return None
    orders, value = cell.orders, settled.value(cell, there)
    if here is not None:
        return LimitCost(orders.orders, value - settled.value(cell, here), ZERO, ZERO)
    if orders.margin is None:
        return LimitCost(orders.orders, ZERO, orders.orders, orders.orders)
    return LimitCost(orders.orders, value + settled.demand.lost_order * orders.orders, orders.orders, ZERO)


def _first(settled: SettledSet, cell: Cell, there: Sequence[str], tenders: Tenders) -> Way | None:
    """The tender that the buyers of a cell take among some, in sequence."""
    for method in cell.methods:
        for name in there:
            way = tenders[name].way if name in tenders else None
            if way is not None and way.method == method and settled.stands(cell, way):
                return way
    return None
