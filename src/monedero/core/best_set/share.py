"""From which share of buyers on a way pays for itself: buyers who would take it alone, and else leave.

If such buyers are a share s of all, the others are 1 - s of what they are now. What is left with the way and without it
are then straight lines in s, as long as prices do not depend on the volume and no fees lack of a minimum; where they
do, no share is told.

Source: own design.

>>> meeting(Fraction(-5), Fraction(95))
Fraction(1, 20)
>>> meeting(Fraction(-5), Fraction(-1)) is None, meeting(Fraction(3), Fraction(9))
(True, Fraction(0, 1))
"""

from fractions import Fraction

from monedero.core.best_set.demand import NO_ORDERS, Demand, Way
from monedero.core.best_set.month import SetMonth
from monedero.core.columns.classes import At, Fees
from monedero.core.columns.level import ZERO


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
        return None
    charge = with_it.monthly - alone.monthly
    orders, fees = NO_ORDERS, Fees(ZERO, ZERO)
    level = None if way.plan is None else demand.flat[demand.plans[way.plan].plan.provider]
    for entry in demand.classes:
        held = entry.fees.get(At(way.route, level))
        if held is not None:
            orders = orders.plus(type(orders)(entry.orders, entry.amount, entry.margin))
            fees = Fees(fees.fees + held.fees, fees.returned + held.returned)
    # Whoever insists on the way leaves without it: what they would cost as lost orders is won besides.
    all_of_them = demand.terms[way.route].value(orders, fees) + demand.lost_order * orders.orders - charge
    return meeting(with_it.left - alone.left, all_of_them)
