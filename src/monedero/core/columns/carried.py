"""Tells which of many orders a method can carry, as the decision on a single order has it, but for what is not known of
them.

What does not depend on the amount is asked once for all orders that are alike; the method's limits are compared
exactly, brought over at the reference rate. A limit without a rate carries nothing. Long orders are asked one by one.

Source: own design; a test holds it against `monedero.core.checkout.decision`.

>>> limits_in([Method(id="cash", name="Cash", family="cash", buyer="Pays.", recurring=False)])
[]
"""

from collections.abc import Iterable, Mapping
from datetime import date
from typing import NamedTuple

import polars as pl

from monedero.core.checkout.decision import Setting, cannot_carry
from monedero.core.columns.orders import WHOLE, OrderColumns, alike
from monedero.core.method import Method
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.reasons import MONTH_TELLS_NOT
from monedero.core.window import Window

# A method carries the same on every day, but for the amount.
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
            name: frozenset(entry.row for entry in orders.long if _can_carry(method, entry.order, setting))
            for name, method in methods.items()
        },
    )


def _can_carry(method: Method, order: Order, setting: Setting) -> bool:
    """True if nothing that is known of an order speaks against a method."""
    return all(reason.code in MONTH_TELLS_NOT for reason in cannot_carry(method, order, setting))


def _carries(method: Method, orders: OrderColumns, setting: Setting) -> pl.Expr:
    at_any_amount = method.model_copy(update={"amount": None})
    numbers = [
        number
        for number, known in orders.known.items()
        if _can_carry(at_any_amount, alike(known, Money(1, known.currency), ANY_DAY), setting)
    ]
    fits = pl.col("known").is_in(numbers)
    return fits if method.amount is None else fits & _within(method.amount)


def _within(window: Window) -> pl.Expr:
    amount, within = pl.col("minor") * pl.col("over"), pl.lit(True)
    if window.from_ is not None:
        within = within & (amount >= _over(window.from_))
    if window.up_to is not None:
        within = within & (amount <= _over(window.up_to))
    if window.below is not None:
        within = within & (amount < _over(window.below))
    return within.fill_null(False)


def _over(limit: Money) -> pl.Expr:
    return pl.col(f"fx:{limit.currency}") * pl.lit(limit.minor, dtype=WHOLE)
