"""Amounts as people type them are understood wherever they are typed, asked about where two could be meant."""

import json
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient

from monedero.server.shops import Shops
from tests.api.shopkeeper import BOAT, Shopkeeper

DEMO_CARD = Path("src/monedero/demo/rate_cards/brixavo.json")


@pytest.fixture
def keeper(client: TestClient, shops: Shops) -> Shopkeeper:
    return Shopkeeper(client, shops)


@pytest.mark.parametrize(
    ("typed", "currency", "amount"),
    [
        ("12,50", "EUR", "12.50 EUR"),
        ("9000", "EUR", "9000.00 EUR"),
        ("12.50 EUR", "EUR", "12.50 EUR"),
        ("1.200,5", "EUR", "1200.50 EUR"),
        ("20 gbp", "EUR", "20.00 GBP"),
    ],
)
def test_an_amount_is_read_before_it_is_used(keeper: Shopkeeper, typed: str, currency: str, amount: str) -> None:
    answer = keeper.get("/api/amount", typed=typed, currency=currency)
    assert f"{answer['amount']} {answer['currency']}" == amount


def test_an_amount_with_two_meanings_is_asked_about(keeper: Shopkeeper) -> None:
    answer = keeper.client.get("/api/amount", params={"typed": "1.200", "currency": "EUR"})
    assert keeper.fault(answer) == (422, "amount-ambiguous", "typed")
    assert "Write 1200 if thousands are meant, or 1.20 if decimals are." in answer.json()["detail"]


def test_the_order_in_hand_costs_the_same_however_it_is_typed(keeper: Shopkeeper) -> None:
    plain = keeper.get("/api/compare", **{**BOAT, "amount": "1200.50"})
    for typed in ("1.200,50", "1,200.50", "1 200,5", "1200.50 EUR"):
        assert keeper.get("/api/compare", **{**BOAT, "amount": typed}) == plain
    asked = keeper.client.get("/api/compare", params={**BOAT, "amount": "1.200"})
    assert keeper.fault(asked) == (422, "amount-ambiguous", "amount")


def shop_with(keeper: Shopkeeper, usual_amount: str) -> Any:
    held = keeper.get("/api/shop")
    lines = [{**held["shop"]["lines"][0], "usual_amount": usual_amount}, *held["shop"]["lines"][1:]]
    body = {"version": held["version"], "shop": {**held["shop"], "lines": lines}}
    return keeper.client.put("/api/shop", json=body)


def test_a_line_keeps_its_amount_in_one_way_of_writing(keeper: Shopkeeper) -> None:
    assert shop_with(keeper, "12,50 EUR EUR").status_code == 200
    assert keeper.get("/api/shop")["shop"]["lines"][0]["usual_amount"] == "12.50 EUR"
    refused = shop_with(keeper, "1.200 EUR")
    assert keeper.fault(refused) == (422, "amount-ambiguous", "shop.lines.0.usual_amount")
    assert keeper.fault(shop_with(keeper, "12 USD EUR"))[1] == "currencies-typed"
    assert keeper.get("/api/shop")["shop"]["lines"][0]["usual_amount"] == "12.50 EUR"


def test_limits_and_assumptions_too(keeper: Shopkeeper) -> None:
    keeper.settings("card", windows=[{"from": "1.000,00 EUR EUR", "up_to": "2,500 EUR"}])
    tender = next(entry for entry in keeper.get("/api/checkouts/web-shop")["tenders"] if entry["id"] == "card")
    assert tender["windows"] == [{"from": "1000.00 EUR", "up_to": "2500.00 EUR", "below": None}]
    for name, typed, kept in (("hour-cost", "17,50", "17.50"), ("money-cost", "8,5 %", "8.5")):
        answer = keeper.client.put("/api/assumptions", json={"id": name, "about": "*", "value": typed})
        assert answer.status_code == 200, answer.text
        assert f'"{kept}"' in answer.text


def test_a_file_is_read_in_its_one_way_of_writing(keeper: Shopkeeper) -> None:
    card = json.loads(DEMO_CARD.read_text())
    fixed = next(rate for rate in card["rates"] if "fixed" in rate)
    fixed["fixed"] = fixed["fixed"].replace(".", ",")
    answer = keeper.client.post("/api/rate-cards", content=json.dumps(card))
    assert keeper.fault(answer)[:2] == (422, "money-text")


def _named(schema: Any, every: dict[str, Any], seen: set[str]) -> None:
    """Every schema that a request can hold, by its name."""
    if isinstance(schema, dict):
        name = str(schema.get("$ref", "")).rpartition("/")[2]
        if name and name not in seen:
            seen.add(name)
            _named(every[name], every, seen)
        for part in schema.values():
            _named(part, every, seen)
    elif isinstance(schema, list):
        for part in schema:
            _named(part, every, seen)


def _dates(schema: Any) -> Iterator[dict[str, Any]]:
    if isinstance(schema, dict):
        if schema.get("format") == "date":
            yield schema
        for part in schema.values():
            yield from _dates(part)
    elif isinstance(schema, list):
        for part in schema:
            yield from _dates(part)


def test_every_day_that_a_request_takes_is_read_as_people_type_it(client: TestClient) -> None:
    """Found from the API: a day is of the one type that reads it so (`core/fields.Day`), which says so itself."""
    described = client.get("/api/openapi.json").json()
    every, count = described["components"]["schemas"], 0
    for path, operations in described["paths"].items():
        for operation in operations.values():
            names: set[str] = set()
            _named(operation.get("requestBody", {}), every, names)
            for taken in [*(every[name] for name in names), *operation.get("parameters", [])]:
                for found in _dates(taken):
                    assert "such as 2026-11-24" in found.get("description", ""), path
                    count += 1
    assert count > 10
    issued = client.post("/api/vouchers", json={"amount": "$5 USD", "expires": "24 November 2027"})
    assert issued.json()["vouchers"][0]["last_day"] == "2027-11-24"
