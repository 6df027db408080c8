"""Fees in columns against the exact core, order by order."""

from datetime import date

import polars as pl
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from monedero.core.columns.fees import FeeColumns, charged, name_of
from monedero.core.money import Money
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.context import OrderContext
from monedero.core.ratecard.linear import fee_curves
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.priced import NotPriced, Priced
from monedero.core.ratecard.pricing import CardPricer
from monedero.core.ratecard.volume import Volume
from tests.core.made_up import RATES, cards, orders


def frame_of(held: list[OrderContext]) -> pl.DataFrame:
    return pl.DataFrame(
        {
            "minor": [order.amount.minor for order in held],
            "currency": [order.amount.currency for order in held],
            "day": [order.placed_on for order in held],
            "buyer_country": [order.buyer_country for order in held],
            "card_kind": [order.card_kind and order.card_kind.value for order in held],
            "recurring": [order.recurring for order in held],
            "line_kinds": ["+".join(sorted(order.line_kinds)) or None for order in held],
            "number": list(range(len(held))),
        },
        schema_overrides={"card_kind": pl.String, "recurring": pl.Boolean, "line_kinds": pl.String},
    )


@settings(max_examples=120, deadline=None)
@given(
    cards(graduated=True),
    cards(),
    st.lists(orders(), min_size=1, max_size=12),
    st.sampled_from([None, Money(400_000, "EUR"), Money(5_000, "KWD")]),
)
def test_columns_agree_with_the_exact_core(
    card: RateCard, other: RateCard, held: list[OrderContext], volume: Money | None
) -> None:
    later = other.model_copy(update={"valid_from": date(2024, 6, 1)})
    catalogue = Catalogue([card, later], "PT", RATES)
    columns = FeeColumns(catalogue, "EUR", RATES)
    priced_orders = columns.orders(frame_of(held))
    fees = columns.price(priced_orders, Volume.of(volume) if volume else None, returned=True)
    rows = priced_orders.frame.join(fees, on="row").rows(named=True)
    assert len(rows) == len(held)
    for row in rows:
        given_order = held[row["number"]]
        order = OrderContext(
            given_order.amount,
            given_order.buyer_country,
            given_order.placed_on,
            given_order.line_kinds,
            given_order.recurring,
            None,
            given_order.card_kind,
            volume,
        )
        pricer = next(p for p in catalogue.pricers(order.placed_on))
        for priced, (_, pieces) in zip(
            catalogue.price(order), fee_curves(pricer, order, "EUR", RATES), strict=True
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


@settings(max_examples=60, deadline=None)
@given(cards(), st.lists(orders(), min_size=1, max_size=8))
def test_columns_round_to_the_same_minor_unit(card: RateCard, held: list[OrderContext]) -> None:
    held = [order for order in held if order.amount.currency == "USD"]
    catalogue = Catalogue([card], "PT", RATES)
    columns = FeeColumns(catalogue, "EUR", RATES)
    priced_orders = columns.orders(frame_of(held))
    fees = columns.price(priced_orders)
    settlement = CardPricer(card, "PT", RATES).settlement("USD")
    for route in card.routes:
        found = charged(priced_orders, fees, name_of(route), settlement, columns.percent_over)
        exact = [
            next(priced for priced in catalogue.price(no_volume(order)) if priced.route == route) for order in held
        ]
        assert found == [priced.charged.minor if isinstance(priced, Priced) else None for priced in exact]


def no_volume(order: OrderContext) -> OrderContext:
    return OrderContext(
        order.amount,
        order.buyer_country,
        order.placed_on,
        order.line_kinds,
        order.recurring,
        None,
        order.card_kind,
    )


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
    order = OrderContext(Money(8500, "EUR"), "PT", date(2024, 1, 2))
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
    found = [OrderContext(Money(minor, "EUR"), "PT", date(2024, 1, 2)) for minor in (4999, 5000, 6000)]
    fees = columns.price(columns.orders(frame_of(found)))["orlenta/start/card"].to_list()
    assert [fee is not None for fee in fees] == held
