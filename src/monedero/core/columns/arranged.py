"""An arrangement of the shop's own, as columns of orders have it.

Source: own design.

>>> from fractions import Fraction
>>> Arranged("cash", pl.lit(True), frozenset(), Linear(Fraction(0), Fraction(1, 4))).method
'cash'
"""

from typing import NamedTuple

import polars as pl

from monedero.core.ratecard.linear import Linear


class Arranged(NamedTuple):
    """An arrangement of the shop's own: the method, the orders it can carry, and what one costs."""

    method: str
    columns: pl.Expr
    long: frozenset[int]
    fee: Linear
