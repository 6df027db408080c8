"""A month as an owner types it, from the amounts of past orders: how many orders, and low, usual and high amount.

Low, usual and high stand for a quarter, a half and a quarter of the orders: each is the mean of its own part of the
sorted amounts, so that together they come to what the orders came to, however skewed they are. The amounts are whole
minor units; the number of orders takes up what that leaves, with two decimals where they are enough.

Source: own design.

>>> typed_month([100, 100, 100, 900], 1, Fraction(1, 2))
TypedMonth(orders=Decimal('4'), amounts=(100, 100, 900))
>>> skewed = typed_month([1001, 1102, 1250, 99_999, 1002, 1333, 4000], 3, Fraction(1, 2))
>>> skewed
TypedMonth(orders=Decimal('2.33334'), amounts=(1001, 1410, 58857))
>>> float(skewed.comes_to()), float(Fraction(1001 + 1102 + 1250 + 99_999 + 1002 + 1333 + 4000, 3))
(36562.27113, 36562.333333333336)
"""

from collections.abc import Sequence
from decimal import Decimal
from fractions import Fraction
from itertools import accumulate, count
from typing import NamedTuple

from monedero.core.money import round_half_up

DECIMALS = 2


class TypedMonth(NamedTuple):
    """The orders of a month, and their low, usual and high amount in minor units."""

    orders: Decimal
    amounts: tuple[int, int, int]

    def comes_to(self) -> Fraction:
        """The turnover of the month in minor units."""
        low, usual, high = self.amounts
        return Fraction(self.orders) * (low + 2 * usual + high) / 4


def typed_month(amounts: Sequence[int], months: int, near: Fraction) -> TypedMonth:
    """A month of some orders over some months; its turnover lies within `near` of theirs. Amounts are above zero."""
    sums = list(accumulate(sorted(amounts), initial=0))
    total = len(amounts)

    def up_to(share: Fraction) -> Fraction:
        """The sum of a share of the sorted amounts, the last of them in part."""
        whole, part = divmod(share * total, 1)
        return sums[whole] + part * (sums[min(whole + 1, total)] - sums[whole])

    quarter, most = Fraction(1, 4), Fraction(3, 4)
    low = up_to(quarter) / (total * quarter)
    usual = (up_to(most) - up_to(quarter)) / (total * Fraction(1, 2))
    high = (sums[-1] - up_to(most)) / (total * quarter)
    points = (_nearest(low), _nearest(usual), _nearest(high))
    turnover = Fraction(sums[-1], months)
    plain = TypedMonth(_decimal(Fraction(total, months), DECIMALS), points)
    if abs(plain.comes_to() - turnover) <= near:
        return plain
    orders = turnover * 4 / (points[0] + 2 * points[1] + points[2])
    tried = (TypedMonth(_decimal(orders, decimals), points) for decimals in count(DECIMALS))
    return next(month for month in tried if abs(month.comes_to() - turnover) <= near)


def _decimal(value: Fraction, decimals: int) -> Decimal:
    """A value rounded half up to some decimals, without zeros at its end."""
    rounded = Decimal(_nearest(value * 10**decimals)).scaleb(-decimals).normalize()
    return rounded.quantize(Decimal(1)) if rounded == rounded.to_integral_value() else rounded


def _nearest(value: Fraction) -> int:
    return round_half_up(value.numerator, value.denominator)
