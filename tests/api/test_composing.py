"""A checkout is composed: conditions, shared sets, headings, what buyers pay on top; and every change taken back."""

from typing import Any

from fastapi.testclient import TestClient

from monedero.core.order.facts import order_from
from monedero.figures import reference_rates
from monedero.formats import checkout_file
from tests.api.shopkeeper import BOAT, CHART, Shopkeeper

WEB, COUNTER = "/api/checkouts/web-shop", "/api/checkouts/pier-counter"
IBERIA = {"id": "iberia", "name": "Iberia", "conditions": [{"fact": "country", "only": ["PT", "ES"]}]}


def compose(client: TestClient, at: str = WEB, only: str = "", **changed: Any) -> Any:
    """Save the draft with tenders, or the one that is named, changed; `headings` and `shared_conditions` as given."""
    held = client.get(at).json()
    whole = {key: changed.pop(key) for key in ("headings", "shared_conditions") if key in changed}
    tenders = [{**tender, **changed} if tender["id"] == only or not only else tender for tender in held["tenders"]]
    return client.put(at, json={"version": held["version"], "tenders": tenders, **whole})


def outcome(client: TestClient, tender: str, **order: str) -> Any:
    view = client.get(f"{WEB}/view", params={**CHART, **order}).json()
    return next(entry for entry in view["outcomes"] if entry["tender"]["id"] == tender)


def test_conditions_are_told_in_phrases_and_reasons_with_names(client: TestClient) -> None:
    conditions = [
        {"fact": "country", "only": ["PT", "ES"]},
        {"fact": "delivery", "not": ["courier"]},
        {"fact": "area", "not": ["islands"]},
        {"fact": "line", "not": ["night-boat-tour"]},
        {"fact": "customer_group", "only": ["wholesale"]},
        {"fact": "day", "from": "2026-01-01", "below": "2027-01-01"},
        {"fact": "signed_in", "is": True},
    ]
    assert compose(client, only="card", conditions=conditions).status_code == 200
    found = outcome(
        client, "card", delivery="courier", postcode="35001", signed_in="false", customer_group="retail"
    )
    assert found["conditions"] == [
        "only for buyers in Portugal or Spain",
        "not by Courier",
        "not for Islands",
        "not for Night boat tour",
        "only for Wholesale",
        "from 1 Jan 2026 on before 1 Jan 2027",
        "only for buyers who are signed in",
    ]
    assert [reason["text"] for reason in found["reasons"]] == [
        "not for Islands; this order goes to Spain 35001",
        "not by Courier; this order goes by Courier",
        "only for Wholesale; this buyer is Retail",
        "only for buyers who are signed in; this one is a guest",
    ]
    unknown = [reason["code"] for reason in outcome(client, "card")["reasons"]]
    assert unknown == [
        "condition-area-unknown",
        "condition-delivery-unknown",
        "condition-customer-group-unknown",
        "condition-signed-in-unknown",
    ]
    view = client.get(f"{WEB}/view", params=BOAT).json()
    assert view["asked"] == [
        "country",
        "area",
        "line",
        "delivery",
        "customer_group",
        "signed_in",
        "day",
        "postcode",
    ]
    # Nothing of a boat tour is delivered, which is known.
    boat = next(entry for entry in view["outcomes"] if entry["tender"]["id"] == "card")
    assert "condition-delivery-unknown" not in [reason["code"] for reason in boat["reasons"]]


def test_a_shared_set_says_who_uses_it_and_changes_them_all(client: TestClient) -> None:
    assert compose(client, shared_conditions=[IBERIA], shared=["iberia"]).status_code == 200
    found = outcome(client, "card", market="gb-gbp", currency="GBP", amount="40")
    assert found["shared"][0] | {"used": 0} == {
        "id": "iberia",
        "name": "Iberia",
        "conditions": ["only for buyers in Portugal or Spain"],
        "used": 0,
    }
    assert found["shared"][0]["used"] == len(client.get(WEB).json()["tenders"])
    assert "only for buyers in Portugal or Spain; this one is in United Kingdom (Iberia)" in [
        reason["text"] for reason in found["reasons"]
    ]
    wider = {**IBERIA, "conditions": [{"fact": "country", "not": ["PT"]}]}
    compose(client, shared_conditions=[wider])
    assert outcome(client, "card", market="gb-gbp", currency="GBP", amount="40")["place"] is not None
    # A set that is used is not taken away.
    refused = compose(client, shared_conditions=[])
    assert (refused.status_code, refused.json()["errors"][0]["code"]) == (422, "reference-dangling")


