"""Orders of a month in classes: orders of one country that the same routes can carry, whatever the accounts take.

Whichever ways are offered, the buyers of a kind choose the same one for all orders of a class. So a month is added up
over classes: how many orders, what they come to, their margin, and for every route what they cost there at each level
of the account's volume. All sums are exact.

Source: own design; a test holds the months of sets against orders that are priced and chosen for one by one.

>>> from monedero.core.fx import ReferenceRates
>>> classes(OrderColumns(pl.DataFrame(schema={"minor": pl.Int64, "currency": pl.String, "day": pl.Date,
...     "country": pl.String}), "EUR", ReferenceRates(None), lambda known: {"EUR"}), [])
[]
"""

from collections.abc import Iterable, Sequence
from fractions import Fraction

import polars as pl

from monedero.core.columns.arranged import Arranged
from monedero.core.columns.card import CardColumns
from monedero.core.columns.class_sums import ClassSums
from monedero.core.columns.level import ZERO, LongFee
from monedero.core.columns.order_class import MARGIN_OVER, At, Fees, OrderClass, Parts
from monedero.core.columns.orders import LongOrder, OrderColumns
from monedero.core.ratecard.volume import Reached

BITS = 62


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
    return ClassColumns(orders, cards, arranged).classes()


def _arranged(way: Arranged, orders: OrderClass) -> Fees:
    return Fees(way.fee.slope * orders.amount + way.fee.intercept * orders.orders, ZERO)


def _long_class(order: LongOrder, cards: Sequence[CardColumns], parts: Parts | None) -> OrderClass:
    amount = order.weight * order.amount
    margin = None if order.margin is None else amount * order.margin / MARGIN_OVER
    days = {card.provider: card.group_by_day[order.order.placed_on] for card in cards}
    part, charged = parts.long[order.row] if parts else (0, {})
    surcharges = {tender: order.weight * fee for tender, fee in charged.items()}
    return OrderClass(order.order.country, days, order.weight, amount, margin, {}, part, surcharges)


class ClassColumns:
    """Cuts orders into classes: by their country, their groups of days and what carries them, and by part of the month.

    What does not depend on the parts is worked out once.
    """

    def __init__(
        self,
        orders: OrderColumns,
        cards: Sequence[CardColumns],
        arranged: Sequence[Arranged] = (),
        *,
        only: frozenset[str] | None = None,
    ) -> None:
        """The orders on some cards, and by some arrangements of the shop's own; with `only` on those routes alone, and
        their prices are kept.
        """
        self._orders, self._cards, self._arranged, self._only = orders, cards, arranged, only
        self._kept: dict[tuple[str, int, Reached], tuple[pl.DataFrame, list[LongFee]]] | None = (
            None if only is None else {}
        )
        worth = {value: number for number, value in enumerate(dict.fromkeys(_worth(orders)))}
        of_pair = [worth[value] for value in _worth(orders)]
        self._pair_of_worth = {number: pair for pair, number in reversed(list(enumerate(of_pair)))}
        pairs = pl.DataFrame(
            {"pair": range(len(orders.pairs)), "worth": of_pair},
            schema={"pair": pl.UInt32, "worth": pl.UInt32},
        )
        frame = orders.frame.join(pairs, on="pair", how="left", maintain_order="left")
        self._days = [card.provider for card in cards if card.groups > 1]
        for card in cards:
            if card.groups > 1:
                groups = pl.col("day").replace_strict(card.group_by_day, return_dtype=pl.UInt32)
                frame = frame.with_columns(groups.alias(f"days {card.provider}"))
        for card in cards:
            frame = frame.join(_carried(card, only), on="row", how="left", maintain_order="left")
        self._frame = frame.with_columns(_packed([way.columns for way in arranged], "own"))

    def classes(self, parts: Parts | None = None) -> list[OrderClass]:
        """The classes, of each part by itself; those that are too long for columns are a class each."""
        keys = ClassSums(self._orders, self._frame, self._days, self._pair_of_worth, parts)
        found = {number: keys.described(number) for number in range(keys.height)}
        long = {order.row: _long_class(order, self._cards, parts) for order in self._orders.long}
        for card in self._cards:
            for number, reached in levels_of(card):
                frame, fees = self._priced(card, number, reached)
                routes = [route for route in routes_of(card, self._only) if route in frame.columns]
                for of_class, at, sums in keys.sums(card, routes, frame, reached):
                    found[of_class].fees[at] = sums
                for entry in fees:
                    for route, held in entry.fees.items():
                        long[entry.order.row].fees[At(route, reached)] = Fees(
                            *(part * entry.order.weight for part in held)
                        )
        for way in self._arranged:
            for number in keys.carrying(way):
                found[number].fees[At(way.method, None)] = _arranged(way, found[number])
            for row in way.long:
                long[row].fees[At(way.method, None)] = _arranged(way, long[row])
        return [*found.values(), *long.values()]

    def _priced(self, card: CardColumns, number: int, reached: Reached) -> tuple[pl.DataFrame, list[LongFee]]:
        """The orders of a group of days at a level of a card's volume."""
        if self._kept is None:
            return card.priced(number, reached)
        key = (card.provider, number, reached)
        if key not in self._kept:
            self._kept[key] = card.priced(number, reached)
        return self._kept[key]


def routes_of(card: CardColumns, only: frozenset[str] | None) -> list[str]:
    """The routes of a card's plans; with `only` those of them that are among some."""
    return [route for plan in card.plans for route in plan.routes if only is None or route in only]


def _worth(orders: OrderColumns) -> list[tuple[Fraction, int]]:
    """By pair, what tells whether its numbers may be added to those of another."""
    return [(pair.value, pair.over) for pair in orders.pairs]


def _carried(card: CardColumns, only: frozenset[str] | None) -> pl.DataFrame:
    """By row, which routes of a card carry it at each level, in bits."""
    by_group: dict[int, list[pl.DataFrame]] = {}
    for number, reached in levels_of(card):
        frame = card.standing(number, reached)
        at = by_group.setdefault(number, [])
        routes = routes_of(card, only)
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
