"""From a tender in the draft to a buyer who pays, over HTTP."""

from typing import Any

import pytest
from fastapi.testclient import TestClient

from monedero.server.shops import RunningShop, Shops
from tests.api.shopkeeper import BUYERS, DESK
from tests.conftest import browser_of, opened, the_app

HAND = {"market": "es-eur", "line": "night-boat-tour", "amount": "85.00", "currency": "EUR"}


def draft(client: TestClient) -> Any:
    return client.get("/api/checkouts/web-shop").json()


def save(client: TestClient, tenders: list[Any], version: int | None = None) -> Any:
    held = draft(client)["version"] if version is None else version
    return client.put("/api/checkouts/web-shop", json={"version": held, "tenders": tenders})


def outcomes(client: TestClient, **changed: str) -> dict[str, Any]:
    view = client.get("/api/checkouts/web-shop/view", params={**HAND, **changed}).json()
    return {entry["tender"]["id"]: entry for entry in view["outcomes"]}


def place(client: TestClient, tender: str, at: str = BUYERS, **changed: str) -> Any:
    return client.post(f"{at}/orders", json={"order": {**HAND, **changed}, "tender": tender})


def end(client: TestClient, placed: Any, outcome: str) -> Any:
    return client.post(placed["go_to"], data={"ending": outcome}, follow_redirects=False)


def pay(client: TestClient, placed: Any, outcome: str) -> Any:
    back = end(client, placed, outcome)
    assert client.get(back.headers["location"], follow_redirects=False).status_code == 303
    return client.get(f"/api/orders/{placed['token']}").json()


def test_a_route_becomes_a_tender_switched_off_under_a_free_name(client: TestClient) -> None:
    route = {"provider": "tessaline", "plan": "split", "method": "card"}
    body = {"version": draft(client)["version"], "method": "card", "route": route}
    first = client.post("/api/checkouts/web-shop/tenders", json=body).json()
    assert (first["added"], first["tenders"][-1]["name"], first["tenders"][-1]["on"]) == (
        "card-2",
        "Card (Tessaline)",
        False,
    )
    for name in ("Card (Tessaline) 2", "Card (Tessaline) 3"):
        body["version"] = draft(client)["version"]
        assert client.post("/api/checkouts/web-shop/tenders", json=body).json()["tenders"][-1]["name"] == name
    old = client.post("/api/checkouts/web-shop/tenders", json={**body, "version": 1})
    assert old.status_code == 409


@pytest.mark.parametrize(
    "added",
    [
        {"method": "card"},
        {"method": "card", "route": {"provider": "tessaline", "plan": "gold", "method": "card"}},
    ],
)
def test_what_is_not_there_cannot_be_added(client: TestClient, added: dict[str, Any]) -> None:
    answer = client.post("/api/checkouts/web-shop/tenders", json={"version": draft(client)["version"], **added})
    assert (answer.status_code, answer.json()["errors"][0]["code"]) == (404, "not-found")


def test_an_own_arrangement_becomes_a_tender(client: TestClient) -> None:
    body = {"version": draft(client)["version"], "method": "cash-on-delivery"}
    added = client.post("/api/checkouts/web-shop/tenders", json=body).json()["tenders"][-1]
    assert (added["name"], added.get("route")) == ("Cash on delivery", None)


@pytest.mark.parametrize(
    ("changed", "field", "code"),
    [
        ({"name": "ONLINE banking"}, "", "name-taken"),
        ({"name": " "}, "tenders.0.name", "blank"),
        ({"windows": [{"from": "60.00 EUR", "up_to": "59.99 EUR"}]}, "tenders.0.windows.0", "limits-crossed"),
        ({"windows": [{"from": "sixty EUR"}]}, "tenders.0.windows.0.from", "money-text"),
        ({"windows": [{"from": "6.0001 EUR"}]}, "tenders.0.windows.0.from", "amount-decimals"),
        ({"on": "yes"}, "tenders.0.on", "wrong-type"),
        ({"shade": "green"}, "tenders.0.shade", "key-unknown"),
    ],
)
def test_a_tender_that_breaks_a_rule_is_refused_and_nothing_is_kept(
    client: TestClient, changed: dict[str, Any], field: str, code: str
) -> None:
    held = draft(client)
    answer = save(client, [{**held["tenders"][0], **changed}, *held["tenders"][1:]])
    fault = answer.json()["errors"][0]
    assert (answer.status_code, fault["field"], fault["code"]) == (422, field, code)
    assert draft(client) == held


