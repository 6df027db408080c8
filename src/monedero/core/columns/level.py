"""The orders of a month priced at one level of an account's volume, and their exact sums.

A fee in columns is in minor units of its order's own currency; what a pair of currency and day is worth in the shop's
brings its sum there, exactly. Orders have weights; sums are of all orders by their weights.

Source: own design.

>>> two = Sum(Fraction(2), Fraction(50), Fraction(1), ZERO)
>>> two.plus(two.times(Fraction(1, 2))).amount
Fraction(75, 1)
"""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction
from typing import NamedTuple

import polars as pl

from monedero.core.columns.exact import Adder
from monedero.core.columns.orders import LongOrder, OrderColumns

ZERO = Fraction(0)
KEYS = ("row", "pair", "weight", "minor")


@dataclass(frozen=True, slots=True)
class PlanColumns:
    """One plan of a provider with its routes' columns; charges of a month in whole units of the shop's currency."""

    id: str
    provider: str
    routes: tuple[str, ...]
    monthly: Fraction
    minimum: Fraction


class Sum(NamedTuple):
    """The sum of some orders: how many, what they come to, their fees, what of a fee a refund returns."""

    orders: Fraction
    amount: Fraction
    fees: Fraction
    returned: Fraction

    def plus(self, other: "Sum") -> "Sum":
        """The orders of both."""
        return Sum(*(one + two for one, two in zip(self, other, strict=True)))

    def times(self, factor: Fraction) -> "Sum":
        """A share of the orders, or so many times as many."""
        return Sum(*(part * factor for part in self))


NOTHING = Sum(ZERO, ZERO, ZERO, ZERO)


class LongFee(NamedTuple):
    """An order that the exact core has priced: by route its fee and what of it may return, in the shop's currency."""

    order: LongOrder
    fees: Mapping[str, tuple[Fraction, Fraction]]

    def sum_of(self, routes: Sequence[str]) -> Sum:
        """The order on the cheapest of some routes; nothing where none of them carries it."""
        held = min((self.fees[route] for route in routes if route in self.fees), default=None)
        if held is None:
            return NOTHING
        return Sum(Fraction(1), self.order.amount, *held).times(self.order.weight)


class Level:
    """Priced orders: the sums of every route, and of every plan with each order on its cheapest route."""

    def __init__(
        self,
        orders: OrderColumns,
        percent_over: int,
        frame: pl.DataFrame,
        long: Sequence[LongFee],
        plans: Sequence[PlanColumns],
    ) -> None:
        """`frame` has a row an order with its pair, weight and amount, and a column a route."""
        self._orders, self._over, self.long = orders, percent_over, long
        self._routes = {plan.id: plan.routes for plan in plans}
        held = {plan.id: [name for name in plan.routes if name in frame.columns] for plan in plans}
        frame = frame.with_columns(
            pl.min_horizontal(names).alias(plan) if names else pl.lit(None, dtype=pl.Int128).alias(plan)
            for plan, names in held.items()
        )
        routes = [name for names in held.values() for name in names]
        self._sums = frame.group_by("pair").agg(
            *(part for name in [*routes, *held] for part in _parts(name, frame.columns))
        )
        self._kept: dict[str, Sum] = {}

    def of(self, name: str) -> Sum:
        """The orders that a route or a plan carries; those of a plan each on its cheapest route."""
        if name not in self._kept:
            self._kept[name] = self._total(name, self._sums, self.long)
        return self._kept[name]

    def _total(self, name: str, sums: pl.DataFrame, long: Iterable[LongFee]) -> Sum:
        orders, weights = self._orders, self._orders.weight_over
        pairs = sums["pair"].to_list()

        def total(part: str, adder: Adder, over: int) -> Fraction:
            column = f"{name}|{part}"
            if column not in sums.columns:
                return ZERO
            return adder.total(zip(pairs, sums[column].to_list(), strict=True), over * weights)

        count = int(sums[f"{name}|orders"].sum()) if f"{name}|orders" in sums.columns else 0
        found = Sum(
            orders=Fraction(count, weights),
            amount=total("amount", orders.amounts, 1),
            fees=total("fees", orders.fees, self._over),
            returned=total("returned", orders.fees, self._over),
        )
        for entry in long:
            found = found.plus(entry.sum_of(self._routes.get(name, [name])))
        return found


def _parts(name: str, columns: Sequence[str]) -> list[pl.Expr]:
    """Tells what is summed of a route or a plan."""
    weight, held = pl.col("weight"), pl.col(name).is_not_null()
    parts = [
        weight.filter(held).sum().alias(f"{name}|orders"),
        (weight * pl.col("minor")).filter(held).sum().alias(f"{name}|amount"),
        (weight * pl.col(name)).sum().alias(f"{name}|fees"),
    ]
    if f"{name}+returned" in columns:
        parts.append((weight * pl.col(f"{name}+returned")).sum().alias(f"{name}|returned"))
    return parts
