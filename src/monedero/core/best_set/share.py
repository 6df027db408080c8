"""From which share of buyers on a way pays for itself: buyers who would take it alone, and else leave.

If such buyers are a share s of all, the others are 1 - s of what they are now. What is left with the way and without it
are then straight lines in s, as long as prices do not depend on the volume and no fees lack of a minimum: the share is
exact. Elsewhere it is found to a hundredth of a percent.

Source: own design.

>>> meeting(Fraction(-5), Fraction(95))
Fraction(1, 20)
>>> meeting(Fraction(-5), Fraction(-1)) is None, meeting(Fraction(3), Fraction(9))
(True, Fraction(0, 1))
"""

from dataclasses import replace
from fractions import Fraction

from monedero.core.best_set.demand import NO_ORDERS, Cell, Demand, Way
from monedero.core.best_set.meeting import meets
from monedero.core.best_set.month import Chosen, SetMonth, month_of
from monedero.core.columns.level import ZERO
from monedero.core.columns.order_class import At, Fees

MOST_CELLS = 250
"""With more cells that would take too long, and no share is told."""


def meeting(at_none: Fraction, at_all: Fraction) -> Fraction | None:
    """The share at which a line crosses zero, from its values at no buyers and at all; None if it stays below."""
    if at_none >= 0:
        return ZERO
    return -at_none / (at_all - at_none) if at_all > 0 else None


def pays_from(demand: Demand, alone: SetMonth, with_it: SetMonth, way: Way) -> Fraction | None:
    """The share from which on a set leaves more with a way than without it."""
    if not demand.knows_margins or alone.left is None or with_it.left is None:
        return None
    plans = [demand.plans[name] for name in with_it.chosen.plans]
    if any(entry.card.by_volume or entry.plan.minimum for entry in plans):
        return _searched(demand, alone.chosen, with_it.chosen, way) if len(demand.cells) <= MOST_CELLS else None
    charge = with_it.monthly - alone.monthly
    orders, fees = NO_ORDERS, Fees(ZERO, ZERO)
    level = None if way.plan is None else demand.flat[demand.plans[way.plan].plan.provider]
    for entry in demand.classes:
        held = entry.fees.get(At(way.route, level))
        if held is not None:
            orders = orders.plus(type(orders)(entry.orders, entry.amount, entry.margin))
            fees = Fees(fees.fees + held.fees, fees.returned + held.returned)
    # Without the way these buyers leave, so that with it the shop also saves the cost of their lost orders.
    all_of_them = demand.terms[way.route].value(orders, fees) + demand.lost_order * orders.orders - charge
    return meeting(with_it.left - alone.left, all_of_them)


def _searched(demand: Demand, alone: Chosen, with_it: Chosen, way: Way) -> Fraction | None:
    """The share at which the set with the way leaves as much as without it."""

    def less(share: Fraction) -> Fraction:
        others = with_insisting(demand, way, share)
        return (month_of(others, alone).left or ZERO) - (month_of(others, with_it).left or ZERO)

    return meets(less, Fraction(1))


def with_insisting(demand: Demand, way: Way, share: Fraction) -> Demand:
    """The demand in which a share of all buyers takes the method of a way alone, and the others are so many fewer."""
    fewer = [
        Cell(cell.methods, [(part * (1 - share), entry) for part, entry in cell.parts]) for cell in demand.cells
    ]
    insisting = [Cell((way.method,), [(share, entry)]) for entry in demand.classes]
    return replace(demand, cells=[*fewer, *insisting])
