"""Tells where along a value, the first place among straight lines passes to another method.

The lines are what routes cost as one assumption changes. Going away from the value of now, the least line changes from
route to route; as long as it is one of the same method, nothing has turned.

Source: own design.

>>> flat, rising = Linear(Fraction(0), Fraction(5)), Linear(Fraction(2), Fraction(0))
>>> turn_of([rising, flat], ["debit", "card"], Fraction(1), None)
(Fraction(5, 2), 1)
>>> turn_of([rising, Linear(Fraction(0), Fraction(4)), flat], ["card", "card", "debit"], Fraction(1), None) is None
True
"""

from collections.abc import Sequence
from fractions import Fraction

from monedero.core.ratecard.linear import Linear


def turn_of(
    lines: Sequence[Linear], methods: Sequence[str], now: Fraction, most: Fraction | None
) -> tuple[Fraction, int] | None:
    """The value nearest to `now`, from 0 to `most`, from which the least line is another method's than the first's.

    The first line is the least one at `now`; the answer is the value and the place of the line.
    """
    ways = (_way(lines, methods, now, up=up) for up in (True, False))
    found = [turn for turn in ways if turn and turn[0] >= 0 and (most is None or turn[0] <= most)]
    return min(found, key=lambda turn: abs(turn[0] - now), default=None)


def _way(
    lines: Sequence[Linear], methods: Sequence[str], now: Fraction, *, up: bool
) -> tuple[Fraction, int] | None:
    """Going up or down from a value: where the least line is another method's, and which line that is."""
    sign = 1 if up else -1
    at, first = now, 0
    while methods[first] == methods[0]:
        meets = [
            (
                sign * (line.intercept - lines[first].intercept) / (lines[first].slope - line.slope),
                sign * line.slope,
                place,
            )
            for place, line in enumerate(lines)
            if sign * line.slope < sign * lines[first].slope
        ]
        ahead = [meet for meet in meets if meet[0] >= sign * at]
        if not ahead:
            return None
        reached, _, first = min(ahead)
        at = sign * reached
    return at, first