def test_the_sequence_of_the_draft_is_what_the_buyer_meets(client: TestClient) -> None:
    held = draft(client)
    assert save(client, held["tenders"][::-1]).status_code == 200
    places = {name: entry["place"] for name, entry in outcomes(client).items() if entry["place"]}
    assert sorted(places, key=lambda name: places[name]) == [
        "cash-on-the-day",
        "instalments",
        "bank-transfer",
        "online-banking",
        "card",
    ]
    assert save(client, held["tenders"], version=held["version"]).status_code == 409


def test_every_tender_says_why_it_is_held_back_and_what_it_costs(client: TestClient) -> None:
    seen = outcomes(client, amount="1450.00")
    assert seen["card"]["reasons"] == [
        {
            "code": "window-over",
            "text": "up to 1,200.00 EUR; this order is 1,450.00 EUR",
            "act": "lift the limit",
            "go": "",
            "say": "",
        }
    ]
    assert seen["card"]["fee"] == "27.80 EUR"
    assert seen["device-wallet"]["reasons"][0]["text"] == (
        "the account with Dovetide is still in review since 19 Nov 2026"
    )
    assert seen["bank-transfer"]["fee"] is None


def test_buyers_see_the_newest_edition_and_not_the_draft(client: TestClient) -> None:
    def offered() -> tuple[int, list[str]]:
        offer = client.get("/api/shops/demo/offer", params=HAND).json()
        return offer["edition"], [way["tender"] for way in offer["offered"]]

    assert offered() == (1, ["card", "online-banking", "bank-transfer", "instalments"])
    publication = client.get("/api/checkouts/web-shop/publication").json()
    assert publication["changes"] == ["Cash at the pier is switched on."]
    looked_at = {"fingerprint": publication["fingerprint"]}
    published = client.post("/api/checkouts/web-shop/editions", json=looked_at)
    assert (published.status_code, published.json()["number"]) == (201, 2)
    assert offered() == (2, ["card", "online-banking", "bank-transfer", "instalments", "cash-on-the-day"])
    again = client.post("/api/checkouts/web-shop/editions", json=looked_at)
    assert again.json()["errors"][0]["code"] == "nothing-changed"


@pytest.mark.parametrize("changed", ["shop", "checkout"])
def test_what_was_not_looked_at_is_not_published(client: TestClient, changed: str) -> None:
    """A shop that changed since the owner looked was published unseen."""
    looked_at = client.get("/api/checkouts/web-shop/publication").json()["fingerprint"]
    if changed == "shop":
        held = client.get("/api/shop").json()
        shop = {**held["shop"], "lines": held["shop"]["lines"][1:]}
        assert client.put("/api/shop", json={"version": held["version"], "shop": shop}).status_code == 200
    else:
        tenders = draft(client)["tenders"]
        save(client, [{**tenders[0], "take": "on-dispatch"}, *tenders[1:]])
    answer = client.post("/api/checkouts/web-shop/editions", json={"fingerprint": looked_at})
    assert (answer.status_code, answer.json()["errors"][0]["code"]) == (409, "shown-old")
    assert client.get("/api/shops/demo/offer", params=HAND).json()["edition"] == 1


def test_a_change_of_when_money_is_taken_alone_is_told_and_published(client: TestClient) -> None:
    shown = client.get("/api/checkouts/web-shop/publication").json()
    client.post("/api/checkouts/web-shop/editions", json={"fingerprint": shown["fingerprint"]})
    tenders = draft(client)["tenders"]
    save(client, [{**tenders[0], "take": "on-word"}, *tenders[1:]])
    shown = client.get("/api/checkouts/web-shop/publication").json()
    assert shown["changes"] == ["Card is taken on your word."]
    published = client.post("/api/checkouts/web-shop/editions", json={"fingerprint": shown["fingerprint"]})
    assert (published.status_code, published.json()["number"]) == (201, 3)


