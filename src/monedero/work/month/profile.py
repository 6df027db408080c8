"""The order profile: saved as it was typed, or derived from past orders."""

from collections.abc import Iterable
from decimal import Decimal
from fractions import Fraction
from typing import NamedTuple

import polars as pl

from monedero.core.money import Money, split
from monedero.core.profile import CardShare, Cell, Profile, Source
from monedero.core.typed_month import TypedMonth, typed_month
from monedero.store.documents import Versioned
from monedero.work.context import Context
from monedero.work.month.orders_in_columns import months_between
from monedero.work.shop.lookups import described_shop


def profile_of(context: Context) -> Versioned[Profile]:
    """The profile; an empty one, version 0, before anything was typed."""
    return context.shop.profile.read() or Versioned(0, Profile())


class Derived(NamedTuple):
    """A profile typed from past orders, and how many of them are in no cell: their line or market is not the shop's."""

    profile: Profile
    in_no_cell: int


def derived(context: Context) -> Derived:
    """A profile typed from past orders: cells by line and market, cards by kind and network; buyers stay as they are.

    What the orders of the cells come to in a month is kept to the minor unit.
    """
    shop, counts, paid = (
        described_shop(context.shop).value,
        context.shop.past_orders.counts(),
        context.shop.past_orders.paid(),
    )
    months = months_between(counts.first, counts.last)
    grouped = paid.group_by("line", "country", "currency").agg(pl.col("minor").sort())
    by_place = {(line, country, currency): of_cell for line, country, currency, of_cell in grouped.iter_rows()}
    amounts: list[tuple[str, str, str, list[int]]] = [
        (line.id, market.id, market.currency, of_cell)
        for line in shop.lines
        for market in shop.markets
        if (of_cell := by_place.get((line.id, market.country, market.currency)))
    ]
    near = Fraction(1, 2 * max(len(amounts), 1))
    cells = [
        _cell(line, market, currency, typed_month(of_cell, months, near))
        for line, market, currency, of_cell in amounts
    ]
    before = profile_of(context).value
    cards = list(_cards(paid)) or before.cards
    profile = before.model_copy(update={"source": Source.TYPED, "cells": cells, "cards": cards})
    return Derived(profile, len(paid) - sum(len(of_cell) for *_, of_cell in amounts))


def _cell(line: str, market: str, currency: str, typed: TypedMonth) -> Cell:
    low, usual, high = (Money(minor, currency) for minor in typed.amounts)
    spread = {"low": low, "high": high} if low != high else {}
    return Cell(line=line, market=market, orders=str(typed.orders), usual=usual, **spread)


def _cards(paid: pl.DataFrame) -> Iterable[CardShare]:
    """The shares of kinds and networks among the orders that say one, in hundredths of a percent that add up."""
    counted = (
        paid.filter(pl.col("card_kind").is_not_null() | pl.col("card_network").is_not_null())
        .group_by("card_kind", "card_network")
        .len()
        .sort("len", "card_kind", "card_network", descending=[True, False, False])
    )
    total = int(counted["len"].sum())
    if total:
        shares = split([Fraction(count * 10_000, total) for count in counted["len"].to_list()], 10_000)
        for row, share in zip(counted.iter_rows(named=True), shares, strict=True):
            yield CardShare(kind=row["card_kind"], network=row["card_network"], share=str(Decimal(share) / 100))
