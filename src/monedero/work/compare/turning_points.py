"""From which value of an assumption another method would come first in a ranking, all else as it is.

Routes of the method that comes first do not count as others: between them much the same is assumed. A cost is a
straight line in every one of the assumptions, so two values of it tell the line. Going away from the value of now,
the first place passes from route to route; the turning point is where it passes to another method.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from fractions import Fraction

from monedero.core.cost.all_in import all_in
from monedero.core.cost.assumed import about
from monedero.core.cost.assumption import Assumption, Unit, read, value_of
from monedero.core.cost.turn import turn_of
from monedero.core.ratecard.linear import Linear
from monedero.figures import assumptions
from monedero.work.compare.ranking import Comparison, RankedRoute
from monedero.work.prices.other_costs import Changed, RouteOnDay, other_costs_of
from monedero.work.shop.delivered import way_of

ONE = Fraction(1)


@dataclass(frozen=True, slots=True)
class Turning:
    """An assumption, what it is about, its value now, from which value on another method comes first, and which."""

    assumption: Assumption
    about: str
    now: Fraction
    turns_at: Fraction
    rival: RankedRoute


def turnings(comparison: Comparison) -> list[Turning]:
    """Every assumption that could let another method come first, from the nearest turn."""
    found = list(_turnings(comparison)) if comparison.ranked else []
    return sorted(found, key=lambda turning: abs(turning.turns_at - turning.now) / (turning.now or 1))


def _turnings(comparison: Comparison) -> Iterable[Turning]:
    for assumption in assumptions.every().values():
        methods = [entry.candidate.method for entry in comparison.ranked]
        for where in dict.fromkeys(about(assumption, method) for method in methods):
            text = value_of(assumption, where, comparison.inputs.chosen)
            if text is None or assumption.unit is Unit.YES_NO:
                continue
            now = read(assumption, text)
            lines = [_line(comparison, entry, (assumption, where), now) for entry in comparison.ranked]
            most = ONE if assumption.unit is Unit.PERCENT else None
            turn = turn_of(lines, [method.id for method in methods], now, most)
            if turn is not None:
                at, place = turn
                yield Turning(assumption, where, now, at, comparison.ranked[place])


def _line(comparison: Comparison, entry: RankedRoute, of: tuple[Assumption, str], now: Fraction) -> Linear:
    """A route's cost, were the assumption of another value; one that is not about its method does not move it."""
    assumption, where = of
    if about(assumption, entry.candidate.method) != where:
        return Linear(Fraction(0), entry.cost)

    def cost_at(value: Fraction) -> Fraction:
        def changed(asked: Assumption, about_: str) -> Fraction | None:
            return value if (asked.id, about_) == (assumption.id, where) else None

        return _cost(comparison, entry, changed)

    slope = cost_at(now + 1) - entry.cost
    return Linear(slope, entry.cost - slope * now)


def _cost(comparison: Comparison, entry: RankedRoute, changed: Changed) -> Fraction:
    order, costs, candidate = comparison.hand.order, entry.other_costs, entry.candidate
    way = way_of(comparison.inputs.shop, comparison.hand)
    share, on = costs.monthly_share, entry.arrives_on
    carried = RouteOnDay(order.placed_on, costs.to_books, share, on, way.id if way else None, costs.buyer_fee)
    other_costs = other_costs_of(comparison.inputs, candidate.card, candidate.method, carried, changed)
    return all_in(entry.piece.fee, other_costs).total.at(order.amount.exact)
