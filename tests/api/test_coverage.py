"""Coverage over HTTP: what the grid says is what a buyer is offered, fixes end what they are told to, changes ask."""

from typing import Any

import pytest
from fastapi.testclient import TestClient

from monedero.server.shops import Shops
from tests.api.shopkeeper import CHART, Shopkeeper
from tests.api.test_composing import compose

WEB = "/api/checkouts/web-shop"
COVERAGE = f"{WEB}/coverage"


def offered(keeper: Shopkeeper, order: dict[str, Any]) -> list[str]:
    """The ways to pay that the buyer of an order is offered."""
    told = {name: value for name, value in order.items() if value is not None}
    return [entry["tender"] for entry in keeper.get(f"{WEB}/view", **told)["offered"]]


def ends(keeper: Shopkeeper, **query: Any) -> list[str]:
    """Tells what is said of dead ends."""
    found = keeper.get(COVERAGE, **query)["findings"]
    return [f"{each['lead']} {each['text']}" for each in found if each["kind"] == "dead-end"]


def fixes(keeper: Shopkeeper, **query: Any) -> list[tuple[str, dict[str, str]]]:
    """Every fix that can be made in the draft, with its finding."""
    found = keeper.get(f"{COVERAGE}/fixes", **query)["fixes"]
    return [(finding, fix) for finding, some in found.items() for fix in some if not fix["go"]]


def make(keeper: Shopkeeper, finding: str, fix: str, **more: Any) -> Any:
    version = keeper.get(WEB)["version"]
    return keeper.client.post(f"{COVERAGE}/fix", json={"version": version, "finding": finding, "fix": fix, **more})


