"""Requests that answered 500: each is a clear refusal now, and what nobody foresaw is a problem with a number."""

import json
import logging
import random
from typing import Any

import pytest
from fastapi.testclient import TestClient
from peewee import OperationalError

from monedero.core.account import Mode
from monedero.core.errors import InvalidInput
from monedero.formats import paper
from monedero.server.shops import Shops
from tests.api.shopkeeper import BOAT

JSON = {"content-type": "application/json"}


def code(answer: Any, status: int) -> str:
    assert answer.status_code == status, answer.text
    return str(answer.json()["errors"][0]["code"])


def test_a_ruler_from_high_to_low_is_refused(client: TestClient) -> None:
    for low, high in (("500", "5"), ("5", "5")):
        asked = {**BOAT, "low": low, "high": high}
        assert code(client.get("/api/compare/curves", params=asked), 422) == "limits-crossed"


@pytest.mark.parametrize("day", ["9999-12-31", "0001-01-01", "2200-01-01"])
def test_a_day_out_of_range_is_refused(client: TestClient, day: str) -> None:
    assert code(client.get("/api/compare", params={**BOAT, "on": day}), 422) == "date-range"


def test_half_a_character_and_a_number_of_thousands_of_digits_are_refused(client: TestClient) -> None:
    held = client.get("/api/shop").json()
    body = json.dumps({"version": held["version"], "shop": {**held["shop"], "name": "X\ud800"}})
    assert code(client.put("/api/shop", content=body, headers=JSON), 400) == "body-unreadable"
    card = client.get("/api/rate-cards/orlenta/2026-01-01").json()["card"]
    long = json.dumps(card).replace('"business_days": 2', f'"business_days": {"9" * 5000}')
    assert code(client.post("/api/rate-cards", content=long), 422) == "not-json"
    half = json.dumps({**card, "provider": {**card["provider"], "name": "X\ud800"}})
    assert code(client.post("/api/rate-cards", content=half), 422) == "not-utf8"


def test_fifty_bytes_of_a_picture_or_a_document_are_a_broken_paper() -> None:
    draw = random.Random(20261126)
    for start in paper.BEGINNINGS:
        for _ in range(300):
            content = start + bytes(draw.randrange(256) for _ in range(50 - len(start)))
            with pytest.raises(InvalidInput, match="paper-broken"):
                paper.judge("scan", content)


def test_a_part_of_credentials_that_is_not_there_is_not_found(client: TestClient, shops: Shops) -> None:
    merchant = shops.demo.provider.merchants.all()[0]
    office = f"/simulated-provider/demo/{merchant.provider}/office/merchants/{merchant.number}"
    assert client.get(f"{office}/%E2%82%AC").status_code == 404


@pytest.mark.parametrize("currency", ["CLF", "EUR", "JPY", "KWD"])
def test_the_largest_amount_is_answered_in_every_currency(client: TestClient, currency: str) -> None:
    asked = {**BOAT, "amount": "999999999999999", "currency": currency}
    assert client.get("/api/compare", params=asked).status_code == 200
    assert client.get("/api/compare/curves", params={**asked, "low": "5", "high": "5000"}).status_code == 200


def test_a_notification_from_beyond_all_time_is_refused(client: TestClient, shops: Shops) -> None:
    account = shops.demo.store.accounts.get("orlenta", Mode.TEST)
    assert account
    headers = {"webhook-id": "a", "webhook-timestamp": "253402300800", "webhook-signature": "v1,x"}
    assert code(client.post(f"/notify/{account.endpoint}", content=b"x", headers=headers), 422) == "notice-forged"


def test_a_clock_is_wound_no_further_than_a_hundred_years_and_one_that_was_still_starts(
    client: TestClient, shops: Shops
) -> None:
    for _ in range(91):
        assert client.post("/api/clock", json={"minutes": 400 * 24 * 60}).status_code == 200
    assert code(client.post("/api/clock", json={"minutes": 400 * 24 * 60}), 422) == "clock-range"
    store = shops.demo.store
    store.wind_clock(store.clock_ahead() * 90)
    assert shops.demo.clock.now().year < 2130


def test_what_nobody_foresaw_is_a_problem_with_a_number_that_stands_in_the_log(
    client: TestClient, monkeypatch: pytest.MonkeyPatch, caplog: pytest.LogCaptureFixture
) -> None:
    def break_down(*_: Any) -> None:
        raise ZeroDivisionError("nobody foresaw this")

    monkeypatch.setattr("monedero.api.desk.compare.compare", break_down)
    with caplog.at_level(logging.ERROR):
        answer = client.get("/api/compare", params=BOAT)
    problem = answer.json()
    assert (answer.status_code, answer.headers["content-type"]) == (500, "application/problem+json")
    assert problem["errors"][0]["code"] == "unforeseen"
    assert problem["errors"][0]["value"] in caplog.text
    assert "nobody foresaw this" not in answer.text
    assert answer.headers["x-content-type-options"] == "nosniff"


def test_a_full_disk_is_told_and_nothing_is_kept(client: TestClient, monkeypatch: pytest.MonkeyPatch) -> None:
    def full(*_: Any) -> None:
        raise OperationalError("database or disk is full")

    held = client.get("/api/profile").json()
    monkeypatch.setattr("monedero.store.documents.Document.save", full)
    answer = client.put("/api/profile", json={"version": held["version"], "profile": held["profile"]})
    assert code(answer, 507) == "disk-full"
    monkeypatch.undo()
    assert client.get("/api/profile").json() == held


def test_a_paper_is_documented_as_what_it_sends(client: TestClient) -> None:
    described = client.get("/api/openapi.json").json()["paths"]["/api/papers/{id}"]["get"]["responses"]["200"]
    assert list(described["content"]) == ["application/octet-stream"]
