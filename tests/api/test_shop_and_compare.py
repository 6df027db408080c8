"""The shop, its prices and its checkout over HTTP, as the interface and a script use them."""

from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient

from monedero.api.app import create_app
from monedero.server.shops import Shops
from tests.conftest import browser_of

HAND = {"market": "es-eur", "line": "night-boat-tour", "amount": "85.00", "currency": "EUR"}
SHOP = {
    "name": "Lume",
    "country": "PT",
    "currency": "EUR",
    "markets": [{"id": "pt-eur", "country": "PT", "currency": "EUR", "share": "100"}],
    "lines": [{"id": "lamp", "name": "Lamp", "kind": "goods", "usual_amount": "20 EUR", "recurring": False}],
}


def compare(client: TestClient, **changed: str) -> Any:
    return client.get("/api/compare", params={**HAND, **changed}).json()


def detail(client: TestClient, key: str, **changed: str) -> Any:
    return client.get("/api/compare/route", params={**HAND, **changed, "key": key}).json()


def named(entry: Any) -> tuple[str, str, str]:
    route = entry["route"]
    return route["provider_name"], route["plan_name"], route["method"]


def test_every_answer_names_the_mode(client: TestClient) -> None:
    for path in (
        "/api/shop",
        "/api/choices",
        "/api/shops/demo/orders",
        "/api/nowhere",
        "/simulated-provider/pay/x",
    ):
        assert client.get(path).headers["Monedero-Mode"] == "test"
    assert client.get("/api/nowhere").json()["mode"] == "test"


def test_routes_are_ranked_by_their_all_in_cost_and_open_into_their_parts(client: TestClient) -> None:
    answer = compare(client)
    costs = [float(entry["cost"].split()[0]) for entry in answer["ranked"]]
    assert len(costs) == 15
    assert costs == sorted(costs)
    debit = next(entry for entry in answer["ranked"] if named(entry) == ("Brixavo", "", "sepa-direct-debit"))
    assert debit["fee"] == "0.53 EUR"
    fee = detail(client, "brixavo/one/sepa-direct-debit")["fee_taken_apart"]
    assert [(part["formula"], part["exact"], part["amount"]) for part in fee["parts"]] == [
        ("0.5 % of 85.00 EUR", "0.425 EUR", "0.43 EUR"),
        ("0.10 EUR an order", "0.1 EUR", "0.10 EUR"),
    ]
    assert fee["rate"] == "Rate debit on Brixavo's card, holds from 1 Mar 2026"
    assert fee["steps"] == ["The parts come to 0.525 EUR, charged as 0.53 EUR."]
    for entry in answer["ranked"]:
        parts = detail(client, entry["route"]["key"])["parts"]
        shares = sum(round(100 * float(part["amount"].split()[0])) for part in parts)
        assert shares == round(100 * float(entry["cost"].split()[0]))


def test_routes_that_are_not_open_carry_every_reason(client: TestClient) -> None:
    shut = {named(entry): [reason["code"] for reason in entry["reasons"]] for entry in compare(client)["shut"]}
    assert shut == {
        ("Mirabou", "", "pay-after-delivery"): ["shop-country", "trade-refused", "excluded-by", "method-kind"],
        ("Brixavo", "", "instant-transfer"): ["announced"],
        ("Pocketfern", "", "pay-after-delivery"): ["announced"],
        ("", "", "cash-on-delivery"): ["method-kind", "method-delivery"],
        ("", "", "phone-transfer"): ["method-country"],
    }
    dollars = compare(client, market="us-usd", currency="USD")
    reasons = {named(entry): entry["reasons"] for entry in dollars["shut"]}
    codes = [reason["code"] for reason in reasons["Brixavo", "", "online-banking"]]
    assert codes == ["no-rate-fits", "method-country", "method-currency"]
    assert reasons["Brixavo", "", "online-banking"][2]["text"] == "carries EUR; this order is in USD"


def test_a_converted_fee_tells_its_rates(client: TestClient) -> None:
    dollars = detail(client, "orlenta/start/card", market="us-usd", currency="USD")
    steps = dollars["fee_taken_apart"]["steps"]
    assert steps[0] == (
        "85.00 USD is 76.083064… EUR at 1 USD = 0.895094… EUR "
        "(European Central Bank, 30 Oct 2026, the last day of the table)."
    )


def test_what_is_known_of_the_card_decides_the_rate(client: TestClient) -> None:
    known = compare(client, card_kind="consumer-debit", card_network="aster")
    fees = {named(entry): entry["fee"] for entry in known["ranked"]}
    assert fees["Tessaline", "", "card"] == "0.65 EUR"
    assert fees["Orlenta", "Start", "card"] == "1.53 EUR"


def test_an_order_of_zero_needs_no_payment(client: TestClient) -> None:
    answer = compare(client, amount="0")
    assert (answer["nothing_to_pay"], answer["ranked"], answer["shut"]) == (True, [], [])