def test_what_a_condition_names_is_there_and_stays(client: TestClient) -> None:
    refused = compose(client, only="card", conditions=[{"fact": "line", "only": ["unheard"]}])
    assert (refused.status_code, refused.json()["errors"][0]["code"]) == (422, "reference-dangling")
    compose(client, only="card", conditions=[{"fact": "customer_group", "only": ["wholesale"]}])
    held = client.get("/api/shop").json()
    lacking = {**held["shop"], "customer_groups": []}
    refused = client.put("/api/shop", json={"version": held["version"], "shop": lacking})
    assert (refused.status_code, refused.json()["errors"][0]["code"]) == (409, "in-use")
    assert "conditions of Card" in refused.text
    assert client.get("/api/shop").json() == held


def test_what_conditions_can_be_about_is_what_the_shop_has(client: TestClient) -> None:
    facts = {entry["fact"]: entry for entry in client.get("/api/condition-facts").json()["facts"]}
    assert [choice["code"] for choice in facts["delivery"]["choices"]] == ["courier", "pier", "none"]
    assert facts["country"]["choices"][0]["code"] == "PT"
    assert (facts["recurring"]["asks"], facts["day"]["asks"]) == ("truth", "day")
    held = client.get("/api/shop").json()
    bare = {**held["shop"], "deliveries": [], "areas": [], "customer_groups": []}
    bare["lines"] = [{**line, "deliveries": None} for line in bare["lines"]]
    assert client.put("/api/shop", json={"version": held["version"], "shop": bare}).status_code == 200
    left = {entry["fact"] for entry in client.get("/api/condition-facts").json()["facts"]}
    assert not left & {"delivery", "area", "customer_group"}


def test_headings_tell_ways_to_pay_apart_for_buyers(client: TestClient) -> None:
    later = {"id": "later", "name": {"en": "Pay later"}}
    compose(client, only="card", heading="later", headings=[later])
    offered = client.get(f"{WEB}/view", params=BOAT).json()["offered"]
    assert [way["heading"] for way in offered] == [""] * (len(offered) - 1) + ["Pay later"]
    assert offered[-1]["tender"] == "card"
    compose(client, headings=[later], heading="later")
    offered = client.get(f"{WEB}/view", params=BOAT).json()["offered"]
    assert {way["heading"] for way in offered} == {""}


FEE = {"percent": "1.5", "fixed": "0.10 EUR", "tax_percent": "23", "label": {"en": "Card fee"}}


def test_the_buyer_pays_the_order_and_what_the_way_to_pay_costs_on_top(
    client: TestClient, keeper: Shopkeeper
) -> None:
    compose(client, only="card", fee=FEE)
    found = outcome(client, "card", amount="42.00")
    assert (found["buyer_fee"], found["total"], found["up_to"]) == ("0.90 EUR", "42.90 EUR", False)
    way = next(
        way
        for way in client.get(f"{WEB}/view", params={**CHART, "amount": "42.00"}).json()["offered"]
        if way["tender"] == "card"
    )
    assert (way["fee"], way["fee_label"], way["total"]) == ("0.90 EUR", "Card fee", "42.90 EUR")
    token = keeper.place("card", {**CHART, "amount": "42.00"})["token"]
    assert keeper.get(f"/api/orders/{token}")["amount"] == "42.90 EUR"
    record = keeper.record(token)
    assert record["amount"] == "42.00 EUR"
    assert record["payments"][0]["books"]["ordered"] == "42.90 EUR"


