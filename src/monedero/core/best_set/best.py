"""The best set of ways, proven: no other one within the limits leaves more.

The programme names a set and a bound. The set is computed exactly and left out; the programme is asked again, until its
bound says that no other set can be as good. So of sets that are equally good all are seen, and the first in sequence is
taken: fewer plans, then fewer ways, then the earlier plans, then the earlier routes. Where a month is worth less than
the programme said, since a graduated rate is bounded only, its stretch of volumes is split there. Of a large shop the
programme is asked once.

Without margins the best set carries the most orders, and of such sets it costs least.

Source: own design.

>>> best_set(Demand([], [], {}, [], {}), Limits()).month.carried
Fraction(0, 1)
"""

from fractions import Fraction
from typing import NamedTuple

from monedero.core.best_set.demand import Demand
from monedero.core.best_set.month import Chosen, SetMonth, month_of
from monedero.core.best_set.options import Aim, Options
from monedero.core.best_set.programme import Limits, Programme
from monedero.core.columns.level import ZERO

SURE = Fraction(1, 10**8)
"""The part of all that could be left by which a bound must lie below the best to be believed."""
MOST_TRIES = 400
MOST_FOR_ALL = 4000
"""Up to so many meetings of a way and a cell all sets that may be as good are seen; beyond, the programme prefers the
first in sequence, by less than a minor unit.
"""


class Best(NamedTuple):
    """The best set over the month, and a bound on what any set leaves (without margins: on minus the cost)."""

    month: SetMonth
    bound: Fraction


def best_set(demand: Demand, limits: Limits) -> Best | None:
    """The best set within the limits; None where nothing keeps them."""
    if demand.knows_margins:
        return _Search(demand, limits, Aim.LEFT, None).best()
    fullest = Programme(Options(demand, Aim.CARRIED), limits).solve()
    if fullest is None:
        return None
    return _Search(demand, limits, Aim.COST, month_of(demand, fullest.chosen).carried).best()


def rank(demand: Demand, month: SetMonth) -> tuple[object, ...]:
    """The place of a set among others: the least is the best."""
    plans, ways = month.chosen
    order = {name: number for number, name in enumerate(demand.plans)}
    routes = {way: number for number, way in enumerate(demand.ways)}
    return (
        tuple(-part for part in month.merit),
        len(plans),
        len(ways),
        tuple(order[name] for name in plans),
        tuple(routes[way] for way in ways),
    )


class _Search:
    """Asks the programme again and again, each time without the sets that were seen."""

    def __init__(self, demand: Demand, limits: Limits, aim: Aim, carried: Fraction | None) -> None:
        self._demand, self._limits, self._carried = demand, limits, carried
        self._made = Options(demand, aim)
        self._all = self._made.size <= MOST_FOR_ALL
        self._splits: dict[str, set[Fraction]] = {}
        self._seen: list[Chosen] = []
        self._programme = self._written()
        self._sure = SURE * _scale(demand) + (ZERO if self._all else self._programme.preferences)

    def _written(self) -> Programme:
        programme = Programme(self._made, self._limits, self._splits, prefers=not self._all)
        if self._carried is not None:
            programme.carry(self._carried - SURE * self._demand.every.orders)
        for chosen in self._seen:
            programme.exclude(chosen)
        return programme

    def best(self) -> Best | None:
        """The best set, and the bound that was come to."""
        best: SetMonth | None = None
        bound: Fraction | None = None
        for _ in range(MOST_TRIES):
            solved = self._programme.solve()
            bound = None if solved is None else solved.bound + (ZERO if self._all else self._programme.preferences)
            if solved is None or (best is not None and solved.bound < best.merit[-1] - self._sure):
                break
            month = month_of(self._demand, solved.chosen)
            if best is None or rank(self._demand, month) < rank(self._demand, best):
                best = month
            loose = month.merit[-1] < solved.bound - self._sure
            if not self._all and not loose:
                break
            self._leave_out(solved.chosen, month, loose=loose)
        return None if best is None else Best(best, max(best.merit[-1], bound or best.merit[-1]))

    def _leave_out(self, chosen: Chosen, month: SetMonth, *, loose: bool) -> None:
        """Leaves a set out; where its month was bounded loosely, its plans' stretches are split at their volumes."""
        self._seen.append(chosen)
        loosely = [plan for plan in month.plans if loose and self._demand.plans[plan.plan].card.by_volume]
        if all(plan.volume in self._splits.get(plan.plan, ()) for plan in loosely):
            self._programme.exclude(chosen)
            return
        for plan in loosely:
            self._splits.setdefault(plan.plan, set()).add(plan.volume)
        self._programme = self._written()


def _scale(demand: Demand) -> Fraction:
    """About the largest figure of a month."""
    every = demand.every
    margin = abs(every.margin) if every.margin is not None else every.amount
    return max(Fraction(1), margin, demand.lost_order * every.orders)
