"""An account that is held elsewhere counts as connected, and its rehearsals are played here."""

from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.api.shopkeeper import BOAT, Shopkeeper

TOLD = {
    "plan": "standard",
    "since": "2024-05-01",
    "methods": ["card"],
    "storefronts": ["web-shop"],
    "takings": "12000 EUR",
    "saved_details": 340,
}
TEXT = "Cards 1.5% + €0.25\nCards 1.1% over €10,000 a month\nSEPA Direct Debit €0.35"


@pytest.fixture
def client(client: TestClient) -> TestClient:
    """In a shop that knows Larkhithe by its prices."""
    body = {"name": "Larkhithe", "country": "PT", "currency": "EUR", "text": TEXT}
    assert client.post("/api/new-provider", json=body).status_code == 201
    return client


def hold(client: TestClient, provider: str = "larkhithe", **changes: Any) -> Any:
    return client.put(f"/api/accounts/{provider}/elsewhere", json={**TOLD, **changes})


def test_it_is_shown_as_it_was_said(client: TestClient) -> None:
    held = hold(client).json()
    assert (held["stage"], held["stands"], held["since"]) == ("connected", "Held elsewhere", "since 1 May 2024")
    assert held["elsewhere"] == {**TOLD, "takings": "12000.00 EUR"}
    assert held["elsewhere_text"] == (
        "Monedero does not carry its payments: whoever does tells you what was paid. Rehearsals are played here, under "
        "the name of Larkhithe. It takes 12,000.00 EUR in a month. The details of 340 buyers lie there, and would be "
        "lost with it."
    )
    # Looking at the sheet asks nobody, and changes nothing that was said.
    sheet = client.get("/api/accounts/larkhithe").json()
    assert [account["elsewhere"]["methods"] for account in sheet["accounts"]] == [["card"]]


def test_its_methods_are_offered_and_rehearsed(client: TestClient, keeper: Shopkeeper) -> None:
    hold(client, storefronts=None)
    draft = client.get("/api/checkouts/web-shop").json()
    route = {"provider": "larkhithe", "plan": "standard", "method": "card"}
    added = client.post(
        "/api/checkouts/web-shop/tenders", json={"method": "card", "route": route, "version": draft["version"]}
    ).json()
    tenders = [{**tender, "on": tender["on"] or tender["id"] == added["added"]} for tender in added["tenders"]]
    client.put("/api/checkouts/web-shop", json={"version": added["version"], "tenders": tenders})
    view = client.get("/api/checkouts/web-shop/view", params=BOAT).json()
    offered = {outcome["tender"]["id"] for outcome in view["outcomes"] if outcome["place"] is not None}
    assert added["added"] in offered
    placed = client.post("/api/checkouts/web-shop/orders", json={"order": BOAT, "tender": added["added"]})
    assert placed.status_code == 201, placed.json()
    assert "larkhithe" in placed.json()["go_to"]


def test_what_it_takes_in_a_month_prices_its_bands(client: TestClient) -> None:
    def fee() -> str:
        ranked = client.get("/api/compare", params=BOAT).json()["ranked"]
        [card] = [entry for entry in ranked if entry["route"]["key"] == "larkhithe/standard/card"]
        return str(card["fee"])

    before = fee()
    hold(client)
    # 1.1 % of 85.00 above 10,000 a month, in place of 1.5 % and 0.25.
    assert (before, fee()) == ("1.53 EUR", "0.94 EUR")


def test_it_is_said_anew_and_given_up(client: TestClient) -> None:
    hold(client)
    assert hold(client, methods=["card", "sepa-direct-debit"], takings=None).json()["elsewhere"]["takings"] is None
    left = client.post("/api/accounts/larkhithe/disconnect").json()
    assert left["stage"] == "disconnected"


@pytest.mark.parametrize(
    ("changes", "field", "code"),
    [
        ({"methods": []}, "methods", "list-empty"),
        ({"methods": ["cheque"]}, "methods.0", "not-found"),
        ({"plan": "gold"}, "plan", "not-found"),
        ({"storefronts": ["moon"]}, "storefronts.0", "not-found"),
        ({"takings": "much"}, "takings", "money-text"),
        ({"saved_details": -1}, "saved_details", "limits-crossed"),
        ({"since": "soon"}, "since", "date-text"),
    ],
)
def test_what_cannot_be_is_refused_by_field(
    client: TestClient, changes: dict[str, Any], field: str, code: str
) -> None:
    answer = hold(client, **changes)
    assert answer.status_code == 422
    assert [(fault["field"], fault["code"]) for fault in answer.json()["errors"]] == [(field, code)]
    assert client.get("/api/accounts/larkhithe").json()["accounts"] == []


def test_one_that_is_under_way_or_excluded_is_not_held_elsewhere(client: TestClient) -> None:
    under_way = hold(client, "orlenta", plan="start", methods=["card"])
    assert (under_way.status_code, under_way.json()["errors"][0]["code"]) == (409, "account-held")
    excluded = hold(client, "mirabou", plan="invoice", methods=["pay-after-delivery"])
    assert (excluded.status_code, excluded.json()["errors"][0]["code"]) == (409, "excluded")
    assert hold(client, "nobody").status_code == 404


def test_in_live_mode_nothing_is_played(client: TestClient) -> None:
    held = client.put("/api/accounts/larkhithe/elsewhere", params={"mode": "live"}, json=TOLD).json()
    assert (held["stage"], held["number"], held["changed_at"]) == ("connected", "", None)
