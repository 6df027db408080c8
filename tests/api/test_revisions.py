"""Every answer says at which revisions the shop is, so that a browser knows what of it has become old."""

from typing import Any

import pytest
from fastapi.testclient import TestClient

from monedero.api.app import create_app
from monedero.server.shops import Shops

HAND = {"market": "es-eur", "line": "night-boat-tour", "amount": "85.00", "currency": "EUR"}


def revisions(answer: Any) -> dict[str, str]:
    """The numbers by cause; the header is a dictionary of RFC 9651."""
    return dict(entry.split("=") for entry in answer.headers["Monedero-Revisions"].split(", "))


def changed(before: dict[str, str], after: dict[str, str]) -> set[str]:
    return {cause for cause in before if before[cause] != after[cause]}


def paths_without_parts(shops: Shops) -> list[str]:
    schema = create_app(shops, demo_first=True).openapi()
    return [path for path, operations in schema["paths"].items() if "get" in operations and "{" not in path]


def test_looking_changes_nothing(client: TestClient, shops: Shops) -> None:
    """Else what looks would be told to look again, and again."""
    before = revisions(client.get("/api/shop"))
    assert set(before) == {"prices", "month", "accounts", "checkout", "clock", "any"}
    paths = paths_without_parts(shops)
    assert len(paths) > 15
    for path in paths:
        answer = client.get(path, params=HAND)
        if "Monedero-Revisions" in answer.headers:
            assert revisions(answer) == before, path


@pytest.mark.parametrize(
    ("path", "body", "cause"),
    [
        ("/api/assumptions", {"id": "dispute-rate", "about": "card", "value": "1"}, "prices"),
        ("/api/clock", {"minutes": 60}, "clock"),
    ],
)
def test_a_change_is_counted_by_its_cause_in_its_own_answer(
    client: TestClient, path: str, body: dict[str, str], cause: str
) -> None:
    before = revisions(client.get("/api/shop"))
    answer = client.request("POST" if path == "/api/clock" else "PUT", path, json=body)
    assert answer.status_code == 200, answer.json()
    # Time that passes may move what is due, which counts as well.
    assert {cause, "any"} <= changed(before, revisions(answer))


def test_a_draft_is_counted_apart_from_prices_and_a_refusal_says_where_the_shop_is(client: TestClient) -> None:
    held = client.get("/api/checkouts/web-shop")
    tenders = held.json()["tenders"]
    tenders[0]["texts"] = {"en": {"description": "Paid at once."}}
    body = {"version": held.json()["version"], "tenders": tenders}
    saved = client.put("/api/checkouts/web-shop", json=body)
    assert changed(revisions(held), revisions(saved)) == {"checkout", "any"}
    late = client.put("/api/checkouts/web-shop", json=body)
    assert (late.status_code, revisions(late)) == (409, revisions(saved))
