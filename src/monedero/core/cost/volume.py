"""Tells what a plan costs in a month, as a function of the month's volume, at the shop's own mix of orders.

All orders of the mix are scaled together, and the month is walked band by band. The monthly charge comes on top and
does not count towards the minimum. Two plans whose fees are linear cost the same at (M2 - M1) / (r1 - r2).

Source: own design.

>>> free = plan_curve([Piece(ZERO, None, Fraction("0.012"), ZERO)], ZERO, ZERO)
>>> paid = plan_curve([Piece(ZERO, None, Fraction("0.009"), ZERO)], Fraction(29), ZERO)
>>> from monedero.core.curve.crossings import crossings
>>> [crossing.at for crossing in crossings(free, paid)]
[Fraction(29000, 3)]
>>> plan_curve([], ZERO, ZERO)
Curve(pieces=())
"""

from collections.abc import Iterable
from fractions import Fraction

from monedero.core.curve.pieces import Curve, Piece, joined

ZERO = Fraction(0)


def plan_curve(fees: Iterable[Piece], monthly: Fraction, minimum: Fraction) -> Curve:
    """The month's cost for every volume; `minimum` is what the fees of a month come to at the least."""
    return joined(
        Piece(piece.from_, piece.below, piece.slope, piece.intercept + monthly)
        for part in fees
        for piece in _at_least(part, minimum)
    )


def _at_least(fees: Piece, minimum: Fraction) -> Iterable[Piece]:
    """The fees, or the minimum where they lie under it."""
    if fees.at(fees.from_) >= minimum:
        yield fees
        return
    meets = (minimum - fees.intercept) / fees.slope if fees.slope else None
    if meets is None or (fees.below is not None and meets >= fees.below):
        yield Piece(fees.from_, fees.below, ZERO, minimum)
        return
    yield Piece(fees.from_, meets, ZERO, minimum)
    yield Piece(meets, fees.below, fees.slope, fees.intercept)
