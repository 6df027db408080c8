"""The nearest values of an assumption, and of the margins, at which another set is best than the one that is now.

What a set leaves is a straight line in each assumption, so that the values are exact.
"""

from collections.abc import Callable
from dataclasses import dataclass
from datetime import date
from fractions import Fraction
from typing import NamedTuple

from monedero.core.best_set.best import best_set
from monedero.core.best_set.demand import Demand
from monedero.core.best_set.month import Chosen, SetMonth
from monedero.core.best_set.programme import Limits
from monedero.core.best_set.turning import Moved, at_margin, turning
from monedero.core.columns.level import ZERO
from monedero.core.cost.assumed import about
from monedero.core.cost.assumption import ALL, Assumption, Unit, read, value_of
from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.figures import assumptions
from monedero.work.context import Context
from monedero.work.month.best import best_within
from monedero.work.month.demand import demand_of, with_terms
from monedero.work.month.terms import COMPLETION
from monedero.work.prices.inputs import CompareInputs, inputs_of

MARGIN = "margin"
"""Stands beside the assumptions: the margin of all lines, which is typed at each line."""
ONE = Fraction(1)
TIMES = 10
"""Money and minutes are looked at up to so many times what they are now, and up to `LEAST` where they are less."""
LEAST = Fraction(100)


class Asked(NamedTuple):
    """An assumption (None is the margin) and the family or method that it is about; all of the shop is `*`."""

    assumption: Assumption | None
    about: str

    @property
    def id(self) -> str:
        """The id of the assumption; the margin has one of its own."""
        return self.assumption.id if self.assumption else MARGIN


class ValueTurn(NamedTuple):
    """A value at which another set is best, and that set there."""

    value: Fraction
    month: SetMonth


@dataclass(frozen=True)
class AssumptionTurns:
    """The value of an assumption now, from where to where it was moved, and the nearest lower and higher value at
    which another set is best.

    Shares are of one, money is in whole units of the shop's currency, yes is 1 and no is 0. Of the margin `now` is the
    mean of the month's orders, and all lines move by as many points.
    """

    asked: Asked
    now: Fraction
    least: Fraction
    most: Fraction
    chosen: Chosen
    lower: ValueTurn | None
    higher: ValueTurn | None


def askable(inputs: CompareInputs, demand: Demand) -> list[Asked]:
    """Every assumption about a way that can be had in the month, and the margin."""
    methods = [inputs.methods[name] for name in dict.fromkeys(way.method for way in demand.ways)]
    found = [Asked(None, ALL)]
    for assumption in assumptions.every().values():
        found += [Asked(assumption, where) for where in dict.fromkeys(about(assumption, held) for held in methods)]
    return found


def assumption_turns(context: Context, day: date, limits: Limits, name: str, where: str) -> AssumptionTurns | None:
    """The nearest values of an assumption at which another set is best; None where no set keeps the limits."""
    inputs, demand = inputs_of(context), demand_of(context, day)
    entries = (entry for entry in askable(inputs, demand) if (entry.id, entry.about) == (name, where))
    asked = next(entries, None)
    if asked is None:
        raise NotFound(Fault(FaultCode.ASSUMPTION_UNKNOWN, "assumption", f"{name} {where}"))
    best = best_within(context, day, limits)
    if best is None:
        return None
    return _Turns(inputs, demand, day, limits, best.month.chosen).of(asked)


@dataclass(frozen=True)
class _Turns:
    inputs: CompareInputs
    demand: Demand
    day: date
    limits: Limits
    chosen: Chosen

    def of(self, asked: Asked) -> AssumptionTurns:
        if asked.assumption is None:
            every = self.demand.every
            now = every.margin / every.amount if every.margin is not None and every.amount else ZERO
            return self._found(asked, now, (now - ONE, ONE), lambda value: at_margin(self.demand, value - now))
        now = self._now(asked.assumption, asked.about)
        moved = self._moved(asked.assumption, asked.about)
        if asked.assumption.unit is Unit.YES_NO:
            return self._other(asked, now, moved)
        most = ONE if asked.assumption.unit is Unit.PERCENT else max(TIMES * now, LEAST)
        return self._found(asked, now, (ZERO, most), moved)

    def _now(self, assumption: Assumption, where: str) -> Fraction:
        text = value_of(assumption, where, self.inputs.chosen)
        if assumption.id == COMPLETION:
            # A month's orders were finished, but for what the owner typed.
            text = self.inputs.chosen.get((assumption.id, where), "100")
        return ZERO if text is None else read(assumption, text)

    def _moved(self, assumption: Assumption, where: str) -> Callable[[Fraction], Demand]:
        def demand_at(value: Fraction) -> Demand:
            held = {(assumption.id, where): value}
            return with_terms(self.inputs, self.demand, self.day, lambda of, at: held.get((of.id, at)))

        return demand_at

    def _found(
        self, asked: Asked, now: Fraction, ends: tuple[Fraction, Fraction], demand_at: Callable[[Fraction], Demand]
    ) -> AssumptionTurns:
        def turn(sign: int) -> ValueTurn | None:
            def moved(at: Fraction) -> Demand:
                return demand_at(now + sign * at)

            return self._turn(moved, now, sign, ends)

        return AssumptionTurns(asked, now, *ends, self.chosen, turn(-1), turn(1))

    def _turn(self, moved: Moved, now: Fraction, sign: int, ends: tuple[Fraction, Fraction]) -> ValueTurn | None:
        end = abs(ends[sign > 0] - now)
        found = turning(moved, self.chosen, self.limits, end)
        return ValueTurn(now + sign * found.at, found.month) if found else None

    def _other(self, asked: Asked, now: Fraction, demand_at: Callable[[Fraction], Demand]) -> AssumptionTurns:
        """The set at the other one of yes and no."""
        best = best_set(demand_at(ONE - now), self.limits)
        other = None
        if best is not None and best.month.chosen != self.chosen:
            other = ValueTurn(ONE - now, best.month)
        lower, higher = (None, other) if now == ZERO else (other, None)
        return AssumptionTurns(asked, now, ZERO, ONE, self.chosen, lower, higher)
