"""Months of sets where days differ, figures are long, ways are the shop's own, or the search is cut short."""

from datetime import date
from fractions import Fraction
from typing import Any

import polars as pl
import pytest
from tests.core.best_set.test_against_brute_force import OrderByOrder, SmallShop, demand_of, every_set, small_shop
from tests.core.columns.test_columns import frame_of
from tests.core.ratecard.made_up import RATES

from monedero.core.best_set import best, branch
from monedero.core.best_set.best import best_set
from monedero.core.best_set.demand import Demand, OnCard, RouteTerms, Way, cells_of
from monedero.core.best_set.month import Chosen, month_of
from monedero.core.best_set.programme import Limits
from monedero.core.buyers.model import Buyers
from monedero.core.buyers.ranking import rankings
from monedero.core.buyers.typed import FamilyShare, with_share
from monedero.core.columns import orders as order_columns
from monedero.core.columns.arranged import Arranged
from monedero.core.columns.card import CardColumns
from monedero.core.columns.carried import Carried
from monedero.core.columns.classes import classes
from monedero.core.columns.fees import FeeColumns, name_of
from monedero.core.columns.level import PlanColumns
from monedero.core.columns.order_class import MARGIN_OVER
from monedero.core.errors import InvalidInput
from monedero.core.method import Family
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.linear import Linear
from monedero.core.ratecard.model import RateCard


def shop_of(rates: list[dict[str, Any]], days: list[date], margin: Fraction | None = Fraction(20)) -> SmallShop:
    card = {
        "format": "monedero/rate-card/1",
        "provider": {"id": "adam", "name": "a", "countries": ["PT"], "region": ["PT"], "settles_in": ["EUR"]},
        "plans": [{"id": "one", "name": "one", "monthly": "2.00 EUR"}],
        "rates": [{**rate, "id": f"r-{number}"} for number, rate in enumerate(rates)],
    }
    kinds = [
        {"country": None, "share": "70", "ways": ["card", "cash"]},
        {"country": None, "share": "30", "ways": ["cash", "device-wallet"]},
    ]
    orders = [Order(Money(5000 + 700 * number, "EUR"), "PT", day) for number, day in enumerate(days)]
    buyers = Buyers.model_validate({"format": "monedero/buyers/1", "kinds": kinds})
    return SmallShop([RateCard.model_validate(card)], orders, buyers, margin)


# The pound was worth another number of euros on each of these days.
DAYS = [date(2024, 1, 2), date(2024, 1, 2), date(2024, 3, 1), date(2024, 7, 1)]
IN_POUNDS: list[dict[str, Any]] = [
    {"method": "card", "percent": "0.5", "when": {"monthly_volume": {"from": "175 GBP"}}},
    {"method": "card", "percent": "2", "when": {}},
    {"method": "device-wallet", "percent": "1", "when": {"amount": {"from": "55 EUR"}}},
]