def test_a_discount_that_leaves_nothing_and_a_fee_without_a_rate_are_refused(
    client: TestClient, keeper: Shopkeeper
) -> None:
    compose(client, only="cash-on-the-day", fee={"percent": "-100"})
    order = {
        "order": {**CHART, "amount": "42.00", "delivery": "pier"},
        "tender": "cash-on-the-day",
    }
    assert keeper.fault(client.post("/api/checkouts/web-shop/orders", json=order))[:2] == (422, "amount-zero")
    compose(client, only="cash-on-the-day", fee={"fixed": "100 XPF"})
    assert outcome(client, "cash-on-the-day", amount="42.00", delivery="pier")["buyer_fee_unknown"]
    assert keeper.fault(client.post("/api/checkouts/web-shop/orders", json=order))[:2] == (409, "fee-unknown")


def test_two_storefronts_have_a_checkout_each(client: TestClient, keeper: Shopkeeper) -> None:
    added = client.post(f"{COUNTER}/tenders", json={"version": 0, "method": "cash-on-the-day"}).json()
    client.put(COUNTER, json={"version": 1, "tenders": [{**added["tenders"][0], "on": True, "name": "Cash here"}]})
    order = {"order": BOAT, "tender": "cash-on-the-day"}
    token = client.post(f"{COUNTER}/orders", json=order).json()["token"]
    assert keeper.get(f"/api/orders/{token}")["tender_name"] == "Cash here"
    # The ways to pay it another way are of its own storefront.
    assert [way["name"] for way in keeper.get(f"/api/orders/{token}")["offered"]] == ["Cash here"]
    assert client.get(WEB).json()["tenders"][0]["name"] != "Cash here"


def test_a_change_is_taken_back_and_made_again_saying_which(client: TestClient) -> None:
    assert client.get(WEB).json()["back"] == ""
    compose(client, only="card", name="Plastic")
    held = client.get(WEB).json()
    assert held["back"] == "Card is now called Plastic."
    refused = client.post(f"{WEB}/steps", json={"version": held["version"] - 1, "way": "back"})
    assert (refused.status_code, refused.json()["errors"][0]["code"]) == (409, "version-old")
    back = client.post(f"{WEB}/steps", json={"version": held["version"], "way": "back"}).json()
    assert (back["back"], back["again"]) == ("", "Card is now called Plastic.")
    assert "Card" in [tender["name"] for tender in back["tenders"]]
    refused = client.post(f"{WEB}/steps", json={"version": back["version"], "way": "back"})
    assert (refused.status_code, refused.json()["errors"][0]["code"]) == (409, "no-step")
    again = client.post(f"{WEB}/steps", json={"version": back["version"], "way": "again"}).json()
    assert [tender["name"] for tender in again["tenders"]] == [tender["name"] for tender in held["tenders"]]
    # Another change in between takes the place of what was taken back.
    client.post(f"{WEB}/steps", json={"version": again["version"], "way": "back"})
    compose(client, only="card", name="Card or watch")
    assert client.get(WEB).json()["again"] == ""


def test_what_would_name_something_that_is_gone_is_not_taken_back(client: TestClient) -> None:
    compose(client, only="card", conditions=[{"fact": "area", "only": ["islands"]}])
    compose(client, only="card", conditions=[])
    shop = client.get("/api/shop").json()
    ways = [{**way, "prices": []} for way in shop["shop"]["deliveries"]]
    bare = {**shop["shop"], "areas": [], "deliveries": ways}
    assert client.put("/api/shop", json={"version": shop["version"], "shop": bare}).status_code == 200
    held = client.get(WEB).json()
    refused = client.post(f"{WEB}/steps", json={"version": held["version"], "way": "back"})
    assert (refused.status_code, refused.json()["errors"][0]["code"]) == (422, "reference-dangling")
    assert client.get(WEB).json() == held


