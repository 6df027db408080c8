"""Shares of buyers, and the best set of ways for them: over the API, in the demo and in shops of few means."""

from fractions import Fraction
from typing import Any

import pytest
from starlette.testclient import TestClient

WEB = "/api/checkouts/web-shop"


def buyers(client: TestClient) -> Any:
    return client.get("/api/buyers").json()


def edit(client: TestClient, family: str, status: int = 200, country: str | None = None, **typed: Any) -> Any:
    body = {"version": buyers(client)["version"], "country": country, "family": family, **typed}
    answer = client.post("/api/buyers/shares", json=body)
    assert answer.status_code == status, answer.json()
    return answer.json()


def best(client: TestClient, **limits: Any) -> Any:
    return client.get("/api/compare/best-set", params=limits).json()


def euros(money: str) -> Fraction:
    return Fraction(money.split(maxsplit=1)[0])


def shares(state: Any, country: str = "all") -> dict[str, str]:
    of = next(entry for entry in state["buyers"] if entry["country"] == country)
    return {entry["family"]: entry["share"] for entry in of["families"]}


def test_a_first_guess_is_marked_and_a_share_that_is_typed_takes_the_others_along(client: TestClient) -> None:
    state = buyers(client)
    assert (state["buyers"][0]["origin"], state["source"]) == ("guess", "common practice, no source")
    assert sum(map(Fraction, shares(state).values())) == 100
    typed = edit(client, "card", share="60.25")
    assert typed["buyers"][0]["origin"] == "typed"
    assert shares(typed)["card"] == "60.25"
    assert sum(map(Fraction, shares(typed).values())) == 100
    spain = edit(client, "cash", country="ES", share="40")
    assert shares(spain, "ES")["cash"] == "40"
    assert shares(spain) == shares(typed)
    again = client.post("/api/buyers/forget", json={"version": spain["version"], "country": "ES"}).json()
    assert [entry["country"] for entry in again["buyers"]] == ["all"]


@pytest.mark.parametrize(
    ("typed", "code"),
    [
        ({"share": "130"}, "percent-range"),
        ({"share": "-1"}, "percent-text"),
        ({"stay": "101"}, "percent-range"),
        ({"instead": ["cash", "cash"]}, "duplicate"),
        ({"instead": ["card"]}, "duplicate"),
        ({"instead": ["gold"]}, "not-one-of"),
    ],
)
def test_a_share_that_cannot_be_is_refused_and_nothing_is_kept(
    client: TestClient, typed: dict[str, Any], code: str
) -> None:
    before = buyers(client)
    refused = edit(client, "card", 422, **typed)
    assert refused["errors"][0]["code"] == code
    assert buyers(client) == before


def test_of_two_who_type_at_once_the_second_is_told(client: TestClient) -> None:
    body = {"version": buyers(client)["version"], "country": None, "family": "card", "share": "50"}
    assert client.post("/api/buyers/shares", json=body).status_code == 200
    assert client.post("/api/buyers/shares", json=body).status_code == 409


def test_whoever_finds_no_way_is_lost_and_a_way_more_brings_them(client: TestClient) -> None:
    """Buyers of whom everybody insists on cash: only the shop's own cash carries them."""
    edit(client, "cash", share="100")
    edit(client, "cash", stay="0")
    found = best(client)
    assert {way["method"] for way in found["inside"]} <= {"cash-on-the-day", "cash-on-delivery"}
    assert found["accounts"] == []
    assert Fraction(found["best"]["carried"]) + Fraction(found["best"]["lost"]) == 168
    assert all(plan["carried"] == "0" for plan in client.get("/api/compare/plans").json()["alone"])


def test_the_best_set_leaves_at_least_what_any_provider_and_the_checkout_leave(client: TestClient) -> None:
    found = best(client)
    left = euros(found["best"]["left"])
    assert left >= euros(found["stands"]["left"])
    assert all(left >= euros(plan["left"]) for plan in client.get("/api/compare/plans").json()["alone"])
    assert euros(found["better"]) == left - euros(found["stands"]["left"])
    assert all(euros(way["without"]) > 0 for way in found["inside"])
    assert all(euros(way["changes"]) <= 0 for way in found["outside"])
    assert euros(found["one_less"]["left"]) <= left
    assert sum(Fraction(way["orders"]) for way in found["inside"]) == pytest.approx(
        float(found["best"]["carried"]), abs=0.5
    )


def test_limits_are_kept(client: TestClient) -> None:
    free = best(client)
    one = best(client, most_accounts=1)
    assert one["best"]["accounts"] == 1
    assert best(client, most_ways=2)["best"]["ways"] != free["best"]["ways"]
    assert "Cash on delivery" in best(client, keep="cash-on-delivery")["best"]["ways"]
    apart = best(client, apart=["tessaline", "quayling"])
    assert not {"tessaline", "quayling"} <= {account["provider"] for account in apart["accounts"]}
    assert best(client, most_ways=0, every_order=1)["best"] is None
    for less in (one, apart):
        assert euros(less["best"]["left"]) <= euros(free["best"]["left"])


def test_without_margins_it_is_told_by_orders_and_cost(client: TestClient) -> None:
    shop = client.get("/api/shop").json()
    lines = [{**line, "margin": None} for line in shop["shop"]["lines"]]
    saved = client.put("/api/shop", json={"version": shop["version"], "shop": {**shop["shop"], "lines": lines}})
    assert saved.status_code == 200
    found = best(client)
    assert (found["best"]["left"], found["better"], found["lost_margin"]) == (None, None, None)
    assert Fraction(found["best"]["carried"]) >= Fraction(found["stands"]["carried"])
    assert buyers(client)["left"] is None


def test_it_is_put_in_the_checkout_as_one_change_that_is_taken_back(client: TestClient) -> None:
    before = client.get(WEB).json()
    found = best(client)
    answer = client.post(f"{WEB}/best-set", json={"version": before["version"]})
    assert answer.status_code == 200, answer.json()
    placed = answer.json()
    on = {tender["method"]: tender["route"] for tender in placed["draft"]["tenders"] if tender["on"]}
    ways = {way["method"] for way in found["inside"]}
    # Pocketfern has no account, and Dovetide's is in review: nothing is switched on with them.
    assert placed["waiting"] == ["Account wallet (Pocketfern)", "Device wallet (Dovetide Basic)"]
    assert set(on) <= ways
    assert on["card"]["provider"] == "tessaline"
    taken = client.post(f"{WEB}/steps", json={"version": placed["draft"]["version"], "way": "back"}).json()
    assert taken["tenders"] == before["tenders"]
    old = client.post(f"{WEB}/best-set", json={"version": before["version"]})
    assert old.status_code == 409


def test_an_impossible_set_is_not_put_in(client: TestClient) -> None:
    before = client.get(WEB).json()
    body = {"version": before["version"], "most_ways": 0, "every_order": 1}
    refused = client.post(f"{WEB}/best-set", json=body)
    assert (refused.status_code, refused.json()["errors"][0]["code"]) == (409, "no-set")
    assert client.get(WEB).json() == before
