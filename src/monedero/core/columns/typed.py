"""A typed order profile as weighted rows: every amount of every cell, once for each card that a buyer may hold.

Weights are whole, over one number for all rows. A cell whose line or market is no longer there counts nothing, nor does
what is paid on the day.

Source: own design.

>>> from monedero.core.profile import Cell
>>> shop = Shop(name="Cabo", country="PT", currency="EUR", markets=[{"id": "pt", "country": "PT",
...     "currency": "EUR", "share": "100"}], lines=[{"id": "chart", "name": "Chart", "kind": "goods",
...     "usual_amount": "42 EUR", "recurring": False}])
>>> cell = Cell(line="chart", market="pt", orders="1.5", usual="42 EUR", low="30 EUR", high="70 EUR")
>>> class NoTable:
...     days: list[date] = []
>>> frame, over = typed_rows(Profile(cells=[cell]), shop, date(2026, 1, 5), ReferenceRates(NoTable()))
>>> frame["minor"].to_list(), frame["weight"].to_list(), over
([3000, 4200, 7000], [3, 6, 3], 8)
"""

from collections.abc import Iterable
from datetime import date
from fractions import Fraction
from math import lcm

import polars as pl

from monedero.core.fx import ReferenceRates
from monedero.core.profile import CardShare, Profile
from monedero.core.shop import Shop

SCHEMA: dict[str, type[pl.DataType]] = {
    "minor": pl.Int64,
    "currency": pl.String,
    "day": pl.Date,
    "country": pl.String,
    "card_network": pl.String,
    "card_kind": pl.String,
    "recurring": pl.Boolean,
    "kinds": pl.String,
    "line": pl.String,
}


def typed_rows(profile: Profile, shop: Shop, day: date, rates: ReferenceRates) -> tuple[pl.DataFrame, int]:
    """The rows of a month, and what their weights are over; of a booking by deposit the amounts are the deposits."""
    cards = list(_cards(profile.cards))
    lines = {line.id: line for line in shop.lines}
    markets = {market.id: market for market in shop.markets}
    rows: list[tuple[object, ...]] = []
    weights: list[Fraction] = []
    for cell in profile.cells:
        line, market = lines.get(cell.line), markets.get(cell.market)
        if line is None or market is None:
            continue
        for ordered, part in cell.amounts:
            amount = line.deposit.of(ordered, day, rates) if line.deposit else ordered
            if not amount.minor and ordered.minor:
                continue
            for network, kind, share in cards:
                weight = Fraction(cell.orders) * part * share
                if weight:
                    of_line = (line.recurring, line.kind.value, line.id)
                    rows.append((amount.minor, amount.currency, day, market.country, network, kind, *of_line))
                    weights.append(weight)
    over = lcm(*(weight.denominator for weight in weights))
    frame = pl.DataFrame(rows, schema=SCHEMA, orient="row")
    whole = pl.Series("weight", [int(weight * over) for weight in weights], dtype=pl.Int128)
    return frame.with_columns(whole), over


def _cards(cards: Iterable[CardShare]) -> Iterable[tuple[str | None, str | None, Fraction]]:
    """Network, kind and share of each kind of card; what is left of the whole is not known."""
    left = Fraction(1)
    for card in cards:
        share = Fraction(card.share) / 100
        left -= share
        yield card.network, card.kind.value if card.kind else None, share
    yield None, None, left