def test_the_draft_as_a_file_decides_as_the_shop_does(client: TestClient) -> None:
    later = {"id": "later", "name": {"en": "Pay later"}}
    compose(client, headings=[later], shared_conditions=[IBERIA])
    compose(client, only="bank-transfer", heading="later", shared=["iberia"], fee={"percent": "-1"})
    compose(client, only="card", conditions=[{"fact": "delivery", "not": ["courier"]}], fee=FEE)
    answer = client.get(f"{WEB}/checkout.json")
    assert answer.headers["content-disposition"] == 'attachment; filename="checkout-web-shop.json"'
    file = checkout_file.read(answer.content)
    assert checkout_file.write(file) == answer.content
    decision = file.decision(reference_rates.bundled())
    asked = 0
    for market in file.markets:
        for line in file.lines:
            for amount in ("9.00", "60.00", "1450.00"):
                order = {"market": market.id, "line": line.id, "amount": amount, "currency": market.currency}
                view = client.get(f"{WEB}/view", params={**order, "delivery": "pier", "on": "2026-01-05"}).json()
                texts = {"amount": amount, "currency": market.currency, "buyer_country": market.country}
                told = order_from({**texts, "placed_on": "2026-01-05", "line": line.id, "delivery": "pier"})
                outcomes = decision.outcomes(file.order_of(told))
                asked += 1
                assert [
                    (entry["place"], [reason["code"] for reason in entry["reasons"]]) for entry in view["outcomes"]
                ] == [(entry.place, [reason.code.value for reason in entry.reasons]) for entry in outcomes]
                assert [entry["buyer_fee"] for entry in view["outcomes"]] == [
                    str(entry.charged.amount) if entry.charged else None for entry in outcomes
                ]
    assert asked == len(file.markets) * len(file.lines) * 3


def test_a_tender_or_a_whole_checkout_is_copied_to_another_storefront(client: TestClient) -> None:
    later = {"id": "later", "name": {"en": "Pay later"}}
    compose(client, headings=[later], shared_conditions=[IBERIA])
    compose(client, only="card", shared=["iberia"], heading="later")
    web = client.get(WEB).json()
    one = client.post(f"{COUNTER}/copies", json={"version": 0, "source": "web-shop", "tender": "card"}).json()
    [card] = [tender for tender in web["tenders"] if tender["id"] == "card"]
    assert one["tenders"] == [card]
    assert (one["headings"], one["shared_conditions"]) == ([later], web["shared_conditions"])
    # A set that says otherwise here is left as it is, and the other one written into the copy.
    narrow = {**IBERIA, "conditions": [{"fact": "country", "only": ["PT"]}]}
    assert compose(client, COUNTER, shared_conditions=[narrow]).status_code == 200
    held = client.get(COUNTER).json()
    whole = client.post(f"{COUNTER}/copies", json={"version": held["version"], "source": "web-shop"}).json()
    assert len(whole["tenders"]) == 1 + len(web["tenders"])
    assert whole["shared_conditions"][0]["conditions"] == held["shared_conditions"][0]["conditions"]
    again = next(tender for tender in whole["tenders"] if tender["id"] == "card-2")
    assert (again["name"], again["shared"], again["heading"]) == ("Card 2", [], "later")
    assert again["conditions"] == web["shared_conditions"][0]["conditions"]
    body = {"version": whole["version"], "source": "web-shop", "tender": "unheard"}
    refused = client.post(f"{COUNTER}/copies", json=body)
    assert (refused.status_code, refused.json()["errors"][0]["code"]) == (404, "not-found")


def test_a_fee_over_its_cost_is_told_where_the_cost_is_known(client: TestClient) -> None:
    compose(client, only="card", fee={"percent": "9"})
    compose(client, only="cash-on-the-day", fee={"percent": "9"})
    assert outcome(client, "card", amount="42.00")["over_cost"]
    assert not outcome(client, "cash-on-the-day", amount="42.00")["over_cost"]
    compose(client, only="card", fee={"percent": "0.1"})
    assert not outcome(client, "card", amount="42.00")["over_cost"]
    assert not client.get(f"{WEB}/view", params=CHART).json()["every_way_costs"]
    compose(client, fee={"percent": "1"})
    assert client.get(f"{WEB}/view", params=CHART).json()["every_way_costs"]
