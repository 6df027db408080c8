"""Every order's places: which plan is its cheapest, which comes next, and what it costs there, roughly.

Places are exact: fees are compared as whole numbers, of equal fees the earlier plan comes first. A plan that does not
carry an order has no place for it. What orders come to and cost is kept in binary floating point here, for
`monedero.core.columns.mix` to sort out what cannot be the cheapest; nothing that is shown comes from it.

Source: own design.

>>> place_of("orlenta/start").meta.output_name()
'place orlenta/start'
"""

from collections.abc import Iterable, Sequence
from fractions import Fraction
from threading import Lock
from typing import NamedTuple

import polars as pl

from monedero.core.columns.card import ONE, CardColumns, Step
from monedero.core.columns.level import Level, PlanColumns
from monedero.core.columns.orders import OrderColumns

ROUGH = pl.Float64


class Alone(NamedTuple):
    """A plan on its card, and the volume that it carries alone."""

    plan: PlanColumns
    card: CardColumns
    volume: Fraction


def place_of(plan: str) -> pl.Expr:
    """The column of a plan's places: 0 where it is the cheapest."""
    return pl.col(f"place {plan}")


class Places:
    """Orders with their places on some plans: `row`, `weight`, `amount` and a place a plan."""

    def __init__(self, orders: OrderColumns, percent_over: int, alone: Sequence[Alone]) -> None:
        """Price every order on every plan at the volume that the plan carries alone."""
        self._fees: dict[tuple[str, Step], str] = {}
        # Mixes may be asked for by several threads; each adds columns to the same frame.
        self._adding = Lock()
        weights = orders.weight_over
        self._worth = pl.DataFrame(
            [
                (number, _rough(pair.value / weights), _rough(pair.value / (pair.over * percent_over * weights)))
                for number, pair in enumerate(orders.pairs)
            ],
            schema={"pair": pl.UInt32, "worth": ROUGH, "fee worth": ROUGH},
            orient="row",
        )
        frame = self._with_worth(orders.frame.select("row", "pair", "weight", "minor"))
        for plan, card, volume in alone:
            best = pl.concat([card.level(step).best.select("row", plan.id) for step in card.ended(volume)])
            frame = frame.join(best, on="row", how="left", maintain_order="left")
        amount = (pl.col("weight") * pl.col("minor")).cast(ROUGH) * pl.col("worth")
        names = [entry.plan.id for entry in alone]
        columns = frame.select("row", "weight", amount.alias("amount"), *_places(names))
        rows = _long_rows(orders, alone)
        self.frame = pl.concat([columns, pl.DataFrame(rows, schema=columns.schema, orient="row")])

    def _with_worth(self, frame: pl.DataFrame) -> pl.DataFrame:
        return frame.join(self._worth, on="pair", how="left", maintain_order="left")

    def alike(self, sums: Sequence[pl.Expr]) -> pl.DataFrame:
        """Sums over the orders that have the same places on all plans: in every mix they go the same way."""
        return self.frame.group_by(pl.col("^place .*$")).agg(sums)

    def fees(self, entry: Alone, step: Step) -> str:
        """The column of what orders cost on a plan at a level, by weight, roughly; null where it is not carried."""
        key = (entry.plan.id, step._replace(share=ONE))
        with self._adding:
            if key not in self._fees:
                self._fees[key] = self._add(entry, step, f"fees {len(self._fees)}")
            return self._fees[key]

    def _add(self, entry: Alone, step: Step, name: str) -> str:
        level = entry.card.level(step)
        fee = (pl.col("weight") * pl.col(entry.plan.id)).cast(ROUGH) * pl.col("fee worth")
        columns = self._with_worth(level.best).select("row", fee.alias(name))
        long = [(row, _rough(fee)) for row, fee in _long_fees(entry.plan, [level])]
        every_row = pl.concat([columns, pl.DataFrame(long, schema=columns.schema, orient="row")])
        self.frame = self.frame.join(every_row, on="row", how="left", maintain_order="left")
        return name


def _rough(exact: Fraction) -> object:
    """The nearest binary floating-point number."""
    return exact.numerator / exact.denominator


def _places(plans: Sequence[str]) -> Iterable[pl.Expr]:
    """How many plans come before each: those that cost less, and of equals the earlier ones."""
    for number, plan in enumerate(plans):
        own = pl.col(plan)
        before = [
            (pl.col(other) <= own if place < number else pl.col(other) < own) for place, other in enumerate(plans)
        ]
        counted = pl.sum_horizontal([part.fill_null(False).cast(pl.UInt16) for part in before])
        yield pl.when(own.is_not_null()).then(counted).otherwise(None).alias(f"place {plan}")


def _long_fees(plan: PlanColumns, levels: Iterable[Level]) -> list[tuple[int, Fraction]]:
    """The rows of long orders that a plan carries, each with its fee by its weight."""
    sums = [(entry.order.row, entry.sum_of(plan.routes)) for level in levels for entry in level.long]
    return [(row, part.fees) for row, part in sums if part.orders]


def _long_rows(orders: OrderColumns, alone: Sequence[Alone]) -> list[tuple[object, ...]]:
    """The long orders, their fees compared as fractions."""
    fees: dict[int, dict[str, Fraction]] = {order.row: {} for order in orders.long}
    for plan, card, volume in alone:
        for row, fee in _long_fees(plan, (card.level(step) for step in card.ended(volume))):
            fees[row][plan.id] = fee
    rows: list[tuple[object, ...]] = []
    for order in orders.long:
        first = sorted(fees[order.row], key=fees[order.row].__getitem__)
        places = [first.index(entry.plan.id) if entry.plan.id in first else None for entry in alone]
        amount = _rough(order.weight * order.amount)
        rows.append((order.row, int(order.weight * orders.weight_over), amount, *places))
    return rows
