"""What a plan costs in a month, as a function of the month's volume, at the shop's own mix of orders.

Between two ends of bands of volume the mix pays a rate: a part of it on the whole volume, and, where rates are
graduated, a part on what lies in each band. The monthly charge comes on top and does not count towards the minimum.

Source: own design; break-even volume = (M2 - M1) / (r1 - r2) for two plans whose fees are linear.

>>> free = plan_curve([Step(Fraction(0), Fraction("0.012"), ZERO)], ZERO, ZERO)
>>> paid = plan_curve([Step(Fraction(0), Fraction("0.009"), ZERO)], Fraction(29), ZERO)
>>> from monedero.core.curve.crossings import crossings
>>> [crossing.at for crossing in crossings(free, paid)]
[Fraction(29000, 3)]
>>> plan_curve([], ZERO, ZERO)
Curve(pieces=())
"""

from collections.abc import Iterable, Sequence
from fractions import Fraction
from typing import NamedTuple

from monedero.core.curve.pieces import Curve, Piece, joined

ZERO = Fraction(0)


class Step(NamedTuple):
    """From a volume on: the rate on the whole volume, and the graduated one on what lies over `from_`."""

    from_: Fraction
    whole: Fraction
    graduated: Fraction


def plan_curve(steps: Sequence[Step], monthly: Fraction, minimum: Fraction) -> Curve:
    """The month's cost for every volume; `minimum` is what the fees of a month come to at the least."""
    return joined(_pieces(steps, monthly, minimum))


def _pieces(steps: Sequence[Step], monthly: Fraction, minimum: Fraction) -> Iterable[Piece]:
    climbed = ZERO
    ends = [*(step.from_ for step in steps[1:]), None]
    for step, below in zip(steps, ends, strict=False):
        fees = Piece(step.from_, below, step.whole + step.graduated, climbed - step.graduated * step.from_)
        for piece in _at_least(fees, minimum):
            yield Piece(piece.from_, piece.below, piece.slope, piece.intercept + monthly)
        if below is not None:
            climbed += step.graduated * (below - step.from_)


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
