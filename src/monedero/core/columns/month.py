"""A month of orders: a plan over it, and all orders counted.

The month of a plan is its fees at the volume that it carries, its monthly charge, and what its fees lack of its
minimum; the charge does not count towards that.

Source: own design.

>>> PlanMonth("one/a", Fraction(2), Fraction(90), Fraction(3), Fraction(5), Fraction(0)).cost
Fraction(8, 1)
"""

from dataclasses import dataclass
from fractions import Fraction
from typing import NamedTuple

import polars as pl

from monedero.core.columns.card import CardColumns
from monedero.core.columns.carried import Carried
from monedero.core.columns.level import ZERO, PlanColumns, Sum
from monedero.core.columns.orders import OrderColumns


class Alone(NamedTuple):
    """A plan on its card, and the volume that it carries where every order takes the cheapest of its routes."""

    plan: PlanColumns
    card: CardColumns
    volume: Fraction


@dataclass(frozen=True, slots=True)
class PlanMonth:
    """A plan over the month: what is carried, its fees, the monthly charge, and the shortfall to its minimum."""

    plan: str
    carried: Fraction
    amount: Fraction
    fees: Fraction
    monthly: Fraction
    shortfall: Fraction

    @property
    def cost(self) -> Fraction:
        """Fees, monthly charges and shortfalls."""
        return self.fees + self.monthly + self.shortfall


def counted(orders: OrderColumns, carried: Carried | None = None, method: str = "") -> Sum:
    """How many orders there are, and what they come to: all of them, or those that a method can carry; no fees."""
    frame = orders.frame if carried is None else orders.frame.filter(carried.columns[method])
    long = [order for order in orders.long if carried is None or order.row in carried.long[method]]
    weight = pl.col("weight")
    sums = frame.group_by("pair").agg(weight.sum(), (weight * pl.col("minor")).sum().alias("amount"))
    amounts = zip(sums["pair"].to_list(), sums["amount"].to_list(), strict=True)
    return Sum(
        Fraction(int(sums["weight"].sum()), orders.weight_over) + sum((order.weight for order in long), ZERO),
        orders.amounts.total(amounts, orders.weight_over)
        + sum((order.weight * order.amount for order in long), ZERO),
        ZERO,
        ZERO,
    )
