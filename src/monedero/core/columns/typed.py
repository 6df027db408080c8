"""A typed order profile as weighted rows: every amount of every cell, once for each card that a buyer may hold.

Orders whose cards nobody knows, typed or past, are spread over the cards that the owner says buyers hold.

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

from collections.abc import Iterable, Sequence
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


def over_cards(orders: pl.DataFrame, cards: Sequence[CardShare]) -> tuple[pl.DataFrame, int]:
    """Orders as rows, those of which neither network nor kind of card is known once for each card that a buyer may
    hold; and what their weights are over.

    >>> orders = pl.DataFrame({"minor": [100, 200], "card_network": [None, "aster"], "card_kind": [None, None]})
    >>> spread, over = over_cards(orders, [CardShare(kind="consumer-debit", share="60")])
    >>> over, spread.select("minor", "card_kind", "weight").rows()
    (5, [(200, None, 5), (100, 'consumer-debit', 3), (100, None, 2)])
    """
    held = [(network, kind, share) for network, kind, share in _cards(cards) if share]
    over = lcm(*(share.denominator for *_, share in held))
    unknown = pl.col("card_network").is_null() & pl.col("card_kind").is_null()
    rows = [(network, kind, int(share * over)) for network, kind, share in held]
    spread = pl.DataFrame(
        rows, schema={"card_network": pl.String, "card_kind": pl.String, "weight": pl.Int128}, orient="row"
    )
    told = orders.filter(~unknown).with_columns(pl.lit(over, dtype=pl.Int128).alias("weight"))
    untold = orders.filter(unknown).drop("card_network", "card_kind").join(spread, how="cross")
    return pl.concat(
        [told.cast({"card_network": pl.String, "card_kind": pl.String}), untold], how="diagonal"
    ), over


def _cards(cards: Iterable[CardShare]) -> Iterable[tuple[str | None, str | None, Fraction]]:
    """Network, kind and share of each kind of card; what is left of the whole is not known."""
    left = Fraction(1)
    for card in cards:
        share = Fraction(card.share) / 100
        left -= share
        yield card.network, card.kind.value if card.kind else None, share
    yield None, None, left