def test_an_edition_decides_by_what_its_methods_could_carry_then(client: TestClient, demo: RunningShop) -> None:
    """A change of an own method's limits in the shop reaches buyers with the next edition, not before."""
    held = client.get("/api/shop").json()
    [own] = held["shop"]["own_methods"]
    body = {"version": draft(client)["version"], "method": own["method"]["id"]}
    added = client.post("/api/checkouts/web-shop/tenders", json=body).json()["tenders"]
    save(client, [*added[:-1], {**added[-1], "on": True}])
    shown = client.get("/api/checkouts/web-shop/publication").json()
    client.post("/api/checkouts/web-shop/editions", json={"fingerprint": shown["fingerprint"]})
    newest = demo.store.editions.newest("web-shop")
    assert newest
    assert {method.id for method in newest.published.methods} == {tender["method"] for tender in added}
    hand = {**HAND, "market": "pt-eur"}

    def offered() -> bool:
        return own["method"]["id"] in [
            way["tender"] for way in client.get("/api/shops/demo/offer", params=hand).json()["offered"]
        ]

    assert offered()
    shop = {**held["shop"], "own_methods": [{**own, "method": {**own["method"], "buyer_countries": ["ES"]}}]}
    client.put("/api/shop", json={"version": held["version"], "shop": shop})
    assert offered()
    shown = client.get("/api/checkouts/web-shop/publication").json()
    assert "Your own method Phone transfer changes: what it can carry." in shown["changes"]
    client.post("/api/checkouts/web-shop/editions", json={"fingerprint": shown["fingerprint"]})
    assert not offered()


def test_changes_are_told_in_sentences(client: TestClient) -> None:
    held = client.get("/api/shop").json()
    shop = {**held["shop"], "country": "ES", "markets": held["shop"]["markets"][:3]}
    client.put("/api/shop", json={"version": held["version"], "shop": shop})
    tenders = draft(client)["tenders"]
    tenders[0]["windows"] = []
    tenders[1]["windows"] = [{"from": "5.00 EUR", "below": "900.00 EUR"}]
    save(client, tenders)
    assert client.get("/api/checkouts/web-shop/publication").json()["changes"][:4] == [
        "The shop's country changes from Portugal to Spain.",
        "The market United States, USD is removed.",
        "Card is offered for any amount; before: up to 1,200.00 EUR.",
        "Online banking is offered from 5.00 EUR below 900.00 EUR; before: for any amount.",
    ]


def test_a_checkout_with_nothing_switched_on_is_not_published(client: TestClient) -> None:
    off = [{**tender, "on": False} for tender in draft(client)["tenders"]]
    save(client, off)
    looked_at = client.get("/api/checkouts/web-shop/publication").json()["fingerprint"]
    answer = client.post("/api/checkouts/web-shop/editions", json={"fingerprint": looked_at})
    assert (answer.status_code, answer.json()["errors"][0]["code"]) == (409, "nothing-offered")


def test_a_declined_order_is_paid_another_way_and_its_record_tells_the_story(client: TestClient) -> None:
    placed = place(client, "card").json()
    assert "Orlenta: pay 85.00 EUR" in client.get(placed["go_to"]).text
    declined = pay(client, placed, "declined-money")
    assert (declined["state"], declined["tender_name"], len(declined["offered"])) == ("declined", "Card", 4)
    assert "Card was declined for €85.00" in declined["text"]
    other = client.post(f"/api/orders/{placed['token']}/tender", json={"tender": "online-banking"}).json()
    paid = pay(client, other, "paid")
    assert (paid["state"], paid["headline"], paid["offered"]) == ("paid", "Thank you. Your order is paid", [])
    (line,) = client.get("/api/records").json()["records"]
    record = client.get(f"/api/records/{line['token']}").json()
    assert (record["number"], record["mode"], record["edition"], record["amount"]) == (
        1001,
        "test",
        1,
        "85.00 EUR",
    )
    assert [entry["text"] for entry in record["happened"]] == [
        "The order was placed.",
        "The buyer chose Card and goes to the provider.",
        "Card was declined (there is not enough money).",
        "The buyer chose Online banking and goes to the provider.",
        "85.00 EUR was paid by Online banking.",
    ]
    assert [message["subject"] for message in record["messages"]] == [
        "Cabo Noite, order 1001: Your payment was declined",
        "Cabo Noite, order 1001: Thank you. Your order is paid",
    ]
    assert "Online banking" in record["messages"][1]["text"]
    settled = client.post(f"/api/orders/{placed['token']}/tender", json={"tender": "card"})
    assert (settled.status_code, settled.json()["errors"][0]["code"]) == (409, "order-settled")


