"""Tests what is known of a provider besides its prices: typed in place, and as a file with its rate card."""

import json
from pathlib import Path
from typing import Any

import jsonschema
import pytest
from fastapi.testclient import TestClient

from monedero.formats import provider_file

SCHEMA = json.loads(Path("docs/formats/provider-1.schema.json").read_text("utf-8"))
FACTS: dict[str, Any] = {
    "format": "monedero/provider/1",
    "id": "larkhithe",
    "name": "Larkhithe",
    "about": "Cards for small harbours.",
    "contract": "all-in-one",
    "review_days": 4,
    "asks": ["legal", "identity"],
    "excludes": ["quayling"],
    "announced": [{"method": "instalments", "from_day": "2027-05-01"}],
    "connects": "email",
    "credentials": [{"id": "key", "label": "Key", "found_at": "On the first page."}],
}
CARD: dict[str, Any] = {
    "format": "monedero/rate-card/1",
    "provider": {"id": "larkhithe", "name": "Larkhithe", "countries": ["PT"], "region": [], "settles_in": ["EUR"]},
    "plans": [{"id": "standard", "name": "Standard"}],
    "rates": [{"id": "card", "method": "card", "when": {}, "percent": "1.5"}],
}


def send(client: TestClient, body: Any) -> Any:
    return client.post("/api/providers/file", content=json.dumps(body))


def test_a_card_and_its_facts_are_read_in_one_go_and_come_out_as_they_went_in(client: TestClient) -> None:
    body = {**FACTS, "rate_card": CARD}
    jsonschema.validate(body, SCHEMA)
    answer = send(client, body)
    assert (answer.status_code, answer.json()["with_card"]) == (201, True)
    assert client.get("/api/rate-cards/larkhithe/always").json()["card"]["rates"][0]["percent"] == "1.5"
    sheet = client.get("/api/accounts/larkhithe").json()
    assert (sheet["about"], sheet["review_days"]) == ("Cards for small harbours.", 4)
    out = client.get("/api/providers/larkhithe/provider.json").content
    jsonschema.validate(json.loads(out), SCHEMA)
    assert provider_file.read(out) == provider_file.read(json.dumps(body).encode())


def test_facts_come_in_without_a_card(client: TestClient) -> None:
    assert send(client, FACTS).json()["with_card"] is False
    assert json.loads(client.get("/api/providers/larkhithe/provider.json").content) == FACTS


@pytest.mark.parametrize(
    ("changes", "field", "code"),
    [
        ({"format": "monedero/provider/9"}, "format", "format-unknown"),
        ({"id": "Lark Hithe"}, "id", "identifier-text"),
        ({"asks": ["a favour"]}, "asks.0", "not-one-of"),
        ({"colour": "green"}, "colour", "key-unknown"),
        ({"rate_card": {**CARD, "rates": []}}, "rate_card.rates", "list-empty"),
        ({"rate_card": {**CARD, "provider": {**CARD["provider"], "id": "other"}}}, "", "reference-dangling"),
    ],
)
def test_a_wrong_file_is_refused_by_field_and_nothing_is_kept(
    client: TestClient, changes: dict[str, Any], field: str, code: str
) -> None:
    answer = send(client, {**FACTS, **changes})
    assert answer.status_code == 422
    assert [(fault["field"], fault["code"]) for fault in answer.json()["errors"]] == [(field, code)]
    assert client.get("/api/providers/larkhithe").status_code == 404


def test_facts_are_typed_in_place_over_what_was_read(client: TestClient) -> None:
    held = client.get("/api/providers/brixavo").json()
    assert {"code": "terms", "name": "its terms, accepted"} in held["every_ask"]
    after = {**held["facts"], "about": "Bank payments.", "review_days": 9, "id": "other", "example": True}
    saved = client.put("/api/providers/brixavo", json={"before": held["facts"], "facts": after})
    kept = saved.json()["facts"]
    assert (kept["about"], kept["review_days"]) == ("Bank payments.", 9)
    # Its name among others stays.
    assert (kept["id"], kept["example"]) == ("brixavo", False)
    late = client.put("/api/providers/brixavo", json={"before": held["facts"], "facts": after})
    assert (late.status_code, late.json()["errors"][0]["code"]) == (409, "version-old")
    wrong = client.put("/api/providers/brixavo", json={"before": kept, "facts": {**kept, "review_days": -1}})
    assert wrong.json()["errors"][0]["field"] == "facts.review_days"
