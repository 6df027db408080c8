"""Fees in columns against the exact core, order by order."""

from collections.abc import Sequence
from dataclasses import replace
from datetime import date
from fractions import Fraction

import polars as pl
import pytest
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.columns.fees import FeeColumns, name_of
from monedero.core.columns.orders import OrderColumns
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.linear import fee_curves
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.priced import NotPriced, Priced
from monedero.core.ratecard.pricing import CardPricer
from monedero.core.ratecard.volume import Takings, Volume
from tests.core.ratecard.made_up import RATES, cards, orders
from tests.properties import tried_on


def frame_of(held: list[Order]) -> pl.DataFrame:
    return pl.DataFrame(
        {
            "minor": [order.amount.minor for order in held],
            "currency": [order.amount.currency for order in held],
            "day": [order.placed_on for order in held],
            "country": [order.country for order in held],
            "card_kind": [order.card_kind and order.card_kind.value for order in held],
            "recurring": [order.recurring for order in held],
            "kinds": ["+".join(sorted(order.kinds)) or None for order in held],
            "number": list(range(len(held))),
        },
        schema_overrides={"card_kind": pl.String, "recurring": pl.Boolean, "line_kinds": pl.String},
    )


def charged(
    orders: OrderColumns, fees: pl.DataFrame, route: str, settlement: str, percent_over: int
) -> Sequence[int | None]:
    """The fees of one route as money charged, in minor units of its settlement currency, rounded once, half up."""
    joined = orders.frame.select("row", "pair").join(fees.select("row", route), on="row", maintain_order="left")
    found: list[int | None] = []
    for _, number, fee in joined.iter_rows():
        pair = orders.pairs[number]
        if fee is None:
            found.append(None)
            continue
        exact = Fraction(int(fee), pair.over * percent_over) * orders.rates.per_minor(
            pair.currency, settlement, pair.day
        )
        found.append((2 * exact.numerator + exact.denominator) // (2 * exact.denominator))
    return found


@tried_on(120)
@given(
    cards(graduated=True),
    cards(),
    st.lists(orders(), min_size=1, max_size=12),
    st.sampled_from([None, Money(400_000, "EUR"), Money(5_000, "KWD")]),
)
def test_columns_agree_with_the_exact_core(
    card: RateCard, other: RateCard, held: list[Order], volume: Money | None
) -> None:
    takings = Takings(every=volume)
    later = other.model_copy(update={"valid_from": date(2024, 6, 1)})
    catalogue = Catalogue([card, later], "PT", RATES)
    columns = FeeColumns(catalogue, "EUR", RATES)
    priced_orders = columns.orders(frame_of(held))
    fees = columns.price(priced_orders, Volume.of(volume) if volume else None, returned=True)
    rows = priced_orders.frame.join(fees, on="row").rows(named=True)
    assert len(rows) == len(held)
    for row in rows:
        order = held[row["number"]]
        pricer = next(p for p in catalogue.pricers(order.placed_on))
        for priced, (_, pieces) in zip(
            catalogue.price(order, takings), fee_curves(pricer, order, takings, "EUR", RATES), strict=True
        ):
            found = row[name_of(priced.route)]
            if not isinstance(priced, Priced):
                assert isinstance(priced, NotPriced)
                assert found is None
                continue
            to_books = RATES.find(priced.currency, "EUR", order.placed_on).value
            value = priced_orders.pairs[row["pair"]].value / (row["over"] * columns.percent_over)
            assert found * value == priced.exact * to_books
            assert not isinstance(pieces, NotPriced)
            amount = order.amount.exact
            piece = next(p for p in pieces if p.from_ <= amount and (p.below is None or amount < p.below))
            returned = row[f"{name_of(priced.route)}+returned"] * value
            assert returned == piece.returned("percent").at(amount)
            assert returned == priced.returned * to_books


@tried_on(60)
@given(cards(), st.lists(orders(), min_size=1, max_size=8))
def test_columns_round_to_the_same_minor_unit(card: RateCard, held: list[Order]) -> None:
    held = [replace(order, amount=Money(order.amount.minor, "USD")) for order in held]
    catalogue = Catalogue([card], "PT", RATES)
    columns = FeeColumns(catalogue, "EUR", RATES)
    priced_orders = columns.orders(frame_of(held))
    fees = columns.price(priced_orders)
    settlement = CardPricer(card, "PT", RATES).settlement("USD")
    for route in card.routes:
        found = charged(priced_orders, fees, name_of(route), settlement, columns.percent_over)
        exact = [next(priced for priced in catalogue.price(order) if priced.route == route) for order in held]
        assert found == [priced.charged.minor if isinstance(priced, Priced) else None for priced in exact]


def test_orders_of_nothing_and_without_a_rate_are_left_out(example_card: RateCard) -> None:
    columns = FeeColumns(Catalogue([example_card], "PT", RATES), "EUR", RATES)
    frame = pl.DataFrame(
        {
            "minor": [0, 500, 500],
            "currency": ["EUR", "KWD", "EUR"],
            "day": [date(2024, 1, 2)] * 3,
            "buyer_country": ["PT"] * 3,
        }
    )
    held = columns.orders(frame)
    assert held.frame["minor"].to_list() == [500]
    assert columns.orders(frame.head(2)).frame.is_empty()
    shut = FeeColumns(Catalogue([example_card], "GB", RATES), "EUR", RATES)
    assert shut.price(shut.orders(frame))["orlenta/start/card"].to_list() == [None]


def test_a_provider_that_pays_out_without_a_reference_rate_has_no_price(example_card: RateCard) -> None:
    elsewhere = example_card.provider.model_copy(update={"settles_in": ["KWD"]})
    catalogue = Catalogue([example_card.model_copy(update={"provider": elsewhere})], "PT", RATES)
    columns = FeeColumns(catalogue, "EUR", RATES)
    order = Order(Money(8500, "EUR"), "PT", date(2024, 1, 2))
    held = columns.orders(frame_of([order]))
    assert columns.price(held)["orlenta/start/card"].to_list() == [None]
    assert all(isinstance(priced, NotPriced) for priced in catalogue.price(order))


@pytest.mark.parametrize(
    ("band", "held"),
    [
        ({"from": "50 EUR"}, [False, True, True]),
        ({"below": "50 EUR"}, [True, False, False]),
        ({"from": "50 EUR", "below": "60 EUR"}, [False, True, False]),
    ],
)
def test_bands_of_amounts_are_from_an_end_inclusive_to_another_exclusive(
    example_card: RateCard, band: dict[str, str], held: list[bool]
) -> None:
    rate = {"id": "only", "method": "card", "when": {"amount": band}, "percent": "1"}
    body = {**example_card.model_dump(mode="json", by_alias=True), "rates": [rate], "extras": [], "events": []}
    card = RateCard.model_validate({**body, "settlement": []})
    columns = FeeColumns(Catalogue([card], "PT", RATES), "EUR", RATES)
    found = [Order(Money(minor, "EUR"), "PT", date(2024, 1, 2)) for minor in (4999, 5000, 6000)]
    fees = columns.price(columns.orders(frame_of(found)))["orlenta/start/card"].to_list()
    assert [fee is not None for fee in fees] == held
