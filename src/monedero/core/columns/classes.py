"""Orders of a month in classes: orders of one country that the same routes can carry, whatever the accounts take.

Whichever ways are offered, the buyers of a kind choose the same one for all orders of a class. So a month is added up
over classes: how many orders, what they come to, their margin, and for every route what they cost there at each level
of the account's volume. All sums are exact.

Source: own design; a test holds the months of sets against orders that are priced and chosen for one by one.

>>> OrderClass("ES", {}, Fraction(2), Fraction(80), None, {}).orders
Fraction(2, 1)
"""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from fractions import Fraction
from typing import NamedTuple

import polars as pl

from monedero.core.columns.card import CardColumns
from monedero.core.columns.level import ZERO
from monedero.core.columns.orders import LongOrder, OrderColumns
from monedero.core.ratecard.linear import Linear
from monedero.core.ratecard.volume import Reached

MARGIN_OVER = 10**8
"""The column `margin` of orders counts shares of the amount over this number."""
BITS = 62


class Fees(NamedTuple):
    """The fees of orders on a route, and the part that a refund returns where it returns the percentage."""

    fees: Fraction
    returned: Fraction


class At(NamedTuple):
    """A route at what the account's volume reaches; None where nothing depends on a volume."""

    route: str
    reached: Reached | None


@dataclass(slots=True)
class OrderClass:
    """Orders of one country that the same routes carry.

    `days` says by provider in which group of days they lie, where reference rates tell days apart. `amount` and
    `margin` are in whole units of the shop's currency; a margin of None is not known. `fees` are of the routes that
    carry them, in whole units of the shop's currency.
    """

    country: str
    days: Mapping[str, int]
    orders: Fraction
    amount: Fraction
    margin: Fraction | None
    fees: dict[At, Fees] = field(default_factory=dict)


class Arranged(NamedTuple):
    """An arrangement of the shop's own: the method, the orders it can carry, and what one costs."""

    method: str
    columns: pl.Expr
    long: frozenset[int]
    fee: Linear


def levels_of(card: CardColumns) -> list[tuple[int, Reached]]:
    """Every level that a volume can bring about on a card: of which days, and what is reached."""
    found = dict.fromkeys(
        (step.days, step.reached) for edge in card.edges for step in (*card.walk(edge), *card.ended(edge))
    )
    return list(found)


def classes(
    orders: OrderColumns, cards: Sequence[CardColumns], arranged: Sequence[Arranged] = ()
) -> list[OrderClass]:
    """The classes of all orders; those that are too long for columns are a class each."""
    keys = _Keys(orders, cards, arranged)
    found = {number: keys.described(number) for number in range(keys.height)}
    long = {order.row: _long_class(order, cards) for order in orders.long}
    for card in cards:
        for number, reached in levels_of(card):
            frame, fees = card.priced(number, reached)
            for of_class, at, sums in keys.sums(card, frame, reached):
                found[of_class].fees[at] = sums
            for entry in fees:
                for route, held in entry.fees.items():
                    long[entry.order.row].fees[At(route, reached)] = Fees(
                        *(part * entry.order.weight for part in held)
                    )
    for way in arranged:
        for number in keys.carrying(way):
            found[number].fees[At(way.method, None)] = _arranged(way, found[number])
        for row in way.long:
            long[row].fees[At(way.method, None)] = _arranged(way, long[row])
    return [*found.values(), *long.values()]


def _arranged(way: Arranged, orders: OrderClass) -> Fees:
    return Fees(way.fee.slope * orders.amount + way.fee.intercept * orders.orders, ZERO)


def _long_class(order: LongOrder, cards: Sequence[CardColumns]) -> OrderClass:
    amount = order.weight * order.amount
    margin = None if order.margin is None else amount * order.margin / MARGIN_OVER
    days = {card.provider: card.group_by_day[order.order.placed_on] for card in cards}
    return OrderClass(order.order.country, days, order.weight, amount, margin)


