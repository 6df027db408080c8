"""Orders a month that differ in their amount alone, added up between any two amounts.

What a curve costs over them is a sum over its straight pieces, so that it takes as long as the curve has pieces, not as
the month has orders.

Source: own design.

>>> sums = Sums.of({900: Fraction(1, 2), 6000: Fraction(3)})
>>> sums.between(1, None), sums.between(901, 6000)
((Fraction(7, 2), Fraction(18450, 1)), (Fraction(0, 1), Fraction(0, 1)))
>>> flat = Curve((Piece(Fraction(0), None, Fraction(1, 100), Fraction(1, 4)),))
>>> cost_of(sums, flat, "EUR", 1, None)
Fraction(68, 25)
>>> cost_of(sums, Curve(()), "EUR", 1, None) is None
True
"""

from bisect import bisect_left
from collections import defaultdict
from collections.abc import Mapping, Sequence
from fractions import Fraction
from itertools import accumulate
from math import ceil, lcm

from monedero.core.curve.pieces import Curve, Piece
from monedero.core.money import minor_units


class Sums:
    """How many orders there are of some amounts in minor units, and what those come to.

    `weights` says how many there are of each amount, in parts of which `over` are one order a month.
    """

    def __init__(self, weights: Mapping[int, int], over: int) -> None:
        """The weights, and the number of parts that are one order."""
        self.weights, self.over = weights, over
        rising = sorted(weights.items())
        self._minors = [minor for minor, _ in rising]
        self._orders = list(accumulate((weight for _, weight in rising), initial=0))
        self._come_to = list(accumulate((minor * weight for minor, weight in rising), initial=0))

    @classmethod
    def of(cls, amounts: Mapping[int, Fraction]) -> "Sums":
        """Sums of orders of which `amounts` says how many a month are of each amount."""
        over = lcm(*(weight.denominator for weight in amounts.values()))
        return cls(
            {minor: weight.numerator * (over // weight.denominator) for minor, weight in amounts.items()}, over
        )

    def between(self, first: int, below: int | None) -> tuple[Fraction, Fraction]:
        """The orders from an amount on and below another (None: without an end), and their minor units together."""
        start = bisect_left(self._minors, first)
        end = len(self._minors) if below is None else max(bisect_left(self._minors, below), start)
        orders, come_to = self._orders[end] - self._orders[start], self._come_to[end] - self._come_to[start]
        return Fraction(orders, self.over), Fraction(come_to, self.over)


def added_up(some: Sequence[Sums]) -> Sums:
    """The orders of some sums together.

    >>> both = added_up([Sums.of({900: Fraction(1, 2)}), Sums.of({900: Fraction(1, 3), 901: Fraction(1)})])
    >>> both.between(1, 901), both.between(1, None)
    ((Fraction(5, 6), Fraction(750, 1)), (Fraction(11, 6), Fraction(1651, 1)))
    """
    over = lcm(*(sums.over for sums in some))
    weights: dict[int, int] = defaultdict(int)
    for sums in some:
        times = over // sums.over
        for minor, weight in sums.weights.items():
            weights[minor] += weight * times
    return Sums(weights, over)


def cost_of(sums: Sums, curve: Curve, currency: str, first: int, below: int | None) -> Fraction | None:
    """The cost of the orders from an amount on and below another by a curve; None where one of them has no price.

    The curve is of amounts in whole units of `currency`; its values, and the sum, are in those of the books.
    """
    units = minor_units(currency)
    priced, cost = Fraction(0), Fraction(0)
    for piece in curve.pieces:
        start, end = _within(piece, units, first, below)
        orders, come_to = sums.between(start, end)
        priced += orders
        cost += piece.slope * come_to / units + piece.intercept * orders
    return cost if priced == sums.between(first, below)[0] else None


def _within(piece: Piece, units: int, first: int, below: int | None) -> tuple[int, int | None]:
    """The minor units of a piece that lie from an amount on and below another."""
    ends = [end for end in (below, None if piece.below is None else ceil(piece.below * units)) if end is not None]
    start = max(first, ceil(piece.from_ * units))
    return start, max(start, min(ends)) if ends else None
