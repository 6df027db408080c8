"""The value of a figure at which two sets leave the same.

The difference is a straight line in the figure as long as no fees lack of a minimum and no volume reaches the end of a
band: then the value is exact. Elsewhere it is found between two values that are closed in on, by the straight line
between them or, where that moves one end only, by their middle; to a ten-thousandth of the way.

Source: own design; false position with halving, as in Dowell and Jarratt, BIT 11, 1971 (from memory).

>>> meets(lambda at: 3 - 2 * at, Fraction(4)), meets(lambda at: Fraction(1), Fraction(4))
(Fraction(3, 2), None)
>>> meets(lambda at: 2 - at * at, Fraction(4))
Fraction(884, 625)
"""

from collections.abc import Callable
from fractions import Fraction

PARTS = 10_000


def meets(less: Callable[[Fraction], Fraction], end: Fraction) -> Fraction | None:
    """The place at which a falling difference comes to nothing; None where it is above nothing at the end."""
    above = less(Fraction(0))
    if above <= 0:
        return Fraction(0)
    below = less(end)
    if below > 0:
        return None
    at = end * above / (above - below)
    if not less(at):
        return at
    low, high, same = 0, PARTS, 0
    while high - low > 1:
        straight = low + int((high - low) * above / (above - below))
        guess = (low + high) // 2 if abs(same) > 1 else min(max(straight, low + 1), high - 1)
        value = less(end * guess / PARTS)
        if value > 0:
            low, above, same = guess, value, max(same, 0) + 1
        else:
            high, below, same = guess, value, min(same, 0) - 1
    return end * Fraction(high, PARTS)
