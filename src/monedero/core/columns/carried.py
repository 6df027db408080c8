"""Which of many orders a method can carry, as the decision on a single order has it.

What does not depend on the amount is asked once for all orders that are alike; the method's limits are compared
exactly, brought over at the reference rate. A limit without a rate carries nothing.

Source: own design; a test holds it against `monedero.core.tender.decision`.

>>> limits_in([Method(id="cash", name="Cash", family="cash", buyer="Pays.", recurring=False)])
set()
>>> limits_in(None)
Traceback (most recent call last):
...
TypeError: 'NoneType' object is not iterable
"""

from collections.abc import Iterable, Mapping
from datetime import date

import polars as pl

from monedero.core.columns.orders import WHOLE, OrderColumns
from monedero.core.method import Method
from monedero.core.money import Money
from monedero.core.order import Order
from monedero.core.tender.decision import Setting, cannot_carry
from monedero.core.window import Window

# What a method can carry besides the amount does not depend on the day.
ANY_DAY = date(2026, 1, 1)


def limits_in(methods: Iterable[Method]) -> set[str]:
    """The currencies of the methods' limits."""
    return {method.amount.currency for method in methods if method.amount}


def carried(methods: Mapping[str, Method], orders: OrderColumns, setting: Setting) -> dict[str, pl.Expr]:
    """By method, whether it can carry the order of a row."""
    return {name: _carries(method, orders, setting) for name, method in methods.items()}


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
    amount, held = pl.col("minor") * pl.col("own"), pl.lit(True)
    if window.from_ is not None:
        held = held & (amount >= _over(window.from_))
    if window.up_to is not None:
        held = held & (amount <= _over(window.up_to))
    if window.below is not None:
        held = held & (amount < _over(window.below))
    return held.fill_null(False)


def _over(limit: Money) -> pl.Expr:
    return pl.col(f"fx:{limit.currency}") * pl.lit(limit.minor, dtype=WHOLE)
