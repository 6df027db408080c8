"""The doors: which shop a buyer's address is, and what is believed of an order at each."""

from typing import Any

import pytest
from fastapi import FastAPI
from fastapi.testclient import TestClient

from monedero.api.desk.door import COOKIE
from monedero.api.doors import BuyersRoute
from monedero.server.shops import Shops
from tests.api.shopkeeper import BOAT, BUYERS, DESK, Shopkeeper
from tests.conftest import browser_of

# Facts that only the shop, and at its desk the owner, may say of an order.
UNTRUE = [
    {"amount": "0.01"},
    {"customer_group": "wholesale"},
    {"signed_in": "true"},
    {"on": "2020-01-01"},
]


def pages(app: FastAPI) -> list[str]:
    """The paths of the buyers' door that name a shop."""
    routes = [route for router in app.state.routers for route in router.routes if isinstance(route, BuyersRoute)]
    assert len(routes) > 8
    return sorted({route.path for route in routes if "{shop}" in route.path and "GET" in (route.methods or ())})


@pytest.mark.parametrize("chosen", ["demo", "own", "nobody", None])
def test_the_address_of_a_buyer_is_one_shop_whatever_the_desk_chose(
    client: TestClient, shops: Shops, chosen: str | None
) -> None:
    browser = browser_of(client.app)  # type: ignore[arg-type]
    if chosen:
        browser.cookies.set(COOKIE, chosen)
    found = pages(client.app)  # type: ignore[arg-type]
    assert len(found) == 3
    for path in found:
        assert browser.get(path.format(shop="demo"), params=BOAT).json()["shop"] == "Cabo Noite", path
        refused = browser.get(path.format(shop="own"), params=BOAT)
        assert (refused.status_code, refused.json()["errors"][0]["code"]) == (409, "not-published"), path
        assert browser.get(path.format(shop="nobody"), params=BOAT).status_code == 404, path


def test_an_order_goes_to_the_shop_of_its_address(keeper: Shopkeeper, shops: Shops) -> None:
    browser = browser_of(keeper.client.app)  # type: ignore[arg-type]
    browser.cookies.set(COOKIE, "own")
    placed = browser.post(f"{BUYERS}/orders", json={"order": BOAT, "tender": "bank-transfer"})
    assert placed.status_code == 201
    assert shops.with_order(placed.json()["token"]) is shops.demo
    refused = browser.post("/api/shops/own/orders", json={"order": BOAT, "tender": "bank-transfer"})
    assert refused.status_code == 409


@pytest.mark.parametrize("untrue", UNTRUE, ids=lambda said: next(iter(said)))
def test_a_caller_at_the_buyers_door_sets_nothing_that_is_the_shops(
    keeper: Shopkeeper, untrue: dict[str, str]
) -> None:
    """The price, the customer group, whether the buyer is signed in, and the day."""

    def ordered(said: dict[str, Any]) -> Any:
        body = {"order": {**BOAT, **said}, "tender": "bank-transfer"}
        token = keeper.post(f"{BUYERS}/orders", body, 201)["token"]
        order = keeper.running.store.orders.get(token).order  # type: ignore[union-attr]
        return order.amount, order.customer_group, order.signed_in, order.placed_on

    assert ordered(untrue) == ordered({})
    body = {"order": BOAT, "tender": "bank-transfer", "by": "draft", "storefront": "pier-counter"}
    token = keeper.post(f"{BUYERS}/orders", body, 201)["token"]
    record = keeper.running.store.orders.get(token)
    assert record
    assert (record.edition, record.storefront) == (1, "web-shop")


def test_only_the_desk_says_what_an_order_in_hand_is(keeper: Shopkeeper) -> None:
    said = {**BOAT, "amount": "61.00", "customer_group": "wholesale", "signed_in": "true"}
    token = keeper.post(f"{DESK}/orders", {"order": said, "tender": "bank-transfer"}, 201)["token"]
    record = keeper.running.store.orders.get(token)
    assert record
    assert (str(record.amount), record.order.customer_group, record.order.signed_in) == (
        "61.00 EUR",
        "wholesale",
        True,
    )
    assert record.edition is None


def test_one_address_is_one_amount_at_the_desk_and_for_buyers(keeper: Shopkeeper) -> None:
    """Every market and line of the shop that can be priced: the desk begins where buyers do."""
    state = keeper.get("/api/shop")
    compared = 0
    for market in state["shop"]["markets"]:
        for line in state["shop"]["lines"]:
            asked = {"market": market["id"], "line": line["id"]}
            answer = keeper.client.get(f"{BUYERS}/offer", params=asked)
            begins = state["begins_at"][line["id"]].get(market["currency"])
            if answer.status_code == 200 and not answer.json()["deliveries"]:
                assert answer.json()["amount"] == f"{begins} {market['currency']}", asked
                compared += 1
    assert state["begins_at"]["night-boat-tour"]["GBP"] == "70.87"
    assert compared >= 12
