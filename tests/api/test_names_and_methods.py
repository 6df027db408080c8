"""Names instead of ids for an owner who reads, and a word about whatever nobody described."""

import json
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient

from monedero.api.app import create_app
from monedero.server.shops import Shops
from tests.api.shopkeeper import BOAT, Shopkeeper
from tests.conftest import browser_of

CARD = json.loads(Path("src/monedero/demo/rate_cards/brixavo.json").read_text())


@pytest.fixture
def own(shops: Shops) -> TestClient:
    """A browser in an empty shop of the owner's own."""
    return browser_of(create_app(shops, demo_first=False))


def with_rate(**changed: Any) -> str:
    """Brixavo's card with another first rate."""
    card = {**CARD, "provider": {**CARD["provider"], "id": "brixavo"}}
    first, *rest = card["rates"]
    return json.dumps({**card, "rates": [{**first, **changed}, *rest], "events": [], "settlement": []})


def test_card_networks_are_those_that_the_cards_of_the_shop_tell_apart(
    client: TestClient, own: TestClient
) -> None:
    assert [network["name"] for network in client.get("/api/choices").json()["card_networks"]] == [
        *("Aster", "Borealis", "Cygnet"),
    ]
    assert own.get("/api/choices").json()["card_networks"] == []
    answer = own.post("/api/rate-cards", content=with_rate(when={"card_network": ["driftnet"]}))
    assert answer.status_code == 201, answer.text
    assert own.get("/api/choices").json()["card_networks"] == [{"code": "driftnet", "name": "Driftnet"}]


def test_a_method_that_nobody_described_is_not_open_and_says_why(keeper: Shopkeeper) -> None:
    """It became a method without limits, silently: in comparisons, in decisions and in the catalogue."""
    answer = keeper.client.post("/api/rate-cards", content=with_rate(method="moon-transfer"))
    assert answer.status_code == 201, answer.text
    shut = {entry["route"]["method"]: entry["reasons"] for entry in keeper.get("/api/compare", **BOAT)["shut"]}
    assert [reason["code"] for reason in shut["moon-transfer"]] == ["method-unknown"]
    assert "add it to your own methods under Shop" in shut["moon-transfer"][0]["text"]
    route = {"provider": "brixavo", "plan": CARD["plans"][0]["id"], "method": "moon-transfer"}
    version = keeper.get("/api/checkouts/web-shop")["version"]
    body = {"version": version, "method": "moon-transfer", "route": route}
    assert keeper.post("/api/checkouts/web-shop/tenders", body, 201)["added"] == "moon-transfer"
    outcomes = keeper.get("/api/checkouts/web-shop/view", **BOAT)["outcomes"]
    reasons = next(entry["reasons"] for entry in outcomes if entry["tender"]["id"] == "moon-transfer")
    assert "method-unknown" in [reason["code"] for reason in reasons]
    # Once the owner described it, it is a method like any other.
    held = keeper.get("/api/shop")
    method = {
        "id": "moon-transfer",
        "name": "Moon transfer",
        "family": "own",
        "buyer": "Waits.",
        "recurring": True,
    }
    shop = {**held["shop"], "own_methods": [*held["shop"]["own_methods"], {"method": method}]}
    assert keeper.client.put("/api/shop", json={"version": held["version"], "shop": shop}).status_code == 200
    ranked = [entry["route"]["method"] for entry in keeper.get("/api/compare", **BOAT)["ranked"]]
    assert "moon-transfer" in ranked


def test_every_way_to_pay_stands_in_one_list_open_or_with_why_not(keeper: Shopkeeper) -> None:
    entries = keeper.get("/api/catalogue", unpriced=True)["entries"]
    listed = {entry["method"] for entry in entries}
    assert {"invoice", "cheque", "gift-voucher", "card-at-terminal", "bank-transfer"} <= listed
    for entry in entries:
        # One can be added as it is, by a plan, or it says what stands against it.
        assert entry["open"] is not bool(entry["reasons"]), entry
        assert entry["own"] or not entry["open"] or entry["plans"], entry
    details = {entry["method"]: entry["details"] for entry in entries if entry["own"]}
    # An invoice is paid by a transfer, so that its buyers need an account too.
    assert (details["bank-transfer"], details["invoice"]) == (["accounts"], ["accounts", "invoices"])
    assert (details["cheque"], details["gift-voucher"]) == (["cheques"], [])
    named = {method["code"] for method in keeper.get("/api/choices")["methods"]}
    assert named <= listed
    plans = next(entry for entry in entries if (entry["provider"], entry["method"]) == ("orlenta", "card"))[
        "plans"
    ]
    assert [plan["code"] for plan in plans] == ["start", "steady"]


def test_what_is_understood_and_assumed_is_told_by_name(keeper: Shopkeeper) -> None:
    asked = "What does Brixavo carry for monthly memberships from Spain in pounds?"
    facets = {facet["kind"]: facet["name"] for facet in keeper.get("/api/catalogue", asks=asked)["facets"]}
    assert facets == {
        "provider": "Brixavo",
        "recurring": "every month",
        "line_kind": "membership",
        "country": "Spain",
        "currency": "GBP",
    }
    assumptions = {(entry["id"], entry["about"]): entry["about_name"] for entry in keeper.get("/api/assumptions")}
    assert assumptions["minutes", "bank-transfer"] == "Bank transfer"
    assert assumptions["dispute-rate", "bank-debit"] == "bank debit"
    assert assumptions["hour-cost", "*"] == "the whole shop"
    methods = {entry["code"]: entry["name"] for entry in keeper.get("/api/choices")["methods"]}
    assert (methods["sepa-direct-debit"], methods["phone-transfer"]) == ("SEPA direct debit", "Phone transfer")
