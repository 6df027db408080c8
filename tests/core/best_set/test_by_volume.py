"""A plan by volume against the months of so many times as many orders, and worked cases by hand."""

from dataclasses import replace
from fractions import Fraction
from typing import Any

import pytest
from tests.core.best_set.test_against_brute_force import DAY, SmallShop, demand_of, small_shop
from tests.core.best_set.test_corners import DAYS, IN_POUNDS, shop_of

from monedero.core.best_set.by_volume import by_volume
from monedero.core.best_set.demand import Demand, RouteTerms
from monedero.core.best_set.month import Chosen, month_of
from monedero.core.buyers.model import Buyers
from monedero.core.columns.order_class import Fees, OrderClass
from monedero.core.curve.envelope import envelope
from monedero.core.method import Family
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.ratecard.model import RateCard

METHODS = {"card": Family.CARD, "device-wallet": Family.DEVICE_WALLET}


def times(entry: OrderClass, factor: Fraction) -> OrderClass:
    """So many times the orders of a class."""
    fees = {at: Fees(factor * paid.fees, factor * paid.returned) for at, paid in entry.fees.items()}
    margin = None if entry.margin is None else factor * entry.margin
    return replace(entry, orders=factor * entry.orders, amount=factor * entry.amount, margin=margin, fees=fees)


def scaled(demand: Demand, factor: Fraction) -> Demand:
    """A month with so many times the orders."""
    cells = [
        replace(cell, parts=[(share, times(entry, factor)) for share, entry in cell.parts])
        for cell in demand.cells
    ]
    return replace(demand, cells=cells)


@pytest.mark.parametrize("seed", range(80))
def test_the_cost_at_a_volume_is_the_month_of_so_many_times_as_many_orders(seed: int) -> None:
    demand = demand_of(small_shop(seed))
    terms = {
        route: RouteTerms(Fraction(1, 100), Fraction(1, 5), Fraction(5, 4), Fraction(1, 50))
        for route in demand.terms
    }
    demand = replace(demand, terms=terms)
    for name in demand.plans:
        found = by_volume(demand, name)
        for tenths in (1, 5, 10, 20, 70):
            chosen = Chosen((name,), tuple(demand.of_plan[name]))
            month = month_of(scaled(demand, Fraction(tenths, 10)), chosen)
            volume = found.own * Fraction(tenths, 10)
            cost = found.cost.at(volume)
            if cost is not None and month.plans[0].volume == volume:
                assert month.cost == cost, (name, tenths)


def card_of(name: str, plans: list[dict[str, Any]], rates: list[dict[str, Any]]) -> RateCard:
    return RateCard.model_validate(
        {
            "format": "monedero/rate-card/1",
            "provider": {"id": name, "name": name, "countries": ["PT"], "region": ["ES"], "settles_in": ["EUR"]},
            "plans": [{"name": plan["id"], **plan} for plan in plans],
            "rates": [{"id": f"r-{number}", "when": {}, **rate} for number, rate in enumerate(rates)],
        }
    )


def demand(cards: list[RateCard], countries: list[str], ways: list[str] | None = None) -> Demand:
    """Orders of 50 EUR, of buyers who take some ways."""
    kind = {"country": None, "share": "100", "ways": ways or ["card"]}
    buyers = Buyers.model_validate({"format": "monedero/buyers/1", "kinds": [kind]})
    orders = [Order(Money(5000, "EUR"), country, DAY) for country in countries]
    return demand_of(SmallShop(cards, orders, buyers, Fraction(20)))


GRADUATED = [{"below": "2000 EUR", "percent": "1.8"}, {"below": None, "percent": "1"}]


def test_a_graduated_plan_pays_from_the_volume_at_which_its_walk_meets_the_flat_one() -> None:
    """30 a month, 1.8 % below 2,000 and 1 % above, against a flat 2 %: 30 + 36 + 1 % (v - 2,000) = 2 % v at 4,600."""
    found = demand(
        [
            card_of("flat", [{"id": "only"}], [{"method": "card", "percent": "2"}]),
            card_of(
                "walked", [{"id": "own", "monthly": "30.00 EUR"}], [{"method": "card", "graduated": GRADUATED}]
            ),
        ],
        ["PT"] * 100,
    )
    flat, walked = (by_volume(found, name) for name in found.plans)
    assert flat.own == walked.own == 5000
    assert walked.cost.at(Fraction(5000)) == 30 + 36 + 30
    stretches = envelope([flat.cost, walked.cost], Fraction(1), Fraction(100_000))
    assert [stretch.from_ for stretch in stretches] == [1, 4600]
    assert [stretch.curve for stretch in stretches] == [0, 1]


def test_a_dearer_way_counts_where_buyers_take_it() -> None:
    """Card at 1 % beside a wallet at 3 %: buyers who take the wallet first make the month one of 3 %."""
    rates = [{"method": "card", "percent": "1"}, {"method": "device-wallet", "percent": "3"}]
    found = demand([card_of("one", [{"id": "only"}], rates)], ["PT"] * 10, ["device-wallet", "card"])
    assert by_volume(found, "one/only").cost.at(Fraction(500)) == 15


def test_plans_that_carry_other_orders_are_told_apart() -> None:
    rates: list[dict[str, Any]] = [
        {"method": "card", "percent": "2", "plans": ["all"]},
        {"method": "card", "percent": "1", "plans": ["few"], "when": {"buyer_country": ["ES"]}},
    ]
    found = demand([card_of("one", [{"id": "all"}, {"id": "few"}], rates)], ["PT"] * 9 + ["ES"])
    every, few = (by_volume(found, name) for name in found.plans)
    assert [every.own, few.own] == [500, 50]
    assert few.carried < every.carried


def test_a_plan_that_would_carry_other_orders_at_a_volume_has_no_cost_there() -> None:
    """From 10,000 only the orders from Spain have a price: what the month of them all costs is not known there."""
    rates: list[dict[str, Any]] = [
        {"method": "card", "percent": "1", "when": {"buyer_country": ["ES"]}},
        {"method": "card", "percent": "2", "when": {"monthly_volume": {"below": "10000 EUR"}}},
    ]
    found = by_volume(demand([card_of("one", [{"id": "a"}], rates)], ["PT"] * 90 + ["ES"] * 10), "one/a")
    assert found.cost.at(Fraction(5000)) == 90 + 5
    assert found.cost.at(Fraction(20_000)) is None


def test_a_plan_that_nobody_takes_has_no_cost() -> None:
    found = by_volume(
        demand([card_of("one", [{"id": "a"}], [{"method": "card", "percent": "1"}])], ["PT"], ["cash"]), "one/a"
    )
    assert found.own == 0
    assert not found.cost.pieces
    assert not found.carried


def test_days_on_which_bands_end_elsewhere_are_counted_each_by_its_own() -> None:
    found = demand_of(shop_of(IN_POUNDS, DAYS))
    for name in found.plans:
        plan = by_volume(found, name)
        month = month_of(found, Chosen((name,), tuple(found.of_plan[name])))
        assert plan.cost.at(plan.own) in (None, month.cost)
        less = month_of(scaled(found, Fraction(1, 10)), Chosen((name,), tuple(found.of_plan[name])))
        assert plan.cost.at(plan.own / 10) in (None, less.cost)