class _Keys:
    """Numbers the classes: every order's `class`, from its country, its groups of days and what carries it."""

    def __init__(self, orders: OrderColumns, cards: Sequence[CardColumns], arranged: Sequence[Arranged]) -> None:
        self._orders = orders
        worth = {value: number for number, value in enumerate(dict.fromkeys(_worth(orders)))}
        self._pair_of_worth = {
            number: pair for pair, number in reversed(list(enumerate(map(worth.get, _worth(orders)))))
        }
        pairs = pl.DataFrame(
            {"pair": range(len(orders.pairs)), "worth": [worth[value] for value in _worth(orders)]},
            schema={"pair": pl.UInt32, "worth": pl.UInt32},
        )
        frame = orders.frame.join(pairs, on="pair", how="left", maintain_order="left")
        self._days = [card.provider for card in cards if card.groups > 1]
        for card in cards:
            if card.groups > 1:
                groups = pl.col("day").replace_strict(card.group_by_day, return_dtype=pl.UInt32)
                frame = frame.with_columns(groups.alias(f"days {card.provider}"))
        for card in cards:
            frame = frame.join(_carried(card), on="row", how="left", maintain_order="left")
        packed = _packed([way.columns for way in arranged], "own")
        frame = frame.with_columns(packed)
        by = ["country", *(name for name in frame.columns if name.startswith(("days ", "carried ")))]
        numbered = frame.select(by).unique(maintain_order=True).with_row_index("class")
        self._frame = frame.join(numbered, on=by, how="left", nulls_equal=True, maintain_order="left")
        self._numbered = numbered.rows(named=True)
        self._rows = self._frame.select("row", "class", "worth")
        self._sums = self._summed()

    @property
    def height(self) -> int:
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
        for (number,), part in sums.group_by("class"):
            pairs = [self._pair_of_worth[worth] for worth in part["worth"].to_list()]
            total = adder.total(zip(pairs, part["amount"].to_list(), strict=True), weights)
            margins = adder.total(zip(pairs, part["margin"].to_list(), strict=True), weights * MARGIN_OVER)
            known = None if part["unknown"].any() else margins
            found[int(str(number))] = (Fraction(int(part["weight"].sum()), weights), total, known)
        return found

    def described(self, number: int) -> OrderClass:
        """A class without its fees."""
        row = self._numbered[number]
        days = {provider: int(row[f"days {provider}"]) for provider in self._days}
        return OrderClass(str(row["country"]), days, *self._sums[number])

    def sums(self, card: CardColumns, frame: pl.DataFrame, reached: Reached) -> Iterator[tuple[int, At, Fees]]:
        """The fees of each class on the routes of a card, of orders that were priced at a level."""
        routes = [route for plan in card.plans for route in plan.routes if route in frame.columns]
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
        adder, over = self._orders.fees, card.percent_over * self._orders.weight_over
        for (number,), part in sums.group_by("class"):
            pairs = [self._pair_of_worth[worth] for worth in part["worth"].to_list()]

            def total(name: str, part: pl.DataFrame = part, pairs: list[int] = pairs) -> Fraction:
                return adder.total(zip(pairs, part[name].to_list(), strict=True), over)

            for route in routes:
                if part[f"{route}?"].any():
                    back = total(returned[route]) if route in returned else ZERO
                    yield int(str(number)), At(route, reached), Fees(total(route), back)

    def carrying(self, way: Arranged) -> list[int]:
        """The classes that an arrangement of the shop's own carries."""
        return [int(number) for number in self._frame.filter(way.columns)["class"].unique().to_list()]


def _worth(orders: OrderColumns) -> list[tuple[Fraction, int]]:
    """By pair, what tells whether its numbers may be added to those of another."""
    return [(pair.value, pair.over) for pair in orders.pairs]


def _carried(card: CardColumns) -> pl.DataFrame:
    """By row, which routes of a card carry it at each level, in bits."""
    by_group: dict[int, list[pl.DataFrame]] = {}
    for number, reached in levels_of(card):
        frame = card.standing(number, reached)
        at = by_group.setdefault(number, [])
        routes = [route for plan in card.plans for route in plan.routes]
        held = [pl.col(route).is_not_null() if route in frame.columns else pl.lit(False) for route in routes]
        name = f"{card.provider} {len(at)}"
        at.append(frame.select("row", *_packed(held, name)))
    together = []
    for frames in by_group.values():
        first, *others = frames
        for other in others:
            first = first.join(other, on="row", how="left", maintain_order="left")
        together.append(first)
    return pl.concat(together, how="diagonal")


def _packed(held: Sequence[pl.Expr], name: str) -> Iterable[pl.Expr]:
    """Yes and no of each row, as the bits of whole numbers."""
    for start in range(0, len(held), BITS):
        bits = [
            part.cast(pl.Int64) * pl.lit(1 << place, dtype=pl.Int64)
            for place, part in enumerate(held[start : start + BITS])
        ]
        yield pl.sum_horizontal(bits).alias(f"carried {name} {start}")
