"""From which value of an assumption the first of a ranking would change places with its rival, all else as it is.

The rival is the first one of another method: between routes of one method the same is assumed of both.
A cost is a straight line in every one of the assumptions, so two values of it tell where the costs are the same.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from fractions import Fraction

from monedero.core.cost.all_in import all_in
from monedero.core.cost.assumed import about
from monedero.core.cost.assumption import Assumption, Unit, read, value_of
from monedero.figures import assumptions
from monedero.work.bearing import Carried, Changed, bearing_of
from monedero.work.comparing import Comparison, RankedRoute


@dataclass(frozen=True, slots=True)
class Turning:
    """An assumption, what it is about, its value now, and the value from which the second is the cheaper one."""

    assumption: Assumption
    about: str
    now: Fraction
    turns_at: Fraction


def rival(comparison: Comparison) -> RankedRoute | None:
    """The first of the ranking whose method is another one than the first's."""
    first = comparison.ranked[0].candidate.method.id if comparison.ranked else ""
    return next((entry for entry in comparison.ranked if entry.candidate.method.id != first), None)


def turnings(comparison: Comparison) -> list[Turning]:
    """Every assumption that could let the rival come before the first, from the nearest turn."""
    other = rival(comparison)
    if other is None:
        return []
    found = list(_turnings(comparison, (comparison.ranked[0], other)))
    return sorted(found, key=lambda turning: abs(turning.turns_at - turning.now) / (turning.now or 1))


def _turnings(comparison: Comparison, pair: Sequence[RankedRoute]) -> Iterable[Turning]:
    for assumption in assumptions.every().values():
        for where in dict.fromkeys(about(assumption, entry.candidate.method) for entry in pair):
            text = value_of(assumption, where, comparison.grounds.chosen)
            if text is None:
                continue
            now = read(assumption, text)
            gap = _gap(comparison, pair, assumption, where, now)
            rise = _gap(comparison, pair, assumption, where, now + 1) - gap
            if rise:
                turns_at = now - gap / rise
                if _possible(assumption, turns_at):
                    yield Turning(assumption, where, now, turns_at)


def _possible(assumption: Assumption, value: Fraction) -> bool:
    bounded = assumption.unit in (Unit.PERCENT, Unit.YES_NO)
    return value >= 0 and (not bounded or value <= 1) and assumption.unit is not Unit.YES_NO


def _gap(
    comparison: Comparison, pair: Sequence[RankedRoute], assumption: Assumption, where: str, value: Fraction
) -> Fraction:
    """What the second costs more than the first, were the assumption of this value."""

    def changed(asked: Assumption, of: str) -> Fraction | None:
        return value if (asked.id, of) == (assumption.id, where) else None

    first, second = (_cost(comparison, entry, changed) for entry in pair)
    return second - first


def _cost(comparison: Comparison, entry: RankedRoute, changed: Changed) -> Fraction:
    order, held, candidate = comparison.hand.order, entry.bearing, entry.candidate
    carried = Carried(order.placed_on, held.to_books, held.monthly_share, entry.arrives_on)
    bearing = bearing_of(comparison.grounds, candidate.card, candidate.method, carried, changed)
    return all_in(entry.piece.fee, bearing).total.at(order.amount.exact)
