"""Sums over the classes of a month's orders: each class has a number, and everything is added up exactly by it.

Source: own design.

>>> list(by_class(pl.DataFrame({"class": [3, 3], "worth": [0, 1]})))
[(3, {'worth': [0, 1]})]
"""

from collections.abc import Iterator, Mapping, Sequence
from fractions import Fraction
from typing import Any

import polars as pl

from monedero.core.columns.arranged import Arranged
from monedero.core.columns.card import CardColumns
from monedero.core.columns.level import ZERO
from monedero.core.columns.order_class import CHARGED, MARGIN_OVER, At, Fees, OrderClass, Parts
from monedero.core.columns.orders import OrderColumns
from monedero.core.ratecard.volume import Reached


class ClassSums:
    """Numbers the classes: every order's `class`."""

    def __init__(
        self,
        orders: OrderColumns,
        frame: pl.DataFrame,
        days: Sequence[str],
        pair_of_worth: Mapping[int, int],
        parts: Parts | None,
    ) -> None:
        self._orders, self._days, self._pair_of_worth = orders, days, pair_of_worth
        if parts is None:
            frame = frame.with_columns(pl.lit(0, dtype=pl.UInt32).alias("part"))
        else:
            frame = frame.join(parts.rows, on="row", how="left", maintain_order="left")
        by = ["country", "part", *(name for name in frame.columns if name.startswith(("days ", "carried ")))]
        numbered = frame.select(by).unique(maintain_order=True).with_row_index("class")
        self._frame = frame.join(numbered, on=by, how="left", nulls_equal=True, maintain_order="left")
        self._numbered = numbered.rows(named=True)
        self._rows = self._frame.select("row", "class", "worth")
        self._sums, self._surcharges = self._summed(), self._charged()

    @property
    def height(self) -> int:
        """How many classes there are."""
        return len(self._numbered)

    def _summed(self) -> dict[int, tuple[Fraction, Fraction, Fraction | None]]:
        """Orders, amount and margin of each class."""
        weight, amount = pl.col("weight"), pl.col("weight") * pl.col("minor")
        has_margins = "margin" in self._frame.columns
        margin = pl.col("margin") if has_margins else pl.lit(None, dtype=pl.Int128)
        sums = self._frame.group_by("class", "worth").agg(
            weight.sum(),
            amount.sum().alias("amount"),
            (amount * margin).sum().alias("margin"),
            margin.is_null().any().alias("unknown"),
        )
        weights, adder = self._orders.weight_over, self._orders.amounts
        found = {}
        for number, held in by_class(sums):
            pairs = [self._pair_of_worth[worth] for worth in held["worth"]]
            total = adder.total(zip(pairs, held["amount"], strict=True), weights)
            margins = adder.total(zip(pairs, held["margin"], strict=True), weights * MARGIN_OVER)
            found[number] = (
                Fraction(sum(held["weight"]), weights),
                total,
                None if any(held["unknown"]) else margins,
            )
        return found

    def _charged(self) -> dict[int, dict[str, Fraction]]:
        """The buyer fees of each class, by tender."""
        names = [name for name in self._frame.columns if name.startswith(CHARGED)]
        if not names:
            return {}
        sums = self._frame.group_by("class", "worth").agg(
            (pl.col("weight") * pl.col(name)).sum().alias(name) for name in names
        )
        found: dict[int, dict[str, Fraction]] = {}
        for number, held in by_class(sums):
            pairs = [self._pair_of_worth[worth] for worth in held["worth"]]
            found[number] = {
                name.removeprefix(CHARGED): self._orders.amounts.total(
                    zip(pairs, held[name], strict=True), self._orders.weight_over
                )
                for name in names
            }
        return found

    def described(self, number: int) -> OrderClass:
        """A class without its fees."""
        row = self._numbered[number]
        days = {provider: int(row[f"days {provider}"]) for provider in self._days}
        return OrderClass(
            str(row["country"]), days, *self._sums[number], {}, int(row["part"]), self._surcharges.get(number, {})
        )

    def sums(
        self, card: CardColumns, routes: Sequence[str], frame: pl.DataFrame, reached: Reached
    ) -> Iterator[tuple[int, At, Fees]]:
        """The fees of each class on some routes of a card, of orders that were priced at a level."""
        returned = {route: f"{route}+returned" for route in routes if f"{route}+returned" in frame.columns}
        names = [*routes, *returned.values()]
        weight = pl.col("weight")
        sums = (
            frame.join(self._rows, on="row", how="left")
            .group_by("class", "worth")
            .agg(
                *((weight * pl.col(name)).sum().alias(name) for name in names),
                *(pl.col(name).is_not_null().any().alias(f"{name}?") for name in routes),
            )
        )
        over = card.percent_over * self._orders.weight_over
        for number, held in by_class(sums):
            pairs = [self._pair_of_worth[worth] for worth in held["worth"]]
            for route in routes:
                if any(held[f"{route}?"]):
                    fees, back = (
                        self._orders.fees.total(zip(pairs, held[name], strict=True), over) if name else ZERO
                        for name in (route, returned.get(route))
                    )
                    yield number, At(route, reached), Fees(fees, back)

    def carrying(self, way: Arranged) -> list[int]:
        """The classes that an arrangement of the shop's own carries."""
        return [int(number) for number in self._frame.filter(way.columns)["class"].unique().to_list()]


def by_class(sums: pl.DataFrame) -> Iterator[tuple[int, dict[str, list[Any]]]]:
    """The rows of each class, as a list for each column."""
    together = sums.group_by("class").agg(pl.all()).to_dict(as_series=False)
    names = [name for name in together if name != "class"]
    for place, number in enumerate(together["class"]):
        yield number, {name: together[name][place] for name in names}
