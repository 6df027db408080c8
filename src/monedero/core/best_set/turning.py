"""The nearest value of a figure at which another set is best: a price, a margin, a share of buyers.

A figure moves from what it is, 0, to an end. The best set is asked for at the end; where it is another one, the value
at which both leave the same is worked out, and the best set is asked for there, until no set leaves more than the
first one does. What a set leaves is a straight line in the figure as long as no fees lack of a minimum and no volume
reaches the end of a band: then the value is exact. Elsewhere it is found to a ten-thousandth of the way.

Source: own design; Newton's method for parametric programmes, as in Dinkelbach, Management Science 13(7), 1967.

>>> turning(lambda at: Demand([], [], {}, [], {}), Chosen((), ()), Limits(), Fraction(1)) is None
True
"""

from collections.abc import Callable
from dataclasses import replace
from fractions import Fraction
from typing import NamedTuple

from monedero.core.best_set.best import best_set
from monedero.core.best_set.demand import Demand
from monedero.core.best_set.meeting import meets
from monedero.core.best_set.month import Chosen, SetMonth, month_of
from monedero.core.best_set.programme import Limits
from monedero.core.columns.level import ZERO
from monedero.core.columns.order_class import Fees, OrderClass

Moved = Callable[[Fraction], Demand]
"""The month where a figure has moved so far."""


class Turning(NamedTuple):
    """How far a figure must move for another set to be best, and that set there."""

    at: Fraction
    month: SetMonth


def turning(moved: Moved, chosen: Chosen, limits: Limits, end: Fraction) -> Turning | None:
    """The nearest value up to an end at which another set leaves as much as the one that is best now.

    None where there is none, and where margins are not known.
    """
    if not end or not moved(ZERO).knows_margins:
        return None
    at, seen = end, set[Chosen]()
    found: Turning | None = None
    while True:
        demand = moved(at)
        best = best_set(demand, limits)
        if best is None or _left(best.month) <= _left(month_of(demand, chosen)) or best.month.chosen in seen:
            return found
        other = best.month.chosen
        seen.add(other)

        def less(there: Fraction, other: Chosen = other) -> Fraction:
            here = moved(there)
            return _left(month_of(here, chosen)) - _left(month_of(here, other))

        # The other set leaves more here, so that there is such a place.
        at = meets(less, at) or ZERO
        found = Turning(at, month_of(moved(at), other))


def _left(month: SetMonth) -> Fraction:
    return month.left if month.left is not None else ZERO


class Price(NamedTuple):
    """How much less a plan takes: a share of the amount and a fixed amount of each order, and of its monthly charge."""

    percent: Fraction = ZERO
    fixed: Fraction = ZERO
    monthly: Fraction = ZERO


def at_price(demand: Demand, plan: str, less: Price) -> Demand:
    """The month where a plan takes less of every order that it carries, or (below nothing) more."""
    entry = demand.plans[plan]
    routes = set(entry.plan.routes)
    charged = entry._replace(plan=replace(entry.plan, monthly=entry.plan.monthly - less.monthly))
    plans = {**demand.plans, plan: charged}
    if not less.percent and not less.fixed:
        return replace(demand, plans=plans)
    return _with_classes(replace(demand, plans=plans), lambda of_class: _cheaper(of_class, routes, less))


def at_margin(demand: Demand, more: Fraction) -> Demand:
    """The month where every order leaves a share of its amount more, or (below nothing) less, before its cost."""

    def moved(entry: OrderClass) -> OrderClass:
        return replace(entry, margin=None if entry.margin is None else entry.margin + more * entry.amount)

    return _with_classes(demand, moved)


def _with_classes(demand: Demand, moved: Callable[[OrderClass], OrderClass]) -> Demand:
    made = {id(of_class): moved(of_class) for of_class in demand.classes}
    cells = [
        replace(cell, parts=[(share, made[id(of_class)]) for share, of_class in cell.parts])
        for cell in demand.cells
    ]
    return replace(demand, classes=list(made.values()), cells=cells)


def _cheaper(entry: OrderClass, routes: set[str], less: Price) -> OrderClass:
    percent = less.percent * entry.amount
    fees = {
        at: Fees(paid.fees - percent - less.fixed * entry.orders, paid.returned and paid.returned - percent)
        if at.route in routes
        else paid
        for at, paid in entry.fees.items()
    }
    return replace(entry, fees=fees)


def prices(demand: Demand, plan: str) -> tuple[Price, Price]:
    """The least and the most that a plan takes of an order: as a share of its amount, and of each; with its monthly
    charge.

    A plan that took more than the least less would pay for some orders.
    """
    entry = demand.plans[plan]
    routes = set(entry.plan.routes)
    taken = [(of, paid.fees) for of in demand.classes for at, paid in of.fees.items() if at.route in routes]
    shares = [fees / of.amount for of, fees in taken if of.amount] or [ZERO]
    each = [fees / of.orders for of, fees in taken if of.orders] or [ZERO]
    charge = entry.plan.monthly
    return Price(max(min(shares), ZERO), max(min(each), ZERO), charge), Price(max(shares), max(each), charge)
