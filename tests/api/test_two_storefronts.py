"""A shop with two storefronts: each is told of its own checkout, by whatever asks."""

from fractions import Fraction
from typing import Any

import pytest

from tests.api.shopkeeper import BOAT, Shopkeeper

COUNTER = "/api/checkouts/pier-counter"
OVER, NEVER = "takes more than it costs below 1,019.48 EUR", "never takes more than it costs"
AT_COUNTER = {**BOAT, "storefront": "pier-counter"}


@pytest.fixture
def counter(keeper: Shopkeeper) -> Shopkeeper:
    """The web shop's checkout copied to the counter, where the card takes 20.00 EUR on top."""
    keeper.post(f"{COUNTER}/copies", {"version": 0, "source": "web-shop"}, 201)
    change(keeper, "card", fee={"fixed": "20.00 EUR"})
    return keeper


def change(keeper: Shopkeeper, tender: str, **settings: Any) -> None:
    held = keeper.get(COUNTER)
    tenders = [{**one, **settings} if one["id"] == tender else one for one in held["tenders"]]
    answer = keeper.client.put(COUNTER, json={"version": held["version"], "tenders": tenders})
    assert answer.status_code == 200, answer.text


def figures(keeper: Shopkeeper, storefront: str) -> dict[str, Any]:
    held = keeper.get(f"/api/checkouts/{storefront}/figures", **BOAT)
    return {entry["tender"]: entry for entry in held["fees"]}


def row(keeper: Shopkeeper, key: str, **asked: str) -> Any:
    return next(one for one in keeper.get("/api/compare", **asked)["ranked"] if one["route"]["key"] == key)


def test_a_fee_of_a_second_storefront_is_held_against_its_own_cost(counter: Shopkeeper) -> None:
    """1.9 % + 0.25: 20.00 more than what it costs below (20.00 - 0.25 - 1.9 % of 20.00) / 1.9 %."""
    assert figures(counter, "pier-counter")["card"]["over"] == OVER
    assert figures(counter, "web-shop")["card"]["over"] == ""


def test_each_of_two_tenders_of_one_route_has_its_own_fee(counter: Shopkeeper) -> None:
    """A second card tender with a fee of 0.01 is never over its cost, whatever the first one takes."""
    held = counter.get(COUNTER)
    card = next(one for one in held["tenders"] if one["id"] == "card")
    second = {**card, "id": "card-2", "name": "Card again", "names": {}, "fee": {"fixed": "0.01 EUR"}}
    body = {"version": held["version"], "tenders": [*held["tenders"], second]}
    assert counter.client.put(COUNTER, json=body).status_code == 200
    found = figures(counter, "pier-counter")
    assert (found["card"]["over"], found["card-2"]["over"]) == (OVER, NEVER)
    # The same the other way round: the first one's fee is not the second's.
    change(counter, "card", fee={"fixed": "0.01 EUR"})
    change(counter, "card-2", fee={"fixed": "20.00 EUR"})
    found = figures(counter, "pier-counter")
    assert (found["card"]["over"], found["card-2"]["over"]) == (NEVER, OVER)


def test_compare_knows_what_is_in_the_checkout_of_the_storefront_that_is_asked_for(keeper: Shopkeeper) -> None:
    key = row(keeper, "orlenta/start/card", **BOAT)["route"]
    assert key["tenders"] == ["card"]
    assert row(keeper, "orlenta/start/card", **AT_COUNTER)["route"]["tenders"] == []
    keeper.post(
        f"{COUNTER}/tenders",
        {
            "version": 0,
            "method": "card",
            "route": {"provider": "orlenta", "plan": "steady", "method": "card"},
        },
        201,
    )
    assert row(keeper, "orlenta/steady/card", **AT_COUNTER)["route"]["tenders"]
    assert row(keeper, "orlenta/steady/card", **BOAT)["route"]["tenders"] == []


@pytest.mark.parametrize("path", ["", "/curves", "/changes", "/turnings"])
def test_whatever_compares_counts_the_fee_of_its_storefront(counter: Shopkeeper, path: str) -> None:
    """Compare, its curves, price changes and turning points are other ones where the fee is another."""
    more = {"low": "1.00", "high": "500.00", "of": "all-in"} if path == "/curves" else {}
    here, there = (counter.get(f"/api/compare{path}", **asked, **more) for asked in (BOAT, AT_COUNTER))
    if path == "":
        costs = [
            Fraction(row(counter, "orlenta/start/card", **asked)["fee"].split()[0]) for asked in (BOAT, AT_COUNTER)
        ]
        # The provider's fee falls on the 20.00 EUR too.
        assert costs[1] > costs[0]
    assert (here == there) is (path == "/changes")


def test_a_storefront_that_the_shop_does_not_have_is_refused_by_its_name(keeper: Shopkeeper) -> None:
    answer = keeper.client.get("/api/compare", params={**BOAT, "storefront": "nowhere"})
    assert keeper.fault(answer) == (404, "not-found", "storefront")


def test_what_is_to_be_decided_next_is_told_of_every_storefront(keeper: Shopkeeper) -> None:
    steps = {(step["code"], step["storefront"]): step for step in keeper.get("/api/next")["steps"]}
    counter = steps["nothing-on", "pier-counter"]
    assert counter["text"].startswith("Pier counter: ")
    keeper.post(f"{COUNTER}/copies", {"version": 0, "source": "web-shop"}, 201)
    steps = {(step["code"], step["storefront"]): step for step in keeper.get("/api/next")["steps"]}
    assert ("not-published", "pier-counter") in steps
    keeper.publish("pier-counter")
    assert "pier-counter" not in {
        step["storefront"] for step in keeper.get("/api/next")["steps"] if "publish" in step["code"]
    }


def test_what_publishing_moves_is_held_against_the_edition_of_its_own_storefront(keeper: Shopkeeper) -> None:
    """An edition is known by its id: the first one of the counter is not the first one of the shop."""
    for storefront in ("web-shop", "pier-counter"):
        if storefront == "pier-counter":
            keeper.post(f"{COUNTER}/copies", {"version": 0, "source": "web-shop"}, 201)
        shown = keeper.get(f"/api/checkouts/{storefront}/publication")
        if shown["changes"]:
            keeper.post(f"/api/checkouts/{storefront}/editions", {"fingerprint": shown["fingerprint"]}, 201)
    change(keeper, "card", on=False)
    assert any("Card" in sentence for sentence in keeper.get(f"{COUNTER}/publication/moves")["sentences"])
    # In the shop all ways but the card are off for its buyers; at the counter nothing changed.
    change(keeper, "card", on=True)
    held = keeper.get("/api/checkouts/web-shop")
    only = [{**one, "on": one["id"] == "card"} for one in held["tenders"]]
    saved = keeper.client.put("/api/checkouts/web-shop", json={"version": held["version"], "tenders": only})
    assert saved.status_code == 200, saved.text
    shown = keeper.get("/api/checkouts/web-shop/publication")
    keeper.post("/api/checkouts/web-shop/editions", {"fingerprint": shown["fingerprint"]}, 201)
    assert keeper.get(f"{COUNTER}/publication")["changes"] == []
    assert keeper.get(f"{COUNTER}/publication/moves")["sentences"] == []
    assert keeper.get("/api/checkouts/web-shop/publication/moves")["sentences"] == []
