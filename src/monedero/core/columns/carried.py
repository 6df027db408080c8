"""Which of many orders a method can carry, as the decision on a single order has it.

What does not depend on the amount is asked once for all orders that are alike; the method's limits are compared
exactly, brought over at the reference rate. A limit without a rate carries nothing. Long orders are asked one by one.

Source: own design; a test holds it against `monedero.core.tender.decision`.

>>> limits_in([Method(id="cash", name="Cash", family="cash", buyer="Pays.", recurring=False)])
[]
"""

from collections.abc import Iterable, Mapping
from datetime import date
from typing import NamedTuple

import polars as pl

from monedero.core.columns.orders import WHOLE, OrderColumns
from monedero.core.method import Method
from monedero.core.money import Money
from monedero.core.order import Order
from monedero.core.ratecard.context import OrderContext
from monedero.core.tender.decision import Setting, cannot_carry
from monedero.core.window import Window

# What a method can carry besides the amount does not depend on the day.
ANY_DAY = date(2026, 1, 1)


class Carried(NamedTuple):
    """By method, which orders it can carry: an expression over columns, and the rows of long orders."""

    columns: Mapping[str, pl.Expr]
    long: Mapping[str, frozenset[int]]


def limits_in(methods: Iterable[Method]) -> list[Money]:
    """The methods' limits on amounts."""
    windows = [method.amount for method in methods if method.amount]
    return [end for window in windows for end in (window.from_, window.up_to, window.below) if end]


def carried(methods: Mapping[str, Method], orders: OrderColumns, setting: Setting) -> Carried:
    """By method, which orders it can carry."""
    return Carried(
        {name: _carries(method, orders, setting) for name, method in methods.items()},
        {
            name: frozenset(
                order.row for order in orders.long if not any(cannot_carry(method, _asked(order.context), setting))
            )
            for name, method in methods.items()
        },
    )


def _asked(context: OrderContext) -> Order:
    return Order(
        context.amount, context.buyer_country, context.line_kinds, bool(context.recurring), context.placed_on
    )


def _carries(method: Method, orders: OrderColumns, setting: Setting) -> pl.Expr:
    at_any_amount = method.model_copy(update={"amount": None})
    alike = [
        number
        for number, known in orders.known.items()
        if not any(
            cannot_carry(
                at_any_amount,
                Order(
                    Money(1, known.currency), known.buyer_country, known.line_kinds, bool(known.recurring), ANY_DAY
                ),
                setting,
            )
        )
    ]
    fits = pl.col("known").is_in(alike)
    return fits if method.amount is None else fits & _within(method.amount)


def _within(window: Window) -> pl.Expr:
    amount, held = pl.col("minor") * pl.col("over"), pl.lit(True)
    if window.from_ is not None:
        held = held & (amount >= _over(window.from_))
    if window.up_to is not None:
        held = held & (amount <= _over(window.up_to))
    if window.below is not None:
        held = held & (amount < _over(window.below))
    return held.fill_null(False)


def _over(limit: Money) -> pl.Expr:
    return pl.col(f"fx:{limit.currency}") * pl.lit(limit.minor, dtype=WHOLE)
