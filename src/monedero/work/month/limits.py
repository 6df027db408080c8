"""Suggests one limit at a time on the ways of the best set, among the amounts of the month's orders."""

from bisect import bisect_left
from collections.abc import Mapping, Sequence
from datetime import date
from fractions import Fraction

import polars as pl

from monedero.core.best_set.month import SettledSet
from monedero.core.best_set.one_limit import OneLimit, one_limit
from monedero.core.best_set.programme import Limits
from monedero.core.columns.classes import ClassColumns
from monedero.core.columns.order_class import Parts
from monedero.core.columns.orders import OrderColumns
from monedero.work.context import Context
from monedero.work.month.best import best_within
from monedero.work.month.buyers import shop_rankings
from monedero.work.month.costs import the_month
from monedero.work.month.demand import arranged_in, demand_of
from monedero.work.prices.inputs import inputs_of

MOST_AMOUNTS, MOST_PARTS = 200, 3000
"""The most amounts that are looked at, and the most in all countries together; each stands for as many others."""


def suggested_limits(context: Context, day: date, limits: Limits) -> list[OneLimit]:
    """The best limit of each way of the best set that has one; none where margins are not known."""
    inputs, demand, month = inputs_of(context), demand_of(context, day), the_month(context, day)
    best = best_within(context, day, limits)
    if best is None or not demand.knows_margins:
        return []
    chosen = best.month.chosen
    routes = frozenset(way.route for way in chosen.ways if way.plan is not None)
    own = {way.route for way in chosen.ways if way.plan is None}
    providers = {demand.plans[name].plan.provider for name in chosen.plans}
    cards = [card for name, card in month.cards.items() if name in providers]
    arranged = [entry for entry in arranged_in(inputs, month, day) if entry.method in own]
    columns = month.orders.columns
    parts, amounts = _by_amount(columns)
    found = ClassColumns(columns, cards, arranged, only=routes).classes(parts)
    rankings = shop_rankings(inputs, {entry.country for entry in found})
    return one_limit(SettledSet(demand, chosen), found, rankings, amounts)


def _by_amount(orders: OrderColumns) -> tuple[Parts, Sequence[Fraction]]:
    """The month cut at its amounts in the shop's currency, which rise; of many, some stand for those up to the next."""
    met = orders.frame.select("pair", "minor").unique()
    values = {(pair, minor): orders.pairs[pair].value * minor for pair, minor in met.iter_rows()}
    every = sorted({*values.values(), *(entry.amount for entry in orders.long)})
    most = max(min(MOST_AMOUNTS, MOST_PARTS // max(orders.frame["country"].n_unique(), 1)), 2)
    step = -(-len(every) // most)
    amounts = every[::step] if step else every
    rows = [(pair, minor, _place(amounts, value)) for (pair, minor), value in values.items()]
    cut = pl.DataFrame(rows, schema={**met.schema, "part": pl.UInt32()}, orient="row")
    parts = orders.frame.select("row", "pair", "minor").join(cut, on=["pair", "minor"], how="left")
    none: Mapping[str, Fraction] = {}
    long = {entry.row: (_place(amounts, entry.amount), none) for entry in orders.long}
    return Parts(parts.select("row", "part"), long), amounts


def _place(amounts: Sequence[Fraction], value: Fraction) -> int:
    """The place of the last amount that is not above a value."""
    place = bisect_left(amounts, value)
    return place if place < len(amounts) and amounts[place] == value else place - 1
