"""Tests what a comparison rests on: days, shares, the shop's software, reach, and a profile typed from past orders."""

from datetime import date
from fractions import Fraction

import pytest

from monedero.core.account import Stage
from monedero.core.profile import Source
from monedero.core.shop import Shop
from monedero.server.shops import RunningShop
from monedero.store.past_orders import PastOrder
from monedero.work.compare.ranking import Comparison, RankedRoute, compare
from monedero.work.month.figures import month_of
from monedero.work.month.orders_in_columns import card_columns, month_orders, months_between
from monedero.work.month.profile import derived
from monedero.work.prices.inputs import inputs_of
from monedero.work.shop.order_in_hand import OrderSentence, order_in_hand
from tests.conftest import NOW, at_desk

TODAY = NOW.date()


def compared(
    running: RunningShop, line: str = "night-boat-tour", market: str = "es-eur", on: date = TODAY
) -> Comparison:
    held = running.store.description.read()
    assert held
    currency = next(entry.currency for entry in held.value.markets if entry.id == market)
    return compare(
        at_desk(running.store), order_in_hand(held.value, OrderSentence(market, line, "85.00", currency, on))
    )


def route(comparison: Comparison, key: str) -> RankedRoute:
    return next(entry for entry in comparison.ranked if entry.candidate.key == key)


def change(running: RunningShop, **values: object) -> None:
    held = running.store.description.read()
    assert held
    shop = Shop.model_validate({**held.value.model_dump(mode="json", by_alias=True), **values})
    running.store.description.save(shop, held.version)


def test_money_paid_at_the_door_is_on_its_way_from_the_delivery(demo: RunningShop) -> None:
    """Delivered three days after Tuesday 24 November, then five TARGET days."""
    cash = route(compared(demo, line="star-chart"), "cash-on-delivery")
    assert cash.arrives_on == date(2026, 12, 4)
    assert cash.other_costs.at_the_door


def test_a_weekend_is_waited_for_in_the_order_and_in_the_mean_on_a_curve(demo: RunningShop) -> None:
    friday = route(compared(demo, on=date(2026, 11, 27)), "orlenta/start/card")
    assert friday.arrives_on == date(2026, 12, 1)
    assert friday.other_costs.days == 4


def test_the_first_payout_of_a_new_account_is_later(demo: RunningShop) -> None:
    """Pocketfern pays the same day; Quayling's first payout of a new account comes after 14 days."""
    held = demo.store.accounts
    quayling = route(compared(demo), "quayling/later/instalments")
    assert quayling.arrives_on == date(2026, 12, 3)
    account = held.of(inputs_of(at_desk(demo.store)).setting.mode)["quayling"]
    held.put(account.model_copy(update={"stage": Stage.REFUSED}))
    fresh = route(compared(demo), "quayling/later/instalments")
    assert fresh.arrives_on == date(2026, 12, 10)


def test_the_monthly_share_is_the_plans_month_over_the_orders_that_buyers_bring(demo: RunningShop) -> None:
    month = month_of(at_desk(demo.store), TODAY)
    steady = route(compared(demo), "orlenta/steady/card")
    carried = month.plans["orlenta/steady"].carried
    # Some of the 168 orders are of buyers who would leave.
    assert 0 < carried < month.orders == 168
    assert steady.other_costs.monthly_share == 29 / carried


def test_a_request_that_began_before_an_edit_leaves_nothing_of_it_behind(demo: RunningShop) -> None:
    """It still prices the orders of before when those of after are there; the next request has those of after."""
    before, store = inputs_of(at_desk(demo.store)), demo.store
    orders = month_orders(at_desk(store), before, TODAY)
    profile = store.profile.read()
    assert profile
    doubled = [cell.model_copy(update={"orders": 2 * cell.orders}) for cell in profile.value.cells]
    store.profile.save(profile.value.model_copy(update={"cells": doubled}), profile.version)
    after = inputs_of(at_desk(store))
    now = month_orders(at_desk(store), after, TODAY)
    late = card_columns(at_desk(store), before, orders, TODAY)["orlenta"]
    card = card_columns(at_desk(store), after, now, TODAY)["orlenta"]
    assert card.volume(card.plans[0]) == 2 * late.volume(late.plans[0]) > 0


def test_the_software_takes_its_fee_but_on_waived_providers(demo: RunningShop) -> None:
    both = compared(demo)
    assert route(both, "orlenta/start/card").other_costs.software.slope == 0
    assert route(both, "brixavo/one/online-banking").other_costs.software.slope == Fraction(1, 100)
    assert route(both, "bank-transfer").other_costs.software.slope == Fraction(1, 100)
    change(demo, software=None)
    assert route(compared(demo), "bank-transfer").other_costs.software.slope == 0


def test_reach_is_the_share_of_the_markets_that_can_be_carried(demo: RunningShop) -> None:
    both = compared(demo)
    assert route(both, "orlenta/start/card").reach == 1
    assert route(both, "brixavo/one/online-banking").reach == Fraction(70, 100)
    change(demo, markets=[{"id": "es-eur", "country": "ES", "currency": "EUR", "share": "0"}])
    assert route(compared(demo), "orlenta/start/card").reach is None


def test_without_a_margin_nothing_is_said_of_earnings(demo: RunningShop) -> None:
    lines = [
        {"id": "night-boat-tour", "name": "Tour", "kind": "booking", "usual_amount": "85 EUR", "recurring": False}
    ]
    change(demo, lines=lines)
    assert route(compared(demo), "orlenta/start/card").earns is None


@pytest.mark.parametrize(
    ("first", "last", "months"),
    [
        ("2026-10-31", "2026-11-01", 2),
        ("2026-11-01", "2026-11-30", 1),
        ("2025-12-31", "2027-01-01", 14),
        (None, None, 1),
    ],
)
def test_the_months_of_past_orders_are_counted_from_the_first_to_the_last(
    first: str | None, last: str | None, months: int
) -> None:
    assert months_between(first, last) == months


def past(number: int, minor: int) -> PastOrder:
    kinds, card = "booking", ("consumer-debit", "aster")
    return PastOrder(str(number), "2026-10-03", minor, "EUR", "ES", "night-boat-tour", kinds, False, *card, None)


def test_a_profile_from_past_orders_takes_the_means_of_its_quarters_and_half(demo: RunningShop) -> None:
    """Sixteen amounts 1.00 to 16.00: the means of the first four, the eight in the middle, and the last four."""
    demo.store.past_orders.add([[past(number, 100 * number) for number in range(1, 17)]])
    profile = derived(at_desk(demo.store)).profile
    (cell,) = profile.cells
    assert (str(cell.low), str(cell.usual), str(cell.high)) == ("2.50 EUR", "8.50 EUR", "14.50 EUR")
    assert (str(cell.orders), profile.source) == ("16", Source.TYPED)
    assert [(share.kind, share.network, str(share.share)) for share in profile.cards] == [
        ("consumer-debit", "aster", "100"),
    ]