@pytest.mark.parametrize("bits", [125, 0], ids=["columns", "one by one"])
def test_a_band_that_ends_in_another_currency_ends_elsewhere_on_each_day(
    bits: int, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(order_columns, "BITS", bits)
    shop = shop_of(IN_POUNDS, DAYS)
    demand, by_order = demand_of(shop), OrderByOrder(shop)
    for chosen in every_set(demand):
        month = month_of(demand, chosen)
        told = (month.carried, month.fees, month.monthly, month.shortfall, month.left)
        assert told == by_order.month(chosen), chosen
    found = best_set(demand, Limits())
    assert found is not None
    assert found.month.left == max(month_of(demand, chosen).merit[0] for chosen in every_set(demand))


@pytest.mark.parametrize("bits", [125, 0], ids=["columns", "one by one"])
def test_an_arrangement_of_the_shops_own_costs_what_the_owner_says(
    bits: int, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(order_columns, "BITS", bits)
    shop = shop_of(IN_POUNDS[1:], DAYS)
    columns = FeeColumns(Catalogue(shop.cards, "PT", RATES), "EUR", RATES)
    frame = frame_of(shop.orders).with_columns(pl.lit(MARGIN_OVER // 5, dtype=pl.Int128).alias("margin"))
    orders = columns.orders(frame)
    routes = tuple(name_of(route) for route in shop.cards[0].routes)
    plan = PlanColumns("adam/one", "adam", routes, Fraction(2), Fraction(0))
    card = CardColumns(columns, columns.versions[0][0], orders, Carried({}, {}), [plan])
    dear = frozenset(order.row for order in orders.long if order.order.amount.minor > 5000)
    own = Arranged("cash-on-the-day", pl.col("minor") > 5000, dear, Linear(Fraction(1, 100), Fraction(1, 2)))
    ways = [
        *(Way(route.rsplit("/", 1)[1], route, "adam/one") for route in routes),
        Way(own.method, own.method, None),
    ]
    ranked = rankings(
        shop.buyers, {"card": Family.CARD, "device-wallet": Family.DEVICE_WALLET, own.method: Family.CASH}
    )
    found = classes(orders, [card], [own])
    demand = Demand(
        cells_of(found, ranked, ways), found, {plan.id: OnCard(plan, card)}, ways,
        {way.route: RouteTerms() for way in ways},
    )  # fmt: skip
    month = month_of(demand, Chosen((), (ways[-1],)))
    # Three of the four orders are over fifty: 57, 64 and 71 euros, by everybody.
    assert month.carried == 3
    assert month.fees == Fraction(192, 100) + Fraction(3, 2)
    assert month.left == Fraction(192, 5) - month.fees
    # Card for the seventy, cash for the thirty that do not take a card: 50.00 is lost by those.
    both = month_of(demand, Chosen(("adam/one",), (ways[0], ways[-1])))
    assert both.lost == Fraction(3, 10)
    chosen = best_set(demand, Limits(every_order=1))
    assert chosen is not None
    assert chosen.month.lost <= Fraction(3, 10)
    assert best_set(demand, Limits(closed=frozenset({"adam/one"}), most_ways=1)) == best_set(
        demand, Limits(closed=frozenset({"adam/one"}))
    )


def test_a_search_that_is_cut_short_is_ended_by_the_solver(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(best, "MOST_FOR_ALL", 0)
    whole = [best_set(demand_of(small_shop(seed)), Limits()) for seed in range(200, 206)]
    monkeypatch.setattr(branch, "MOST_PARTS", 0)
    for seed, before in zip(range(200, 206), whole, strict=True):
        after = best_set(demand_of(small_shop(seed)), Limits())
        assert before is not None
        assert after is not None
        assert abs(after.month.merit[-1] - before.month.merit[-1]) <= Fraction(1, 200)


def many_ways(seed: int) -> SmallShop:
    """Six providers with the same three methods at other prices, so that ways of a method are chosen between."""
    shops = [small_shop(number) for number in range(seed, seed + 12)]
    cards: list[RateCard] = []
    for number, other in enumerate(card for shop in shops for card in shop.cards):
        named = other.provider.model_copy(update={"id": f"p-{number}"})
        plain = [rate for rate in other.rates if rate.when.monthly_volume is None and rate.graduated is None]
        if plain and len(cards) < 6:
            plans = [plan.model_copy(update={"minimum_monthly": None}) for plan in other.plans]
            cards.append(other.model_copy(update={"provider": named, "rates": plain, "plans": plans}))
    return SmallShop(cards, [order for shop in shops for order in shop.orders], shops[0].buyers, Fraction(20))


@pytest.mark.parametrize("seed", [300, 320, 340, 360])
def test_pooled_ways_come_to_the_same_as_ways_one_by_one(seed: int, monkeypatch: pytest.MonkeyPatch) -> None:
    demand = demand_of(many_ways(seed))
    monkeypatch.setattr(best, "MOST_FOR_ALL", 10**6)
    proven = best_set(demand, Limits())
    monkeypatch.setattr(best, "MOST_FOR_ALL", 0)
    searched = best_set(demand, Limits())
    assert proven is not None
    assert searched is not None
    assert 0 <= proven.month.merit[-1] - searched.month.merit[-1] <= Fraction(1, 200)


def test_the_only_way_to_pay_has_all_buyers() -> None:
    only = [FamilyShare(family="card", share="100", stay="80")]
    assert [str(entry.share) for entry in with_share(only, Family.CARD, only[0].share)] == ["100"]
    with pytest.raises(InvalidInput, match="shares-total"):
        with_share(only, Family.CARD, only[0].share / 2)
