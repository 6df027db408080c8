"""Delivery over HTTP: what it costs, where it goes and when it comes, from the order in hand to the placed order."""

from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.api.shopkeeper import BOAT, CHART, Shopkeeper

WEB = "/api/checkouts/web-shop"
HERE = {**CHART, "market": "pt-eur", "on": "2026-11-26"}


def ways(client: TestClient, **order: str) -> dict[str, Any]:
    view = client.get(f"{WEB}/view", params={**HERE, **order}).json()
    return {way["id"]: way for way in view["deliveries"]}


def told(way: dict[str, Any]) -> tuple[str, str, str]:
    return way["goods"], way["fee"], way["amount"]


def test_the_amount_in_hand_is_taken_apart_by_the_way_that_it_goes(client: TestClient) -> None:
    there = {"postcode": "1000-001", "delivery": "courier"}
    found = ways(client, amount="46.00", **there)
    assert told(found["courier"]) == ("42.00 EUR", "4.00 EUR", "46.00 EUR")
    # The goods stay, what there is to pay is another amount.
    assert told(found["pier"]) == ("42.00 EUR", "0.00 EUR", "42.00 EUR")
    assert told(ways(client, amount="60.00", **there)["courier"]) == ("60.00 EUR", "0.00 EUR", "60.00 EUR")
    # 450 grams to the islands.
    assert told(ways(client, amount="51.00", postcode="9000", delivery="courier")["courier"]) == (
        "42.00 EUR",
        "9.00 EUR",
        "51.00 EUR",
    )
    unknown = ways(client, amount="46.00", delivery="courier")["courier"]
    assert (unknown["amount"], unknown["why"]) == (
        None,
        "Whether Courier goes there depends on the postcode, the town or the country.",
    )
    less = ways(client, amount="3.00", **there)["courier"]
    assert less["why"] == "The order comes to less than Courier costs."
    assert ways(client, line="night-boat-tour") == {}


def test_what_the_sentence_asks_follows_delivery(client: TestClient) -> None:
    asked = client.get(f"{WEB}/view", params=HERE).json()["asked"]
    assert asked == ["delivery", "postcode"]
    assert client.get(f"{WEB}/view", params={**HERE, "market": "gb-gbp"}).json()["asked"] == ["delivery"]
    assert client.get(f"{WEB}/view", params=BOAT).json()["asked"] == []
    change(client, areas=[{"id": "islands", "name": "Islands", "towns": {"PT": ["Sagres"]}}])
    assert client.get(f"{WEB}/view", params=HERE).json()["asked"] == ["delivery", "town"]
    assert ways(client, town="sagres", delivery="courier")["courier"]["fee"] == "9.00 EUR"
    assert ways(client, town="Faro", delivery="courier", amount="46")["courier"]["fee"] == "4.00 EUR"


def change(client: TestClient, **parts: Any) -> None:
    held = client.get("/api/shop").json()
    answer = client.put("/api/shop", json={"version": held["version"], "shop": {**held["shop"], **parts}})
    assert answer.status_code == 200, answer.text


def test_days_and_hours_are_told_and_only_those_are_taken(keeper: Shopkeeper) -> None:
    client = keeper.client
    pier = ways(client, delivery="pier", amount="42.00")["pier"]
    # A Thursday; the pier is open on Thursdays, Fridays and Saturdays.
    assert [entry["day"] for entry in pier["days"]][:3] == ["2026-11-26", "2026-11-27", "2026-11-28"]
    assert pier["days"][0]["hours"] == ["17:00 to 19:30"]
    order = {**HERE, "delivery": "pier", "amount": "42.00"}
    wrong = client.post(
        "/api/checkouts/web-shop/orders", json={"order": order, "tender": "card", "delivery_day": "2026-11-30"}
    )
    assert keeper.fault(wrong) == (422, "delivery-day", "delivery_day")
    right = {"order": order, "tender": "card", "delivery_day": "2026-11-28"}
    placed = keeper.post("/api/checkouts/web-shop/orders", right, 201)
    assert keeper.record(placed["token"])["delivered"] == {
        "way": "Collected at the pier",
        "names": {"pt": "Levantado no cais", "de": "Am Pier abgeholt"},
        "fee": "0.00 EUR",
        "address": "",
        "day": "2026-11-28",
    }


def test_a_buyer_meets_the_first_way_with_what_it_costs(keeper: Shopkeeper) -> None:
    offer = keeper.get("/api/shops/demo/offer", line="star-chart", market="es-eur", postcode="28001")
    assert (offer["amount"], offer["order"]["delivery"], offer["asks_postcode"]) == ("46.00 EUR", "courier", True)
    assert [way["chosen"] for way in offer["deliveries"]] == [True, False]
    body = {"order": offer["order"], "tender": "card"}
    refused = keeper.client.post("/api/shops/demo/orders", json=body)
    assert keeper.fault(refused) == (422, "address-missing", "address")
    placed = keeper.post("/api/shops/demo/orders", {**body, "address": "Calle Sol 1"}, 201)
    page = keeper.page(placed["token"])
    assert (page["goods"], page["delivered"]["fee"], page["delivered"]["address"]) == (
        "42.00 EUR",
        "4.00 EUR",
        "Calle Sol 1",
    )


