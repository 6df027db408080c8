"""The next things to decide, and the examples that a new shop may look at and put away."""

from typing import Any

import pytest
from fastapi.testclient import TestClient

from monedero.api.app import create_app
from monedero.server.shops import Shops
from tests.api.shopkeeper import BOAT
from tests.conftest import browser_of

SHOP = {
    "name": "Lume Ceramics",
    "country": "PT",
    "currency": "EUR",
    "markets": [
        {"id": "pt-eur", "country": "PT", "currency": "EUR", "share": "70"},
        {"id": "gb-gbp", "country": "GB", "currency": "GBP", "share": "30"},
    ],
    "lines": [{"id": "bowl", "name": "Bowl", "kind": "goods", "usual_amount": "38.00 EUR", "recurring": False}],
}
HAND = {"market": "pt-eur", "line": "bowl", "amount": "38.00", "currency": "EUR"}


@pytest.fixture
def own(shops: Shops) -> TestClient:
    """In a shop of the owner's own that was just described."""
    client = browser_of(create_app(shops, demo_first=False))
    assert client.put("/api/shop", json={"version": 0, "shop": SHOP}).status_code == 200
    return client


def codes(client: TestClient) -> list[str]:
    return [step["code"] for step in client.get("/api/next").json()["steps"]]


def add_and_switch_on(client: TestClient, **added: Any) -> None:
    draft = client.get("/api/checkouts/web-shop").json()
    held = client.post("/api/checkouts/web-shop/tenders", json={**added, "version": draft["version"]}).json()
    tenders = [{**tender, "on": True} for tender in held["tenders"]]
    body = {"version": held["version"], "tenders": tenders}
    assert client.put("/api/checkouts/web-shop", json=body).status_code == 200


def test_a_new_shop_is_told_what_comes_first_and_each_sentence_goes_when_it_is_done(own: TestClient) -> None:
    assert codes(own) == ["no-prices", "no-month", "nothing-on", "no-margin"]
    first = own.get("/api/next").json()["steps"][0]
    assert first == {
        "code": "no-prices",
        "text": "No provider's prices are compared yet.",
        "act": "Type or paste the prices of one",
        "to": "/compare/new",
        "storefront": None,
    }
    prices = {"name": "Larkhithe", "country": "PT", "currency": "EUR", "text": "Cards 1.5%"}
    own.post("/api/new-provider", json=prices)
    assert codes(own) == ["no-month", "none-held", "nothing-on", "no-margin"]
    own.put("/api/accounts/larkhithe/elsewhere", json={"methods": ["card"]})
    add_and_switch_on(own, method="bank-transfer", route=None)
    assert codes(own) == ["no-month", "nobody-pays", "nobody-pays", "no-account", "not-published"]
    told = own.get("/api/next").json()["steps"][3]
    assert told["text"] == "Buyers who choose Bank transfer are not told where to send EUR."
    euro = {"id": "main", "holder": "Lume", "iban": "PT50009900310001234567833"}
    pounds = {"id": "uk", "holder": "Lume", "country": "GB", "currency": "GBP"}
    pounds |= {"bank_code": "20-00-00", "account_number": "55779911"}
    arranged(own, accounts=[euro])
    assert codes(own) == ["no-month", "nobody-pays", "no-account", "not-published", "no-margin"]
    nobody = own.get("/api/next").json()["steps"][1]
    assert nobody["text"] == "Nobody who pays in GBP in United Kingdom can pay for Bowl."
    arranged(own, accounts=[euro, pounds])
    assert codes(own) == ["no-month", "not-published", "no-margin"]
    add_and_switch_on(own, method="cheque", route=None)
    assert codes(own) == ["no-month", "no-address", "not-published", "no-margin"]
    arranged(own, accounts=[euro, pounds], post_to="Rua 1, Lagos")
    assert codes(own) == ["no-month", "not-published", "no-margin"]
    publication = own.get("/api/checkouts/web-shop/publication").json()
    own.post("/api/checkouts/web-shop/editions", json={"fingerprint": publication["fingerprint"]})
    assert codes(own) == ["no-month", "no-margin"]
    add_and_switch_on(own, method="cheque", route=None)
    assert codes(own) == ["no-month", "changes-wait", "no-margin"]