@pytest.mark.parametrize("look", [{}, {"delivery": "courier"}, {"customer_group": "wholesale", "device": "phone"}])
def test_an_order_of_every_cell_is_offered_as_many_ways_as_the_cell_says(
    keeper: Shopkeeper, look: dict[str, str]
) -> None:
    compose(keeper.client, only="card", conditions=[{"fact": "delivery", "not": ["courier"]}])
    report = keeper.get(COVERAGE, **look)
    cells = [
        (block["markets"][0], row["lines"], cell)
        for block in report["blocks"]
        for row in block["rows"]
        if len(row["lines"]) == 1
        for cell in row["cells"]
    ]
    assert len(cells) >= 10
    for market, lines, cell in cells[:: len(cells) // 10]:
        below = {"below": cell["below"]} if cell["below"] else {}
        asked = {**look, "market": market, "lines": "+".join(lines), "first": cell["first"], **below}
        order = keeper.get(f"{COVERAGE}/order", **asked)
        assert len(offered(keeper, order)) == cell["least"], (asked, order)
        assert {name: order[name] for name in look} == look
        assert order["market"] == market


def test_the_order_of_a_finding_is_what_is_said_of_it(keeper: Shopkeeper) -> None:
    found = keeper.get(COVERAGE)["findings"]
    assert {each["kind"] for each in found} == {"dead-end", "single", "unreachable"}
    for each in found:
        if each["order"]:
            ways = offered(keeper, each["order"])
            assert ways == ([each["tender"]] if each["kind"] == "single" else [])


def test_a_fix_is_shown_first_then_made_then_undone(keeper: Shopkeeper) -> None:
    before = keeper.get(COVERAGE)
    finding, fix = fixes(keeper)[0]
    shown = keeper.get(COVERAGE, finding=finding, fix=fix["id"])
    assert shown["preview"]["text"] == "Offer Card without an upper limit"
    assert any("Card is then offered for anything" in change for change in shown["preview"]["changes"])
    # Nothing was changed by looking at it.
    assert keeper.get(COVERAGE) == before
    assert make(keeper, finding, fix["id"]).status_code == 200
    after = keeper.get(COVERAGE)
    assert after["blocks"] == shown["blocks"]
    assert finding not in {each["id"] for each in after["findings"]}
    keeper.post(f"{WEB}/steps", {"version": keeper.get(WEB)["version"], "way": "back"}, 200)
    assert keeper.get(COVERAGE)["findings"] == before["findings"]


def test_every_fix_that_can_be_made_ends_its_finding(keeper: Shopkeeper) -> None:
    compose(keeper.client, only="card", windows=[{"from": "20.00 EUR", "up_to": "90.00 EUR"}])
    tried = fixes(keeper)
    assert len(tried) > 3
    for finding, fix in tried:
        assert make(keeper, finding, fix["id"]).status_code == 200, fix
        assert finding not in {each["id"] for each in keeper.get(COVERAGE)["findings"]}, fix
        keeper.post(f"{WEB}/steps", {"version": keeper.get(WEB)["version"], "way": "back"}, 200)


def test_a_fix_says_what_it_costs_over_the_month(keeper: Shopkeeper) -> None:
    held = keeper.get(WEB)
    only = [{**entry, "windows": [{"up_to": "50.00 EUR"}]} for entry in held["tenders"] if entry["id"] == "card"]
    keeper.client.put(WEB, json={"version": held["version"], "tenders": only})
    found = keeper.get(COVERAGE)["findings"]
    worst = found[0]
    assert worst["kind"] == "dead-end"
    assert worst["share"].endswith("orders a month")
    [fix] = keeper.get(f"{COVERAGE}/fixes")["fixes"][worst["id"]]
    orders = worst["share"].split()[0]
    assert fix["cost"].endswith(f"EUR a month for {orders} orders")


def test_a_fix_that_waits_for_an_account_says_where_it_is(keeper: Shopkeeper) -> None:
    every = keeper.get(f"{COVERAGE}/fixes")["fixes"]
    [(finding, fix), *_] = [(id, fix) for id, some in every.items() for fix in some if fix["go"]]
    assert fix["go"].startswith("/accounts/")
    assert keeper.fault(make(keeper, finding, fix["id"])) == (409, "fix-waits", "fix")


def test_what_is_not_there_is_refused_by_its_name(keeper: Shopkeeper) -> None:
    for query, field in (
        ({"delivery": "balloon"}, "delivery"),
        ({"customer_group": "nobles"}, "customer_group"),
        ({"without": "nobody"}, "without"),
        ({"finding": "dead-end-0", "fix": "card.off"}, "finding"),
    ):
        assert keeper.fault(keeper.client.get(COVERAGE, params=query)) == (404, "not-found", field)
    assert keeper.client.get(COVERAGE, params={"device": "abacus"}).status_code == 422
    assert keeper.fault(keeper.client.get(COVERAGE, params={"on": "1803-01-01"}))[1:] == ("date-range", "on")
    finding, fix = fixes(keeper)[0]
    assert keeper.fault(make(keeper, finding, "card.unheard")) == (404, "not-found", "fix")
    assert keeper.fault(make(keeper, finding, fix["id"], version=0))[1] == "version-old"
    two = {"market": "pt-eur", "lines": "star-chart+sky-maps", "first": "1.00"}
    assert keeper.fault(keeper.client.get(f"{COVERAGE}/order", params=two)) == (422, "two-lines", "lines")
    cell = {"market": "pt-eur", "lines": "star-chart", "first": "1.00"}
    for wrong, field in (
        ({"market": "xx"}, "market"),
        ({"lines": "nothing"}, "lines"),
        ({"first": "much"}, "first"),
        ({"below": "1.234"}, "below"),
    ):
        answer = keeper.client.get(f"{COVERAGE}/order", params={**cell, **wrong})
        assert answer.status_code in (404, 422)
        assert keeper.fault(answer)[2] == field


def test_an_outage_of_one_provider_and_accounts_left_aside(keeper: Shopkeeper) -> None:
    assert len(ends(keeper, without="orlenta")) > len(ends(keeper))
    assert "Nobody in Portugal and Spain can pay for Dark-sky club." in ends(keeper, without="orlenta")
    assert "Nobody in Portugal and Spain can pay for Dark-sky club." not in ends(keeper)
    # As if every account was ready, debits carry the club at any amount, and nothing is out of reach.
    ready = keeper.get(COVERAGE, ready=True)["findings"]
    assert "unreachable" not in {each["kind"] for each in ready}
    # A fix never offers what is left out for a look.
    every = keeper.get(f"{COVERAGE}/fixes", without="orlenta")["fixes"]
    waits = {fix["go"] for some in every.values() for fix in some}
    assert "/accounts/brixavo" in waits
    assert "/accounts/orlenta" not in waits


def test_the_last_change_says_which_dead_end_it_made(keeper: Shopkeeper) -> None:
    assert keeper.get(f"{COVERAGE}/state")["made"] == []
    before = keeper.get(f"{COVERAGE}/state")["dead_ends"]
    keeper.settings("card", windows=[{"up_to": "100.00 EUR"}])
    state = keeper.get(f"{COVERAGE}/state")
    assert state["dead_ends"] >= before
    assert any("can pay any more for Dark-sky club" in made for made in state["made"])
    # Another change makes none, and says nothing of it.
    keeper.settings("card", texts={"en": {"description": "Your card"}})
    assert keeper.get(f"{COVERAGE}/state")["made"] == []


def changed_market(keeper: Shopkeeper, market: str, **part: str) -> dict[str, Any]:
    held = keeper.get("/api/shop")
    markets = [{**entry, **part} if entry["id"] == market else entry for entry in held["shop"]["markets"]]
    return {"version": held["version"], "shop": {**held["shop"], "markets": markets}}


def test_a_change_of_currency_says_which_ways_leave_and_back_restores_them(keeper: Shopkeeper) -> None:
    before = keeper.get(COVERAGE)
    edit = changed_market(keeper, "pt-eur", currency="GBP")
    told = keeper.post("/api/shop/would-change", edit, 200)
    assert told["takes_away"]
    leave = {text.split(": ")[1].split(" is no longer")[0] for text in told["sentences"] if "no longer" in text}
    assert leave == {"Online banking", "Bank transfer"}
    assert any("Nobody in Portugal can pay any more" in text for text in told["sentences"])
    # Asking changes nothing, and neither does a change that is refused where it takes away.
    refused = keeper.client.put("/api/shop", json={**edit, "unless_taking": True})
    assert refused.status_code == 409
    assert [fault["detail"] for fault in refused.json()["errors"]] == told["sentences"]
    assert keeper.get(COVERAGE) == before
    assert keeper.client.put("/api/shop", json=edit).status_code == 200
    back = changed_market(keeper, "pt-eur", currency="EUR")
    assert not keeper.post("/api/shop/would-change", back, 200)["takes_away"]
    assert keeper.client.put("/api/shop", json={**back, "unless_taking": True}).status_code == 200
    assert keeper.get(COVERAGE)["findings"] == before["findings"]


def test_what_takes_nothing_away_is_not_asked_about(keeper: Shopkeeper) -> None:
    same = keeper.get("/api/shop")
    edit = {"version": same["version"], "shop": {**same["shop"], "name": "Cabo Claro"}}
    assert keeper.post("/api/shop/would-change", edit, 200)["sentences"] == []
    more = {"id": "fr-eur", "country": "FR", "currency": "EUR", "share": "0"}
    edit["shop"]["markets"] = [*same["shop"]["markets"], more]
    told = keeper.post("/api/shop/would-change", edit, 200)
    assert not told["takes_away"]
    assert any("is then offered for" in text and "France" in text for text in told["sentences"])
    edit["shop"]["customer_groups"] = [*same["shop"]["customer_groups"], {"id": "club", "name": "Club"}]
    assert not keeper.post("/api/shop/would-change", edit, 200)["takes_away"]
    used = {**same["shop"], "lines": []}
    compose(keeper.client, only="card", conditions=[{"fact": "line", "only": ["star-chart"]}])
    refused = keeper.client.post("/api/shop/would-change", json={"version": same["version"], "shop": used})
    assert keeper.fault(refused)[1] == "in-use"


def test_leaving_an_account_says_which_orders_lose_a_way(keeper: Shopkeeper) -> None:
    told = keeper.get("/api/accounts/orlenta/leaving", mode="test")
    assert any("Card is no longer offered" in text for text in told["moves"])
    assert any("Nobody" in text for text in told["moves"])


def test_serving_another_storefront_alone_says_which_orders_lose_a_way(keeper: Shopkeeper) -> None:
    shop = keeper.get("/api/shop")["shop"]
    [other] = [front["id"] for front in shop["storefronts"] if front["id"] != "web-shop"]
    at = "/api/accounts/orlenta/serves/would-change"
    told = keeper.post(at, {"storefronts": [other]}, 200, mode="test")
    assert told["takes_away"]
    assert any(text.startswith("In Web shop: Card is no longer offered") for text in told["sentences"])
    assert not keeper.post(at, {"storefronts": []}, 200, mode="test")["takes_away"]
    refused = keeper.client.post(at, json={"storefronts": ["unheard"]}, params={"mode": "test"})
    assert keeper.fault(refused)[1] == "not-found"


def test_an_account_held_elsewhere_that_has_less_says_which_orders_lose_a_way(keeper: Shopkeeper) -> None:
    at = "/api/accounts/quayling/elsewhere"
    keeper.post("/api/accounts/quayling/disconnect", None, 200, mode="test")
    assert keeper.client.put(at, json={"methods": ["instalments"]}, params={"mode": "test"}).status_code == 200
    same = keeper.post(f"{at}/would-change", {"methods": ["instalments"]}, 200, mode="test")
    assert same["sentences"] == []
    front = {"methods": ["instalments"], "storefronts": ["pier-counter"]}
    told = keeper.post(f"{at}/would-change", front, 200, mode="test")
    assert told["takes_away"]
    assert any("Instalments is no longer offered" in text for text in told["sentences"])


def test_publishing_says_which_orders_are_gained_and_lost(keeper: Shopkeeper) -> None:
    moves = keeper.get(f"{WEB}/publication/moves")["sentences"]
    assert not any("no longer" in text for text in moves)
    keeper.settings("card", windows=[{"up_to": "100.00 EUR"}])
    moves = keeper.get(f"{WEB}/publication/moves")["sentences"]
    assert any(text.startswith("Card is no longer offered for") for text in moves)
    shown = keeper.get(f"{WEB}/publication")["fingerprint"]
    keeper.post(f"{WEB}/editions", {"fingerprint": shown}, 201)
    assert keeper.get(f"{WEB}/publication/moves")["sentences"] == []


def test_a_shared_set_says_what_it_would_take_away(keeper: Shopkeeper) -> None:
    iberia = {"id": "iberia", "name": "Iberia", "conditions": [{"fact": "country", "only": ["PT", "ES"]}]}
    compose(keeper.client, shared_conditions=[iberia], only="card", shared=["iberia"])
    held = keeper.get(WEB)
    wider = {**iberia, "conditions": [{"fact": "country", "only": ["PT"]}]}
    edit = {**{name: held[name] for name in ("version", "tenders", "headings")}, "shared_conditions": [wider]}
    told = keeper.post(f"{WEB}/would-change", {"edit": edit, "order": CHART}, 200)["sentences"]
    assert any(text.startswith("In Web shop: Card is no longer offered") and "Spain" in text for text in told)


def test_a_shop_without_tenders_lines_or_markets_is_answered(client: TestClient, shops: Shops) -> None:
    keeper = Shopkeeper(client, shops)
    held = keeper.get(WEB)
    assert client.put(WEB, json={"version": held["version"], "tenders": []}).status_code == 200
    empty = keeper.get(COVERAGE)
    assert {each["kind"] for each in empty["findings"]} == {"dead-end"}
    assert all(cell["most"] == 0 for block in empty["blocks"] for row in block["rows"] for cell in row["cells"])
    assert [fix for some in keeper.get(f"{COVERAGE}/fixes")["fixes"].values() for fix in some] == []
    shop = keeper.get("/api/shop")
    for part in ("lines", "markets"):
        held = {**shop["shop"], part: []}
        saved = client.put("/api/shop", json={"version": shop["version"], "shop": held})
        assert saved.status_code == 200, saved.text
        shop = saved.json()
        none = keeper.get(COVERAGE)
        assert none["blocks"] == none["findings"] == []
        assert none["clean"].startswith("Your shop has no market or no line")
    assert keeper.get(f"{COVERAGE}/state")["note"] == ""