def test_an_address_that_nobody_goes_to_is_told_before_paying(keeper: Shopkeeper) -> None:
    client = keeper.client
    held = client.get("/api/shop").json()["shop"]
    change(client, deliveries=[{**way, "prices": [{"areas": ["islands"]}]} for way in held["deliveries"]])
    offer = client.get(f"{WEB}/view", params={**HERE, "postcode": "1000"}).json()
    assert {way["why"] for way in offer["deliveries"]} == {
        "Courier does not go to this address.",
        "Collected at the pier does not go to this address.",
    }
    for delivery in ({}, {"delivery": "courier"}):
        order = {**HERE, "postcode": "1000", **delivery}
        refused = client.post("/api/checkouts/web-shop/orders", json={"order": order, "tender": "card"})
        assert keeper.fault(refused) == (409, "delivery-refused", "delivery")
    unheard = client.post(
        "/api/checkouts/web-shop/orders", json={"order": {**HERE, "delivery": "balloon"}, "tender": "card"}
    )
    assert keeper.fault(unheard) == (404, "not-found", "delivery")


def test_cash_on_delivery_follows_its_way(client: TestClient) -> None:
    change(
        client,
        own_methods=[
            {
                "method": {
                    "id": "at-the-door",
                    "name": "At the door",
                    "family": "cash",
                    "own": True,
                    "buyer": "Pays the courier.",
                    "recurring": False,
                    "at_the_door": True,
                    "certain": "when-seen",
                }
            }
        ],
    )
    client.put("/api/assumptions/refusal-rate", json={"about": "at-the-door", "value": "5"})

    def cost(**order: str) -> tuple[str, Any]:
        asked = {**HERE, "postcode": "1000", "amount": "46.00", **order}
        ranked = client.get("/api/compare", params=asked).json()["ranked"]
        entry = next(entry for entry in ranked if entry["route"]["key"] == "at-the-door")
        arrives = next(fact["text"] for fact in entry["facts"] if fact["key"] == "arrives")
        detail = client.get("/api/compare/route", params={**asked, "key": "at-the-door"}).json()
        refused = next(part for part in detail["parts"] if part["part"] == "refused-deliveries")
        return refused["formula"], arrives

    courier, by_courier = cost(delivery="courier")
    pier, at_the_pier = cost(delivery="pier")
    # The courier's own costs of the demo: 3.60 out, 3.60 back, 2.20 for the money.
    assert "7.2 EUR out and back" in courier
    assert "2.2 EUR for collecting" in courier
    assert courier != pier
    # A Thursday and three days are a Sunday: the courier comes on Monday, the pier is open on the next Thursday.
    assert "30 Nov" in by_courier
    assert "3 Dec" in at_the_pier


@pytest.mark.parametrize(
    ("query", "answer"),
    [
        ({"country": "PT", "around": "sagres", "kilometres": 12}, ["Sagres", "Vila do Bispo"]),
        ({"country": "PT", "around": "Sagres", "kilometres": 0}, ["Sagres"]),
    ],
)
def test_towns_in_a_circle(client: TestClient, query: dict[str, Any], answer: list[str]) -> None:
    assert client.get("/api/towns", params=query).json()["towns"] == answer


def test_a_town_that_is_not_there_is_refused_by_its_name(keeper: Shopkeeper) -> None:
    refused = keeper.client.get("/api/towns", params={"country": "PT", "around": "Atlantis", "kilometres": 5})
    assert keeper.fault(refused) == (422, "town-unknown", "town")
    groups = {group["id"]: group for group in keeper.get("/api/country-groups")["groups"]}
    assert "PT" in groups["euro-area"]["countries"]


def test_cash_is_paid_in_coins_and_the_rounding_is_a_line_of_its_own(keeper: Shopkeeper) -> None:
    client = keeper.client
    shop = keeper.get("/api/shop")["shop"]
    swiss = {"id": "ch-chf", "country": "CH", "currency": "CHF", "share": "0"}
    change(client, markets=[*shop["markets"], swiss])
    keeper.settings("cash-on-the-day", fee={"percent": "1", "networks": {}})
    order = {**BOAT, "market": "ch-chf", "currency": "CHF", "amount": "82.20"}
    view = keeper.get(f"{WEB}/view", **order)
    cash = next(way for way in view["offered"] if way["tender"] == "cash-on-the-day")
    # 82.20 and 1 % of it are 83.02, which are 83.00 in coins of five.
    assert (cash["fee"], cash["rounding"], cash["total"]) == ("0.82 CHF", "-0.02 CHF", "83.00 CHF")
    others = [way for way in view["offered"] if way["tender"] != "cash-on-the-day"]
    assert {way["rounding"] for way in others} <= {None}
    token = keeper.post("/api/checkouts/web-shop/orders", {"order": order, "tender": "cash-on-the-day"}, 201)[
        "token"
    ]
    page = keeper.page(token)
    assert (page["amount"], page["fee"], page["rounding"]) == ("83.00 CHF", "0.82 CHF", "-0.02 CHF")
    paid = keeper.act(token, "paid")
    assert paid.status_code == 200, paid.text
    assert keeper.record(token)["payments"][0]["books"]["taken"] == "83.00 CHF"
    # In euro there is a coin for every cent.
    here = keeper.get(f"{WEB}/view", **BOAT)
    assert {way["rounding"] for way in here["offered"]} == {None}
