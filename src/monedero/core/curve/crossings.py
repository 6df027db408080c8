"""The amounts at which two curves change places: where their lines meet, and where a jump takes one past the other.

Exact and without sampling. On each stretch where both have a price the lower one is known; a crossing is an
amount from which the other one is lower. Where two run on together, neither is lower.

Source: own design; the worked values are those of any textbook on break-even points.

>>> card = Curve((Piece(Fraction(0), None, Fraction("0.014"), Fraction("0.25")),))
>>> flat = Curve((Piece(Fraction(0), None, Fraction(0), Fraction("0.70")),))
>>> crossings(card, flat)
[Crossing(at=Fraction(225, 7), before=-1, after=1)]
>>> crossings(card, Curve(()))
[]
"""

from collections.abc import Iterable
from fractions import Fraction
from typing import NamedTuple

from monedero.core.curve.pieces import Curve, Piece


class Crossing(NamedTuple):
    """Holds which is lower before and after an amount: -1 the first, 1 the second, 0 neither."""

    at: Fraction
    before: int
    after: int


def crossings(first: Curve, second: Curve) -> list[Crossing]:
    """Every amount at which the lower of two curves changes, where both have a price."""
    found: list[Crossing] = []
    last: int | None = None
    end: Fraction | None = None
    for start, below, one, other in _shared(first, second):
        if start != end:
            last = None
        for at, sign in _signs(start, below, one, other):
            if last is not None and sign != last:
                found.append(Crossing(at, last, sign))
            last = sign
        end = below
    return found


def _shared(first: Curve, second: Curve) -> Iterable[tuple[Fraction, Fraction | None, Piece, Piece]]:
    """The stretches on which both curves have a price, with their pieces."""
    for one in first.pieces:
        for other in second.pieces:
            start = max(one.from_, other.from_)
            ends = [end for end in (one.below, other.below) if end is not None]
            below = min(ends, default=None)
            if below is None or start < below:
                yield start, below, one, other


def _signs(start: Fraction, below: Fraction | None, one: Piece, other: Piece) -> Iterable[tuple[Fraction, int]]:
    """Tells which line is lower just right of the stretch's start, and just right of where they meet on it."""
    slope, gap = one.slope - other.slope, one.at(start) - other.at(start)
    yield start, sign(gap) or sign(slope)
    if slope and gap and sign(slope) != sign(gap):
        meets = start - gap / slope
        if below is None or meets < below:
            yield meets, sign(slope)


def sign(value: Fraction) -> int:
    """-1, 0 or 1."""
    return (value > 0) - (value < 0)
