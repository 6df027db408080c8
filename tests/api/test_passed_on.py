"""A card whose rate adds interchange and scheme fees, from its file to the month and the assumptions."""

import json
from fractions import Fraction
from pathlib import Path
from typing import Any

from starlette.testclient import TestClient

from tests.api.shopkeeper import BOAT

CARD = {
    "format": "monedero/rate-card/1",
    "provider": {
        "id": "larkhithe",
        "name": "Larkhithe",
        "countries": ["PT"],
        "region": ["PT", "ES"],
        "settles_in": ["EUR"],
    },
    "plans": [{"id": "plus", "name": "Plus"}],
    "rates": [
        {
            "id": "card-plus",
            "method": "card",
            "when": {},
            "adds": ["interchange", "scheme"],
            "percent": "0.6",
            "fixed": "0.12 EUR",
        }
    ],
}
KEY = "larkhithe/plus/card"


def keep(client: TestClient) -> None:
    answer = client.post("/api/rate-cards", content=json.dumps(CARD), headers={"content-type": "application/json"})
    assert answer.status_code == 201, answer.json()


def route(client: TestClient, **hand: str) -> Any:
    answer = client.get("/api/compare/route", params={**BOAT, **hand, "key": KEY})
    assert answer.status_code == 200, answer.json()
    return answer.json()


def assume(client: TestClient, name: str, about: str, value: str | None, status: int = 200) -> None:
    answer = client.put("/api/assumptions", json={"id": name, "about": about, "value": value})
    assert answer.status_code == status, answer.json()


def fee_parts(client: TestClient, **hand: str) -> dict[str, str]:
    fee = route(client, **hand)["fee_taken_apart"]
    return {part["kind"]: part["amount"] for part in fee["parts"]}


def test_the_fee_is_taken_apart_into_the_three(client: TestClient) -> None:
    keep(client)
    hand = {"card_kind": "consumer-debit"}
    assert fee_parts(client, **hand) == {
        "interchange": "0.17 EUR",
        "scheme": "0.10 EUR",
        "percentage": "0.51 EUR",
        "fixed": "0.12 EUR",
    }
    fee = route(client, **hand)["fee_taken_apart"]
    assert fee["parts"][0]["formula"].startswith("0.2 %")
    assert [(held["id"], held["value"]) for held in fee["assumptions"]] == [
        ("interchange-debit", "0.2"),
        ("scheme-fee", "0.12"),
    ]
    assert "card-plus" in fee["rate"]
    assert fee["conditions"] == "any order"
    assert "within" not in fee["rate"]


def test_what_is_assumed_of_networks_is_corrected_in_its_place_and_moves_the_fee(client: TestClient) -> None:
    assert not any(entry["id"] == "scheme-fee" for entry in client.get("/api/assumptions").json())
    keep(client)
    listed = {(entry["id"], entry["about"]): entry for entry in client.get("/api/assumptions").json()}
    assert listed["interchange-debit", "*"]["value"] == "0.2"
    assert "2015/751" in listed["interchange-debit", "*"]["source"]
    networks = [about for name, about in listed if name == "scheme-fee"]
    assert networks[0] == "*"
    assert len(networks) > 1
    assume(client, "scheme-fee", "*", "1")
    assume(client, "scheme-fee", networks[1], "2")
    assert fee_parts(client)["scheme"] == "0.85 EUR"
    assert fee_parts(client, card_network=networks[1])["scheme"] == "1.70 EUR"
    listed = {(entry["id"], entry["about"]): entry for entry in client.get("/api/assumptions").json()}
    assert listed["scheme-fee", networks[2]]["value"] == "1"
    assume(client, "scheme-fee", "moon", "1", 404)
    assume(client, "interchange-debit", "*", "much", 422)


def test_the_month_is_priced_with_what_is_added(client: TestClient) -> None:
    """A month of it is dearer than one of the same card without, by the least that could be added."""
    keep(client)

    def month() -> tuple[Fraction, Fraction]:
        plans = client.get("/api/compare/plans").json()["alone"]
        plan = next(entry for entry in plans if entry["provider"] == "larkhithe")
        return Fraction(plan["fees"].split()[0]), Fraction(plan["carried"])

    added, carried = month()
    for name in ("interchange-debit", "interchange-credit", "interchange-commercial", "scheme-fee"):
        assume(client, name, "*", "0")
        abroad = name.replace("interchange-", "interchange-abroad-").replace("scheme-fee", "scheme-fee-abroad")
        assume(client, abroad, "*", "0")
    bare, same = month()
    assert same == carried > 0
    assert added > bare > 0


def test_the_table_of_a_card_keeps_what_it_adds(client: TestClient, tmp_path: Path) -> None:
    keep(client)
    table = client.get("/api/rate-cards/larkhithe/always/rates.csv")
    assert table.status_code == 200
    assert "interchange+scheme" in table.text
    held = client.get("/api/rate-cards/larkhithe/always").json()
    wrong = table.text.replace("interchange+scheme", "interchange+moon")
    answer = client.post(
        f"/api/rate-cards/larkhithe/always/rates.csv?version={held['version']}",
        content=wrong,
        headers={"content-type": "text/csv"},
    )
    assert answer.status_code == 422
    assert client.get("/api/rate-cards/larkhithe/always").json()["card"] == held["card"]