@pytest.mark.parametrize(
    ("changed", "field", "code"),
    [
        ({"amount": "85.0001"}, "amount", "amount-decimals"),
        ({"amount": "eighty"}, "amount", "amount-text"),
        ({"amount": "-5"}, "amount", "amount-negative"),
        ({"currency": "EUX"}, "currency", "currency-unknown"),
        ({"market": "fr-eur"}, "market", "not-found"),
        ({"line": "gold"}, "line", "not-found"),
        ({"card_kind": "gold"}, "card_kind", "not-one-of"),
        ({"on": "24 November"}, "on", "date-text"),
    ],
)
def test_an_order_in_hand_that_cannot_be_read_is_refused_by_its_part(
    client: TestClient, changed: dict[str, str], field: str, code: str
) -> None:
    for path in ("/api/compare", "/api/checkouts/web-shop/view", "/api/shops/demo/offer"):
        answer = client.get(path, params={**HAND, **changed})
        assert answer.headers["content-type"] == "application/problem+json"
        body = answer.json()
        assert (body["status"], body["errors"][0]["field"], body["errors"][0]["code"]) == (
            answer.status_code,
            field,
            code,
        )
        assert body["detail"]


def test_a_wrong_rate_card_changes_nothing(client: TestClient, shops: Shops) -> None:
    before = shops.demo.store.rate_cards.all()
    card = Path(__file__).parent.parent / "data" / "orlenta-example.json"
    text = card.read_text("utf-8")
    for wrong, field in (
        (text.replace('"percent": "2.9"', '"percent": "-2.9"'), "rates.1.percent"),
        (text.replace('"extras"', '"surprises"'), "surprises"),
        (text.replace("5.00 EUR", "5.00 EUX"), "rates.2.maximum"),
        ("{", ""),
        ('{"format": "' + "x" * 1_000_001, "file"),
    ):
        answer = client.post("/api/rate-cards", content=wrong.encode())
        assert answer.status_code == 422
        assert field in [fault["field"] for fault in answer.json()["errors"]]
    assert shops.demo.store.rate_cards.all() == before
    kept = client.post("/api/rate-cards", content=text.encode())
    assert (kept.status_code, kept.json()["routes"]) == (201, 4)
    assert client.post("/api/rate-cards", content=text.encode()).status_code == 201
    assert len(shops.demo.store.rate_cards.all()) == len(before) + 1


def test_the_second_of_two_writers_is_told(client: TestClient) -> None:
    held = client.get("/api/shop").json()
    first = client.put(
        "/api/shop", json={"version": held["version"], "shop": {**held["shop"], "name": "Cabo Dia"}}
    )
    assert first.status_code == 200
    second = client.put("/api/shop", json={"version": held["version"], "shop": {**held["shop"], "name": "Late"}})
    assert (second.status_code, second.json()["errors"][0]["code"]) == (409, "version-old")
    assert client.get("/api/shop").json()["shop"]["name"] == "Cabo Dia"


def test_a_shop_that_breaks_a_rule_is_refused_and_nothing_is_kept(client: TestClient) -> None:
    held = client.get("/api/shop").json()
    for part, value, field in (
        ("country", "XX", "shop.country"),
        ("currency", "EUX", "shop.currency"),
        ("colour", "green", "shop.colour"),
        ("takings", "many", "shop.takings"),
    ):
        answer = client.put("/api/shop", json={"version": held["version"], "shop": {**held["shop"], part: value}})
        assert (answer.status_code, answer.json()["errors"][0]["field"]) == (422, field)
    assert client.get("/api/shop").json() == held


def test_an_own_shop_begins_empty_beside_the_demo(shops: Shops) -> None:
    own = browser_of(create_app(shops, demo_first=False))
    begins = {"mode": "test", "id": "own", "demo": False, "version": 0, "shop": None, "begins_at": {}}
    assert own.get("/api/shop").json() == begins
    refused = own.get("/api/compare", params=HAND)
    assert (refused.status_code, refused.json()["errors"][0]["code"]) == (409, "shop-not-described")
    assert own.put("/api/shop", json={"version": 0, "shop": SHOP}).json()["version"] == 1
    hand = {"market": "pt-eur", "line": "lamp", "amount": "20.00", "currency": "EUR"}
    assert own.get("/api/compare", params=hand).json()["rate_cards"] == 0
    assert own.get("/api/accounts").json()["providers"] == []
    assert own.post("/api/rate-cards/examples").json()["added"] == 7
    assert own.get("/api/compare", params=hand).json()["rate_cards"] == 7
    assert own.put("/api/demo").status_code == 204
    assert own.get("/api/shop").json()["shop"]["name"] == "Cabo Noite"
    assert own.delete("/api/demo").status_code == 204
    assert own.get("/api/shop").json()["shop"]["name"] == "Lume"


def test_other_sites_and_other_hosts_are_kept_out(client: TestClient, shops: Shops) -> None:
    foreign = client.put("/api/demo", headers={"origin": "http://elsewhere.example"})
    assert (foreign.status_code, foreign.json()["errors"][0]["code"]) == (403, "request-foreign")
    assert client.put("/api/demo", headers={"origin": "http://127.0.0.1"}).status_code == 204
    renamed = TestClient(create_app(shops, demo_first=True), base_url="http://elsewhere.example")
    assert renamed.get("/api/shop").status_code == 400


def test_choices_hold_what_can_be_kept(client: TestClient) -> None:
    choices = client.get("/api/choices").json()
    assert len(choices["countries"]) == 249  # ISO 3166-1
    assert len(choices["currencies"]) == 165  # ISO 4217: 178 codes less 13 without a minor unit
    assert len(choices["kinds"]) == 5
