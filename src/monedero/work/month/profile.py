"""The order profile: saved as it was typed, or derived from past orders."""

from collections.abc import Iterable
from decimal import Decimal
from fractions import Fraction

import polars as pl

from monedero.core.money import Money, split
from monedero.core.profile import CardShare, Cell, Profile, Source
from monedero.store.documents import Versioned
from monedero.work.context import Context
from monedero.work.month.orders_in_columns import months_between
from monedero.work.shop.lookups import described_shop

# The low, usual and high amount stand for a quarter, a half and a quarter of the orders: each is the middle of its own.
MIDDLES = (Fraction(1, 8), Fraction(1, 2), Fraction(7, 8))


def profile_of(context: Context) -> Versioned[Profile]:
    """The profile; an empty one, version 0, before anything was typed."""
    return context.shop.profile.read() or Versioned(0, Profile())


def derived(context: Context) -> Profile:
    """A profile typed from past orders: cells by line and market, cards by kind and network."""
    shop, counts, paid = (
        described_shop(context.shop).value,
        context.shop.past_orders.counts(),
        context.shop.past_orders.paid(),
    )
    months = months_between(counts.first, counts.last)
    cells = []
    for line in shop.lines:
        for market in shop.markets:
            amounts = paid.filter(
                (pl.col("line") == line.id)
                & (pl.col("country") == market.country)
                & (pl.col("currency") == market.currency)
            )["minor"].sort()
            if len(amounts):
                low, usual, high = (Money(_at(amounts.to_list(), share), market.currency) for share in MIDDLES)
                spread = {"low": low, "high": high} if low != high else {}
                orders = str(Decimal(len(amounts) * 100 // months) / 100)
                cells.append(Cell(line=line.id, market=market.id, orders=orders, usual=usual, **spread))
    return Profile(source=Source.TYPED, cells=cells, cards=list(_cards(paid)))


def _at(amounts: list[int], share: Fraction) -> int:
    """The amount at a share of sorted ones, by nearest rank."""
    return amounts[max(-(-share * len(amounts) // 1) - 1, 0)]


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