def arranged(own: TestClient, **told: object) -> None:
    held = own.get("/api/shop").json()
    shop = {**held["shop"], "arrangements": told}
    answer = own.put("/api/shop", json={"version": held["version"], "shop": shop})
    assert answer.status_code == 200, answer.text


def test_there_are_never_more_than_five(client: TestClient, own: TestClient) -> None:
    own.post("/api/rate-cards/examples")
    assert codes(own) == ["only-examples", "no-month", "nothing-on", "no-trade", "no-margin"]
    client.put("/api/demo")
    assert len(codes(client)) <= 5


def test_examples_are_marked_wherever_they_appear_and_put_away_in_one_act(own: TestClient) -> None:
    assert own.post("/api/rate-cards/examples").json()["added"] == 7
    cards = own.get("/api/rate-cards").json()
    assert {card["example"] for card in cards} == {True}
    assert all(card["provider_name"].endswith("(example)") for card in cards)
    ranked = own.get("/api/compare", params=HAND).json()["ranked"]
    assert "Orlenta (example)" in {entry["route"]["provider_name"] for entry in ranked}
    assert {entry["name"] for entry in own.get("/api/accounts").json()["providers"]} >= {"Orlenta (example)"}
    route = {"provider": "orlenta", "plan": "start", "method": "card"}
    add_and_switch_on(own, method="bank-transfer", route=None)
    add_and_switch_on(own, method="card", route=route)
    own.post(
        "/api/new-provider", json={"name": "Larkhithe", "country": "PT", "currency": "EUR", "text": "Cards 1%"}
    )
    assert own.delete("/api/rate-cards/examples").json()["added"] == -7
    assert [card["provider_name"] for card in own.get("/api/rate-cards").json()] == ["Larkhithe"]
    assert [tender["id"] for tender in own.get("/api/checkouts/web-shop").json()["tenders"]] == ["bank-transfer"]
    assert own.delete("/api/rate-cards/examples").json()["added"] == 0


def test_examples_stay_while_an_account_with_one_is_under_way(own: TestClient) -> None:
    own.post("/api/rate-cards/examples")
    assert own.post("/api/accounts/pocketfern/begin", json={"mode": "test"}).status_code == 201
    answer = own.delete("/api/rate-cards/examples")
    assert answer.status_code == 409
    assert answer.json()["errors"][0]["detail"].startswith("You hold an account with Pocketfern (example).")
    assert len(own.get("/api/rate-cards").json()) == 7


def test_in_the_demo_the_invented_providers_are_no_examples(client: TestClient) -> None:
    assert {card["example"] for card in client.get("/api/rate-cards").json()} == {False}
    ranked = client.get("/api/compare", params=BOAT).json()["ranked"]
    assert "Orlenta" in {entry["route"]["provider_name"] for entry in ranked}


def test_a_market_in_a_currency_without_decimals_is_asked_about_in_its_own_amounts(own: TestClient) -> None:
    held = own.get("/api/shop").json()
    markets = [{"id": "jp-jpy", "country": "JP", "currency": "JPY", "share": "10"}]
    odd = {"id": "kw-kwd", "country": "KW", "currency": "KWD", "share": "1"}
    shop = {**held["shop"], "markets": [*held["shop"]["markets"], *markets, odd]}
    assert own.put("/api/shop", json={"version": held["version"], "shop": shop}).status_code == 200
    add_and_switch_on(own, method="bank-transfer", route=None)
    texts = [step["text"] for step in own.get("/api/next").json()["steps"]]
    assert "Nobody who pays in JPY in Japan can pay for Bowl." in texts
    # No reference rate is published for this one, so that nothing is known of its amounts.
    assert not any("KWD" in text for text in texts)
