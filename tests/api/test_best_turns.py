"""Prices and shares of buyers at which another set is best, and what changing to the best set takes."""

from fractions import Fraction
from typing import Any

import pytest
from starlette.testclient import TestClient

from monedero.core.best_set.best import best_set
from monedero.core.best_set.month import Chosen, month_of
from monedero.core.best_set.programme import Limits
from monedero.core.best_set.turning import Price, at_price
from monedero.server.shops import RunningShop
from monedero.work.month.demand import demand_of
from tests.api.test_best_set import best, edit, euros
from tests.conftest import NOW, at_desk

CENT = Fraction(1, 100)


def prices(client: TestClient, plan: str, status: int = 200) -> Any:
    answer = client.get("/api/compare/best-set/price", params={"plan": plan})
    assert answer.status_code == status, answer.json()
    return answer.json()


def test_a_plan_that_is_out_is_in_from_the_price_on_that_is_told(client: TestClient, demo: RunningShop) -> None:
    told = prices(client, "orlenta/steady")
    assert not told["inside"]
    charge = next(turn for turn in told["turns"] if turn["kind"] == "monthly")
    less = Fraction(charge["exactly"]["exact"])
    assert "instead of 29.00 EUR" in charge["text"]
    demand, cent = demand_of(at_desk(demo.store), NOW.date()), Fraction(1, 100)
    for at, inside in ((less - cent, False), (less + cent, True)):
        found = best_set(at_price(demand, "orlenta/steady", Price(monthly=at)), Limits())
        assert found is not None
        assert ("orlenta/steady" in found.month.chosen.plans) == inside


def test_a_plan_that_is_in_tells_how_far_its_prices_may_rise(client: TestClient) -> None:
    told = prices(client, "quayling/later")
    assert told["inside"]
    texts = {turn["kind"]: turn["text"] for turn in told["turns"]}
    assert texts["monthly"].endswith("the best set is one without Instalments.")
    without = next(way for way in best(client)["inside"] if way["method"] == "instalments")["without"]
    rise = next(turn for turn in told["turns"] if turn["kind"] == "monthly")["exactly"]["decimal"]
    assert abs(Fraction(rise) - euros(without)) <= Fraction(1, 100)


def test_a_plan_that_is_not_there_and_limits_that_nothing_keeps_are_refused(client: TestClient) -> None:
    assert prices(client, "nobody/one", 404)["errors"][0]["value"] == "nobody/one"
    asked: dict[str, str | int] = {"plan": "orlenta/steady", "most_ways": 0, "every_order": 2}
    assert client.get("/api/compare/best-set/price", params=asked).status_code == 409
    asked = {"family": "moon", "most_ways": 0}
    assert client.get("/api/compare/best-set/shares", params=asked).status_code == 422


@pytest.mark.parametrize("family", ["card", "account-wallet"])
def test_a_share_of_buyers_says_from_where_on_another_set_is_best(client: TestClient, family: str) -> None:
    told = client.get("/api/compare/best-set/shares", params={"family": family}).json()
    assert (told["text"] == "") == bool(told["turns"])
    for turn in told["turns"]:
        share = Fraction(turn["exactly"]["decimal"])
        assert (share < Fraction(told["share"])) == (turn["kind"] == "fewer")


def test_changing_takes_the_fees_and_days_that_contracts_say(client: TestClient) -> None:
    terms = {"notice_days": 40, "exit_fee": "90 EUR", "runs_until": None, "saved_details": 120}
    answer = client.put("/api/accounts/orlenta/leaving-terms", params={"mode": "test"}, json=terms)
    assert answer.status_code == 200, answer.json()
    assert (answer.json()["leaving"]["exit_fee"], answer.json()["saved_details"]) == ("90.00 EUR", 120)
    found = best(client)
    (orlenta,) = found["changing"]["left"]
    assert orlenta["exit_fee"] == "90.00 EUR"
    assert orlenta["ends"] == "2027-01-03"
    assert orlenta["saved_details"] == 120
    assert found["changing"]["fees"] == "90.00 EUR"
    assert found["changing"]["days"] == 1
    assert euros(found["changing"]["a_year"]) == pytest.approx(12 * euros(found["better"]), abs=0.07)


@pytest.mark.parametrize("wrong", [{"notice_days": -1}, {"exit_fee": "much"}, {"runs_until": "soon"}])
def test_terms_that_cannot_be_are_refused(client: TestClient, wrong: dict[str, Any]) -> None:
    answer = client.put("/api/accounts/orlenta/leaving-terms", params={"mode": "test"}, json=wrong)
    assert answer.status_code == 422
    (fault,) = answer.json()["errors"]
    assert fault["field"] == next(iter(wrong))


def test_the_best_set_of_one_account_more_has_one_more_and_leaves_no_more(client: TestClient) -> None:
    edit(client, "card", share="97")
    found = best(client)
    assert found["one_more"]["accounts"] == found["best"]["accounts"] + 1
    assert euros(found["one_more"]["left"]) < euros(found["best"]["left"])
    assert best(client, most_accounts=found["best"]["accounts"])["one_more"] is None


def test_every_set_of_so_many_accounts_leaves_no_more_than_the_one_that_is_told(demo: RunningShop) -> None:
    demand = demand_of(at_desk(demo.store), NOW.date())
    for least in (1, 6):
        found = best_set(demand, Limits(least_accounts=least))
        if found is not None:
            assert len(found.month.chosen.plans) >= least
            plans = found.month.chosen.plans
            ways = found.month.chosen.ways
            assert month_of(demand, Chosen(plans, ways)).left == found.month.left


def test_all_the_money_of_the_set_comes_in_the_end(client: TestClient, demo: RunningShop) -> None:
    """All that buyers pay, less the fees and charges of the best set."""
    money = client.get("/api/compare/best-set/money").json()
    found = best_set(demand_of(at_desk(demo.store), NOW.date()), Limits())
    assert found is not None
    month = found.month
    taken = sum((way.orders.amount for way in month.ways), Fraction(0))
    assert (money["first"], money["unknown"]) == ("2026-12-01", None)
    assert abs(euros(money["taken"]) - taken) <= CENT
    assert abs(euros(money["days"][-1]["amount"]) - (taken - month.fees - month.monthly - month.shortfall)) <= CENT
    amounts = {entry["day"]: euros(entry["amount"]) for entry in money["days"]}
    assert 2 * amounts[money["half_on"]] + CENT >= euros(money["days"][-1]["amount"])


def test_limits_are_suggested_where_small_orders_cost_more_than_they_leave(client: TestClient) -> None:
    assert client.get("/api/compare/best-set/limits").json()["limits"] == []
    shop = client.get("/api/shop").json()
    lines = [{**line, "margin": "1"} for line in shop["shop"]["lines"]]
    edit = {"version": shop["version"], "shop": {**shop["shop"], "lines": lines}}
    assert client.put("/api/shop", json=edit).status_code == 200
    limits = client.get("/api/compare/best-set/limits", params={"keep": ["card"]}).json()["limits"]
    assert any(entry["text"].startswith("Card") and "more a month" in entry["text"] for entry in limits)
