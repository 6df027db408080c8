"""Tests what is asked of a provider that is silent, has closed the account, or says no: nothing is lost or done
twice.
"""

from typing import Any

import pytest

from monedero.core.account import Mode
from monedero.work.accounts.gateways import access_name
from tests.api.shopkeeper import CHART, Shopkeeper


def number_of(keeper: Shopkeeper, provider: str) -> str:
    return str(keeper.get(f"/api/accounts/{provider}")["accounts"][0]["number"])


def close(keeper: Shopkeeper, provider: str) -> None:
    keeper.office(provider, f"merchants/{number_of(keeper, provider)}/close")


def refunded(keeper: Shopkeeper, token: str) -> str:
    return str(keeper.record(token)["payments"][0]["books"]["refunded"])


def test_a_refund_that_is_refused_leaves_the_money_where_it_is_and_says_why(keeper: Shopkeeper) -> None:
    token = keeper.paid()
    close(keeper, "orlenta")
    after = keeper.act(token, "refund", amount="20.00 EUR").json()
    assert (after["state"], after["can"]["refund"]) == ("paid", "85.00 EUR")
    assert refunded(keeper, token) == "0.00 EUR"
    told = [entry["text"] for entry in after["happened"]]
    assert told[-2] == "You asked to refund 20.00 EUR."
    assert "refused" in told[-1]
    keeper.running.beat()
    assert [entry["text"] for entry in keeper.record(token)["happened"]] == told


def test_an_order_that_waits_for_a_silent_provider_is_declined_when_it_says_no(keeper: Shopkeeper) -> None:
    keeper.office("orlenta", "faults", given=["down"])
    token = keeper.place("card")["token"]
    keeper.running.beat()
    assert keeper.record(token)["state"] == "at-provider"
    keeper.office("orlenta", "faults")
    close(keeper, "orlenta")
    keeper.running.beat()
    assert keeper.record(token)["state"] == "declined"
    offered = [entry["tender"] for entry in keeper.page(token)["offered"]]
    assert "online-banking" in offered


def test_an_order_that_cannot_be_asked_about_does_not_hold_up_the_others(keeper: Shopkeeper) -> None:
    stuck, other = keeper.paid(), keeper.paid("online-banking")
    for provider, token in (("orlenta", stuck), ("brixavo", other)):
        keeper.office(provider, "faults", given=["down"])
        keeper.act(token, "refund", amount="5.00 EUR")
        keeper.office(provider, "faults")
    keeper.running.store.sealed.drop(access_name("orlenta", Mode.TEST))
    keeper.running.beat()
    assert (refunded(keeper, stuck), refunded(keeper, other)) == ("0.00 EUR", "5.00 EUR")
    assert keeper.record(stuck)["due"][-1]["who"] == "provider"


def test_what_a_notification_has_not_told_yet_is_asked_for(keeper: Shopkeeper) -> None:
    keeper.office("orlenta", "faults", given=["late"])
    placed = keeper.place("card")
    token = placed["token"]
    keeper.client.post(placed["go_to"], data={"ending": "paid"}, follow_redirects=False)
    assert keeper.record(token)["state"] == "at-provider"
    keeper.office("orlenta", "faults", given=["late", "down"])
    assert keeper.post(f"/api/records/{token}/look", None, 200)["state"] == "at-provider"
    keeper.office("orlenta", "faults", given=["late"])
    assert keeper.post(f"/api/records/{token}/look", None, 200)["state"] == "paid"
    keeper.wind(minutes=31)
    assert keeper.story(token).count("paid") == 1


@pytest.mark.parametrize(
    ("act", "body", "status", "code"),
    [
        ("refund", {"amount": "5.00 USD"}, 422, "currency-differs"),
        ("refund", {"amount": "0.00 EUR"}, 422, "amount-zero"),
        ("refund", {"amount": "-5.00 EUR"}, 422, "amount-negative"),
        ("refund", {"amount": "five"}, 422, "money-text"),
        ("take", {"amount": "1.00 EUR"}, 422, "amount-beyond"),
        ("release", {}, 409, "move-not-allowed"),
        ("send", {"amount": "85.01 EUR"}, 422, "amount-beyond"),
        ("paid", {}, 409, "move-not-allowed"),
        ("credit", {"amount": "85.01 EUR"}, 422, "amount-beyond"),
        ("refund-double", {"amount": "1.00 EUR"}, 404, "not-found"),
    ],
)
def test_what_cannot_be_done_with_a_paid_order_changes_nothing(
    keeper: Shopkeeper, act: str, body: dict[str, Any], status: int, code: str
) -> None:
    token = keeper.paid(order=CHART)
    before = keeper.record(token)
    assert keeper.fault(keeper.act(token, act, **body))[:2] == (status, code)
    assert keeper.record(token) == before


def test_a_return_for_a_payment_that_nobody_knows_opens_nothing(keeper: Shopkeeper) -> None:
    answer = keeper.client.get("/return", params={"payment": "orl-nobody"}, follow_redirects=False)
    assert answer.headers["location"] == "/buy/orders/unknown"
    assert keeper.client.get("/api/orders/nobody").status_code == 404
    assert keeper.client.post("/api/records/nobody/look").status_code == 404
