"""Tests what is told before a change and before Publish: no false alarm, no loss out of sight, and from what to
what.
"""

from typing import Any

import pytest

from tests.api.shopkeeper import Shopkeeper

WEB = "/api/checkouts/web-shop"
# Something to add to each list of the shop that buyers are told apart by.
ADDED: dict[str, dict[str, Any]] = {
    "customer_groups": {"id": "club", "name": "Club"},
    "areas": {"id": "north", "name": "North", "countries": [], "postcodes": {"PT": ["4"]}},
    "deliveries": {"id": "bike", "name": "Bike", "kind": "own-round", "prices": []},
    "storefronts": {"id": "fair", "name": "Fair", "domain": None},
    "typed_rates": {"currency": "JPY", "per_euro": "160"},
}


def saved(keeper: Shopkeeper, **changed: Any) -> None:
    held = keeper.get("/api/shop")
    body = {"version": held["version"], "shop": {**held["shop"], **changed}}
    answer = keeper.client.put("/api/shop", json=body)
    assert answer.status_code == 200, answer.text


def published(keeper: Shopkeeper) -> Any:
    publication = keeper.get(f"{WEB}/publication")
    return keeper.post(f"{WEB}/editions", {"fingerprint": publication["fingerprint"]}, 201)


@pytest.mark.parametrize("groups_before", [0, 1])
@pytest.mark.parametrize("part", ADDED)
def test_what_is_added_to_a_shop_takes_nothing_from_anybody(
    keeper: Shopkeeper, part: str, groups_before: int
) -> None:
    if not groups_before:
        saved(keeper, customer_groups=[])
        keeper.post(f"{WEB}/editions", {"fingerprint": keeper.get(f"{WEB}/publication")["fingerprint"]})
    shop = keeper.get("/api/shop")
    after = {**shop["shop"], part: [*shop["shop"][part], ADDED[part]]}
    would = keeper.post("/api/shop/would-change", {"version": shop["version"], "shop": after}, 200)
    assert (would["takes_away"], [text for text in would["sentences"] if "no longer" in text]) == (False, [])
    saved(keeper, **{part: after[part]})
    moved = keeper.get(f"{WEB}/publication/moves")["sentences"]
    assert [text for text in moved if "no longer" in text] == []


def test_the_first_group_neither_takes_nor_gives(keeper: Shopkeeper) -> None:
    saved(keeper, customer_groups=[])
    keeper.settings("bank-transfer", due_days=4)
    published(keeper)
    saved(keeper, customer_groups=[{"id": "retail", "name": "Retail"}])
    assert keeper.get(f"{WEB}/publication/moves")["sentences"] == []


def test_a_market_that_is_removed_loses_the_orders_of_its_month_and_they_come_first(keeper: Shopkeeper) -> None:
    shop = keeper.get("/api/shop")["shop"]
    saved(keeper, markets=[market for market in shop["markets"] if market["id"] != "es-eur"])
    told = keeper.get(f"{WEB}/publication/moves")["sentences"]
    lost = [text for text in told if "no longer" in text and "Spain" in text]
    assert lost
    assert not any("no order of your month" in text for text in lost)
    assert told[: len(lost)] == lost


def test_an_edition_says_its_limits_countries_and_fees(keeper: Shopkeeper) -> None:
    keeper.settings(
        "card",
        conditions=[{"fact": "country", "only": ["PT", "ES"]}],
        fee={"percent": "2", "tax_percent": "23", "networks": {}},
    )
    published(keeper)
    newest = keeper.get(f"{WEB}/publication")["editions"][0]
    card = next(text for text in newest["summary"] if text.startswith("Card"))
    assert card.startswith("Card: up to 1,200.00 EUR; only for buyers in Portugal or Spain")
    assert card.endswith("on top 2 %; with 23 % tax")
