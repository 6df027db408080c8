"""A provider, its last rate card and an account that is held elsewhere can be taken away; what uses them is told."""

from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.api.shopkeeper import BOAT, Shopkeeper
from tests.api.test_held_elsewhere import TEXT, TOLD

WAY = "/api/providers/larkhithe"


@pytest.fixture
def known(client: TestClient) -> TestClient:
    """A shop that knows Larkhithe by its prices, and holds an account there."""
    body = {"name": "Larkhithe", "country": "PT", "currency": "EUR", "text": TEXT}
    assert client.post("/api/new-provider", json=body).status_code == 201
    told = {**TOLD, "storefronts": None}
    assert client.put("/api/accounts/larkhithe/elsewhere", json=told).status_code == 200
    return client


def with_way(client: TestClient) -> dict[str, Any]:
    """The draft with a card of Larkhithe, switched on."""
    version = client.get("/api/checkouts/web-shop").json()["version"]
    route = {"provider": "larkhithe", "plan": "standard", "method": "card"}
    new = {"method": "card", "route": route, "version": version}
    added: dict[str, Any] = client.post("/api/checkouts/web-shop/tenders", json=new).json()
    tenders = [{**tender, "on": tender["on"] or tender["id"] == added["added"]} for tender in added["tenders"]]
    body = {"version": added["version"], "tenders": tenders}
    assert client.put("/api/checkouts/web-shop", json=body).status_code == 200
    return added


def without_way(client: TestClient, id: str) -> None:
    held = client.get("/api/checkouts/web-shop").json()
    tenders = [tender for tender in held["tenders"] if tender["id"] != id]
    body = {"version": held["version"], "tenders": tenders}
    assert client.put("/api/checkouts/web-shop", json=body).status_code == 200


def publish(client: TestClient) -> None:
    seen = client.get("/api/checkouts/web-shop/publication").json()
    body = {"fingerprint": seen["fingerprint"]}
    assert client.post("/api/checkouts/web-shop/editions", json=body).status_code == 201


def uses(client: TestClient) -> list[str]:
    """Tells what is told to use the provider."""
    answer = client.delete(WAY)
    assert answer.status_code == 409
    return [use["code"] for use in answer.json()["errors"]]


def test_whatever_uses_a_provider_is_told_until_nothing_does(known: TestClient, keeper: Shopkeeper) -> None:
    added = with_way(known)
    publish(known)
    placed = known.post("/api/checkouts/web-shop/orders", json={"order": BOAT, "tender": added["added"]}).json()
    told = known.delete(WAY).json()["errors"]
    name = next(tender["name"] for tender in added["tenders"] if tender["id"] == added["added"])
    assert [use["code"] for use in told] == [
        "provider-in-draft",
        "provider-published",
        "provider-held",
        "orders-wait",
    ]
    assert told[0]["detail"] == (
        f"In the draft of Web shop, these ways to pay go through Larkhithe: {name}. Remove them there first."
    )
    assert "1001" in told[3]["detail"]
    # Nothing is gone.
    assert known.get(f"{WAY}").status_code == 200
    keeper.wind(days=2)  # the payment page is closed by then
    assert uses(known) == ["provider-in-draft", "provider-published", "provider-held"]
    without_way(known, added["added"])
    assert uses(known) == ["provider-published", "provider-held"]
    publish(known)
    assert uses(known) == ["provider-held"]
    assert known.post("/api/accounts/larkhithe/disconnect").status_code == 200
    assert known.delete(WAY).status_code == 204
    # Each trace is gone, and what was rests on nothing of it.
    assert known.get(WAY).status_code == 404
    assert "larkhithe" not in known.get("/api/rate-cards").text
    assert "larkhithe" not in known.get("/api/accounts").text
    assert known.get(f"/api/orders/{placed['token']}").status_code == 200
    assert known.get(f"/api/records/{placed['token']}").status_code == 200
    assert known.get("/api/compare", params=BOAT).status_code == 200
    assert known.get("/api/checkouts/web-shop/view", params=BOAT).status_code == 200
    assert known.delete(WAY).status_code == 404


def test_an_account_held_elsewhere_is_left_taken_up_again_and_taken_away(known: TestClient) -> None:
    held = "/api/accounts/larkhithe"
    assert known.delete(held).json()["errors"][0]["code"] == "stage-not-fit"
    left = known.post(f"{held}/disconnect").json()
    assert {"reconnect", "take-away"} <= set(left["can"])
    assert known.post(f"{held}/reconnect").json()["stage"] == "connected"
    known.post(f"{held}/disconnect")
    assert known.delete(held).status_code == 204
    assert known.get(held).json()["accounts"] == []
    assert known.get(WAY).status_code == 200
    assert known.delete(held).status_code == 404


def test_an_account_where_money_lies_is_not_taken_away(known: TestClient, keeper: Shopkeeper) -> None:
    added = with_way(known)
    placed = known.post("/api/checkouts/web-shop/orders", json={"order": BOAT, "tender": added["added"]}).json()
    known.post("/api/accounts/larkhithe/disconnect")
    refused = known.delete("/api/accounts/larkhithe")
    assert refused.json()["errors"][0]["code"] == "orders-wait"
    assert known.get(f"/api/orders/{placed['token']}").status_code == 200
