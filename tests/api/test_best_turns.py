"""Prices and shares of buyers at which another set is best, and what changing to the best set takes."""

from fractions import Fraction
from typing import Any

import pytest
from starlette.testclient import TestClient

from monedero.core.best_set.best import best_set
from monedero.core.best_set.month import Chosen, month_of
from monedero.core.best_set.programme import Limits
from monedero.core.best_set.turning import Price, at_margin, at_price
from monedero.core.numbers import decimal_text
from monedero.server.shops import RunningShop
from monedero.work.compare.assumptions import assume
from monedero.work.month.best import best_of_shop
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


def values(client: TestClient, assumption: str, about: str, status: int = 200) -> Any:
    asked = {"assumption": assumption, "about": about}
    answer = client.get("/api/compare/best-set/assumption", params=asked)
    assert answer.status_code == status, answer.json()
    return answer.json()


@pytest.mark.parametrize(
    ("assumption", "about"),
    [("dispute-rate", "card"), ("completion-rate", "device-wallet"), ("money-cost", "*"), ("minutes", "card")],
)
def test_an_assumption_says_from_which_value_on_another_set_is_best(
    client: TestClient, demo: RunningShop, assumption: str, about: str
) -> None:
    """Assumed just on either side of the value, the set is the one before it, and another one."""
    context = at_desk(demo.store)
    before = best_of_shop(context, NOW.date(), Limits()).best
    assert before is not None
    assert (assumption, about) in [(asked["assumption"], asked["about"]) for asked in best(client)["assumptions"]]
    (turn,) = values(client, assumption, about)["turns"]
    at, beyond = Fraction(turn["exactly"]["decimal"]), 1 if turn["kind"] == "higher" else -1
    for step, same in ((-beyond, True), (beyond, False)):
        assume(context, assumption, about, decimal_text(at + step * CENT, 6))
        found = best_of_shop(context, NOW.date(), Limits()).best
        assert found is not None
        assert (found.month.chosen == before.month.chosen) == same


def test_a_margin_at_which_another_set_is_best_is_one_of_all_lines(client: TestClient, demo: RunningShop) -> None:
    told = values(client, "margin", "*")
    assert told["turns"] or told["text"].endswith("this set is the best.")
    demand = demand_of(at_desk(demo.store), NOW.date())
    assert demand.every.margin is not None
    now = demand.every.margin / demand.every.amount
    first = best_set(demand, Limits())
    for turn in told["turns"]:
        moves = Fraction(turn["exactly"]["decimal"]) / 100 - now
        beyond = best_set(at_margin(demand, moves * Fraction(1001, 1000)), Limits())
        within = best_set(at_margin(demand, moves * Fraction(999, 1000)), Limits())
        assert first is not None
        assert beyond is not None
        assert within is not None
        assert beyond.month.chosen != first.month.chosen == within.month.chosen


def test_without_margins_nothing_is_said_of_another_figure(client: TestClient) -> None:
    shop = client.get("/api/shop").json()
    lines = [{**line, "margin": None} for line in shop["shop"]["lines"]]
    kept = client.put("/api/shop", json={"version": shop["version"], "shop": {**shop["shop"], "lines": lines}})
    assert kept.status_code == 200
    assert values(client, "refund-rate", "card")["text"].endswith("of what another figure would change.")
    told = client.get("/api/compare/best-set/shares", params={"family": "card"}).json()
    assert told["text"].startswith("Type the margins of your lines")
    assert prices(client, "orlenta/steady")["turns"] == []


def test_yes_or_no_is_asked_for_the_other_answer(client: TestClient) -> None:
    told = values(client, "tax-recoverable", "*")
    assert told["text"].startswith("Now yes.")
    assert bool(told["turns"]) != told["text"].endswith("With either answer this set is the best.")


@pytest.mark.parametrize(
    ("assumption", "about"), [("moon-phase", "*"), ("refund-rate", "moon"), ("margin", "card")]
)
def test_an_assumption_that_is_not_there_is_refused(client: TestClient, assumption: str, about: str) -> None:
    assert values(client, assumption, about, 404)["errors"][0]["value"] == f"{assumption} {about}"