def test_an_own_arrangement_ends_as_awaiting_payment(client: TestClient) -> None:
    placed = place(client, "bank-transfer").json()
    assert placed["go_to"] == f"/buy/orders/{placed['token']}"
    order = client.get(f"/api/orders/{placed['token']}").json()
    assert (order["state"], order["tender_name"]) == ("awaiting-payment", "Bank transfer")


def test_a_return_from_nowhere_changes_nothing(client: TestClient) -> None:
    placed = place(client, "card").json()
    for query in ({"payment": "orl-forged"}, {"answer": "paid"}, {}):
        back = client.get("/return", params=query, follow_redirects=False)
        assert (back.status_code, back.headers["location"]) == (303, "/buy/orders/unknown")
    assert client.get(f"/api/orders/{placed['token']}").json()["state"] == "at-provider"
    unknown = "/simulated-provider/demo/orlenta/pay/forged"
    for page in (client.get(unknown), client.post(unknown, data={"ending": "paid"})):
        assert (page.status_code, "This is not known here" in page.text) == (404, True)
    assert client.post(placed["go_to"], data={"ending": "stolen"}).status_code == 422


@pytest.mark.parametrize(
    ("tender", "changed", "status", "code"),
    [
        ("device-wallet", {}, 409, "tender-held-back"),
        ("gold", {}, 404, "not-found"),
        ("card", {"amount": "0,5,0"}, 422, "amount-text"),
        ("bank-transfer", {"line": "sky-maps"}, 409, "tender-held-back"),
        ("cash-on-the-day", {}, 409, "tender-held-back"),
    ],
)
def test_an_order_is_only_placed_with_what_is_offered(
    client: TestClient, tender: str, changed: dict[str, str], status: int, code: str
) -> None:
    answer = place(client, tender, **changed)
    assert (answer.status_code, answer.json()["errors"][0]["code"]) == (status, code)
    assert client.get("/api/records").json()["total"] == 0


def test_the_draft_is_rehearsed_as_a_draft(client: TestClient) -> None:
    placed = place(client, "cash-on-the-day", at=DESK).json()
    record = client.get(f"/api/records/{placed['token']}").json()
    assert (record["edition"], record["draft_version"]) == (None, 2)
    held = client.get("/api/shop").json()
    client.put("/api/shop", json={"version": held["version"], "shop": {**held["shop"], "lines": []}})
    assert client.get(f"/api/orders/{placed['token']}").json()["line_name"] == "Night boat tour"


def test_unknown_orders_are_not_found(client: TestClient) -> None:
    assert client.get("/api/orders/nobody").status_code == 404
    assert client.post("/api/orders/nobody/tender", json={"tender": "card"}).status_code == 404


def test_nothing_is_offered_before_the_first_edition(shops: Shops) -> None:
    from monedero.api.app import create_app

    own = browser_of(create_app(shops, demo_first=False))
    answer = own.get("/api/shops/own/offer", params=HAND)
    assert (answer.status_code, answer.json()["errors"][0]["code"]) == (409, "not-published")


def test_a_payment_begun_before_a_restart_ends_after_it(client: TestClient, shops: Shops, tmp_path: Any) -> None:

    placed = place(client, "card").json()
    opened(tmp_path / "data", shops.true_time)
    again = browser_of(the_app())
    assert pay(again, placed, "paid")["state"] == "paid"
