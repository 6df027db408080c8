"""Readings of a curve at many amounts, rounded half up, for drawing and for reading off.

Amounts lie evenly on a logarithmic scale: each is a fixed power apart from the next, rounded to the minor unit.

Source: own design.

>>> scale(500, 500_000, 4)
[500, 5000, 50000, 500000]
>>> from monedero.core.curve.pieces import Piece
>>> card = Curve((Piece(Fraction(0), Fraction(50), Fraction(14, 1000), Fraction(1, 4)),))
>>> readings(card, [8500, 500], 100, 4)
[None, 3200]
>>> scale(500, 500, 4)
Traceback (most recent call last):
...
ValueError: a scale from 500 to 500 is empty
"""

from collections.abc import Sequence
from decimal import Decimal
from fractions import Fraction

from monedero.core.curve.pieces import Curve
from monedero.core.money import round_half_up


def scale(low: int, high: int, count: int) -> list[int]:
    """`count` minor amounts from `low` to `high`, evenly on a logarithmic scale, each once."""
    if not 0 < low < high:
        raise ValueError(f"a scale from {low} to {high} is empty")
    step = (Decimal(high) / Decimal(low)) ** (Decimal(1) / Decimal(count - 1))
    amounts = [int((Decimal(low) * step**place).to_integral_value()) for place in range(count)]
    return sorted({*amounts[:-1], high})


def round_amounts(low: int, high: int) -> list[int]:
    """The amounts of one figure, 1, 2 or 5, from `low` to `high`.

    >>> round_amounts(500, 5000)
    [500, 1000, 2000, 5000]
    """
    powers = [10**place for place in range(len(str(high)))]
    return [figure * power for power in powers for figure in (1, 2, 5) if low <= figure * power <= high]


def readings(curve: Curve, amounts: Sequence[int], units: int, digits: int) -> list[int | None]:
    """The value at each minor amount, in units of the last of `digits` decimals; None where there is no price."""
    over = 10**digits
    found: list[int | None] = []
    for minor in amounts:
        piece = curve.piece_at(Fraction(minor, units))
        if piece is None:
            found.append(None)
            continue
        slope, intercept = piece.slope, piece.intercept
        top = slope.numerator * minor * intercept.denominator + intercept.numerator * slope.denominator * units
        found.append(round_half_up(top * over, slope.denominator * intercept.denominator * units))
    return found
