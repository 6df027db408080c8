"""Tests what limits and fees come to, acts that end a reason, and what an edit would do, over HTTP."""

from decimal import Decimal
from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.api.shopkeeper import BOAT, CHART, Shopkeeper
from tests.api.test_composing import compose

WEB = "/api/checkouts/web-shop"


def figures(client: TestClient, **order: str) -> Any:
    answer = client.get(f"{WEB}/figures", params={**BOAT, **order})
    assert answer.status_code == 200, answer.text
    return answer.json()


def test_a_limit_says_what_it_costs_and_lifting_it_says_it_no_more(keeper: Shopkeeper) -> None:
    held = {(entry["tender"], entry["end"]): entry["text"] for entry in figures(keeper.client)["limits"]}
    assert ("bank-transfer", "from") in held
    assert "EUR a month" in held[("bank-transfer", "from")]
    keeper.settings("bank-transfer", windows=[])
    after = {(entry["tender"], entry["end"]) for entry in figures(keeper.client)["limits"]}
    assert ("bank-transfer", "from") not in after


def test_orders_that_have_no_way_left_are_counted(keeper: Shopkeeper) -> None:
    held = keeper.get(WEB)
    only = [{**entry, "windows": [{"up_to": "1.00 EUR"}]} for entry in held["tenders"] if entry["id"] == "card"]
    keeper.client.put(WEB, json={"version": held["version"], "tenders": only})
    [told] = figures(keeper.client)["limits"]
    assert told["text"].startswith("loses ")
    assert told["text"].endswith("EUR a month")


def the_month(keeper: Shopkeeper) -> Any:
    return keeper.get(f"{WEB}/month", **BOAT)


def amount(text: str) -> Decimal:
    return Decimal(text.split(maxsplit=1)[0])


def test_the_month_of_the_draft_is_told_against_what_buyers_see(keeper: Shopkeeper) -> None:
    # Buyers see no cash yet.
    keeper.settings("cash-on-the-day", on=False)
    month = the_month(keeper)
    assert month["since_edition"] == "changes nothing in a month"
    assert month["draft"] == month["edition"]
    assert Decimal(month["draft"]["lost"]) + Decimal(month["draft"]["carried"]) == Decimal(month["orders"])
    keeper.settings("card", on=False)
    without = the_month(keeper)
    less = amount(month["draft"]["left"]) - amount(without["draft"]["left"])
    assert less > 0
    assert without["since_edition"].startswith(f"leaves {less:,} EUR less a month, loses ")
    assert without["last_change"] == {"text": without["since_edition"], "tenders": ["card"]}
    assert without["edition"] == month["edition"]
    assert "Card" in {entry["family"] for entry in without["where"]}


def test_a_condition_and_a_buyer_fee_change_the_month(keeper: Shopkeeper) -> None:
    before = the_month(keeper)
    keeper.settings(
        "card", fee={"percent": "1", "tax_percent": None, "fixed": None, "label": None, "networks": {}}
    )
    charged = the_month(keeper)
    assert amount(charged["draft"]["left"]) > amount(before["draft"]["left"])
    assert charged["draft"]["lost"] == before["draft"]["lost"]
    keeper.settings("card", fee=None, conditions=[{"fact": "country", "only": ["PT"]}])
    assert Decimal(the_month(keeper)["draft"]["lost"]) > Decimal(before["draft"]["lost"])
    keeper.settings("card", conditions=[])
    assert the_month(keeper)["draft"] == before["draft"]


def test_a_limit_costs_what_the_month_leaves_less_by_it(keeper: Shopkeeper) -> None:
    """Once with the limit and once without it, on ways whose prices do not depend on a volume."""
    [told] = [
        entry["text"]
        for entry in figures(keeper.client)["limits"]
        if (entry["tender"], entry["end"]) == ("bank-transfer", "from")
    ]
    limited = the_month(keeper)
    keeper.settings("bank-transfer", windows=[])
    free = the_month(keeper)
    less = amount(free["draft"]["left"]) - amount(limited["draft"]["left"])
    assert f"costs {less} EUR a month" in told


def test_where_two_cost_the_same_is_where_compare_says_so(keeper: Shopkeeper) -> None:
    """With the cheapest routes of Compare in the checkout, its break-evens are those of the ruler, to the fraction."""
    asked = {**BOAT, "market": "pt-eur", "low": "5", "high": "5000"}
    drawn = keeper.get("/api/compare/curves", **asked)
    routes = {curve["route"]["key"]: curve["route"] for curve in drawn["curves"]}
    first, second = drawn["cheapest"][:2]
    for key in (first["route"], second["route"]):
        held = keeper.get(WEB)
        new = {"version": held["version"], "method": routes[key]["method"], "route": routes[key]["route"]}
        added = keeper.post(f"{WEB}/tenders", new, 201)
        keeper.settings(added["added"], on=True)
    meetings = figures(keeper.client, market="pt-eur")["meetings"]
    [met] = [entry for entry in meetings if entry["exactly"]["exact"] == second["from_amount"]["exact"]]
    assert met["amount"] == second["first"]


def test_two_meet_with_neither_overlap_nor_crack(keeper: Shopkeeper) -> None:
    def meet(status: int = 200, **body: str) -> Any:
        version = keeper.get(WEB)["version"]
        answer = keeper.client.post(f"{WEB}/meet", json={"version": version, **body})
        assert answer.status_code == status, answer.text
        return answer

    meet(lower="card", upper="bank-transfer", amount="160,12")
    tenders = {entry["id"]: entry for entry in keeper.get(WEB)["tenders"]}
    assert tenders["card"]["windows"] == [{"from": None, "up_to": None, "below": "160.12 EUR"}]
    assert tenders["bank-transfer"]["windows"] == [{"from": "160.12 EUR", "up_to": None, "below": None}]
    for amount, offered in (("160.11", "card"), ("160.12", "bank-transfer")):
        view = keeper.get(f"{WEB}/view", **{**BOAT, "amount": amount})
        names = [entry["tender"]["id"] for entry in view["outcomes"] if entry["place"] is not None]
        assert len({"card", "bank-transfer"} & set(names)) == 1
        assert offered in names
    pair = {"lower": "card", "upper": "bank-transfer"}
    assert keeper.fault(meet(422, **pair, amount="lots")) == (422, "amount-text", "amount")
    assert keeper.fault(meet(422, lower="card", upper="card", amount="5"))[1] == "duplicate"
    assert keeper.fault(meet(404, lower="card", upper="unheard", amount="5"))[1:] == ("not-found", "tender")
    # Instalments are from 45.00 up to 900.00.
    assert keeper.fault(meet(422, lower="instalments", upper="card", amount="45"))[1:] == (
        "limits-crossed",
        "amount",
    )
    assert keeper.fault(meet(422, lower="card", upper="instalments", amount="900.01"))[1] == "limits-crossed"
    meet(lower="card", upper="instalments", amount="900.00")


@pytest.mark.parametrize(
    ("changed", "code"),
    [
        ({"on": False}, "off"),
        ({"windows": [{"up_to": "50.00 EUR"}]}, "window-over"),
        ({"windows": [{"from": "90.00 EUR", "below": "99.00 EUR"}]}, "window-under"),
        ({"conditions": [{"fact": "country", "only": ["PT"]}]}, "condition-country"),
        ({"conditions": [{"fact": "kind", "not": ["booking"]}]}, "condition-kind"),
        ({"conditions": [{"fact": "recurring", "is": True}]}, "condition-recurring"),
        ({"conditions": [{"fact": "day", "below": "2020-01-01"}]}, "condition-day"),
    ],
)
def test_the_act_beside_a_reason_ends_it_and_can_be_undone(
    keeper: Shopkeeper, changed: dict[str, Any], code: str
) -> None:
    keeper.settings("card", **changed)
    before = keeper.get(WEB)

    def reasons() -> dict[str, str]:
        view = keeper.get(f"{WEB}/view", **BOAT)
        [card] = [entry for entry in view["outcomes"] if entry["tender"]["id"] == "card"]
        return {reason["code"]: reason["act"] for reason in card["reasons"]}

    assert reasons()[code]
    ended = {"version": before["version"], "tender": "card", "code": code, "order": BOAT}
    assert keeper.client.post(f"{WEB}/end-reason", json=ended).status_code == 200
    assert reasons() == {}
    version = keeper.get(WEB)["version"]
    assert keeper.client.post(f"{WEB}/steps", json={"version": version, "way": "back"}).status_code == 200
    assert keeper.get(WEB)["tenders"] == before["tenders"]


def test_what_is_not_the_shops_own_stays_and_leads_where_it_ends(keeper: Shopkeeper) -> None:
    keeper.settings("card", conditions=[{"fact": "device", "only": ["phone"]}])
    view = keeper.get(f"{WEB}/view", **{**BOAT, "market": "us-usd", "currency": "USD"})
    by_id = {entry["tender"]["id"]: entry for entry in view["outcomes"]}
    reasons = {reason["code"]: reason for id in ("card", "sepa-direct-debit") for reason in by_id[id]["reasons"]}
    assert reasons["method-currency"]["act"] == ""
    assert reasons["account-method"]["go"] == "/accounts/brixavo"
    assert reasons["condition-device-unknown"]["say"] == "device"
    for code in ("method-currency", "condition-device-unknown"):
        asked = {"version": keeper.get(WEB)["version"], "tender": "card", "code": code, "order": BOAT}
        assert keeper.fault(keeper.client.post(f"{WEB}/end-reason", json=asked)) == (409, "reason-stays", "code")


def test_a_tender_parts_from_a_shared_set_and_its_others_keep_it(keeper: Shopkeeper) -> None:
    iberia = {"id": "iberia", "name": "Iberia", "conditions": [{"fact": "country", "only": ["PT", "ES"]}]}
    compose(keeper.client, shared_conditions=[iberia], shared=["iberia"])
    version = keeper.get(WEB)["version"]
    gb = {**BOAT, "market": "gb-gbp", "currency": "GBP"}
    asked = {"version": version, "tender": "card", "code": "condition-country", "order": gb}
    draft = keeper.post(f"{WEB}/end-reason", asked, 200)
    tenders = {entry["id"]: entry for entry in draft["tenders"]}
    assert tenders["card"]["shared"] == []
    assert tenders["card"]["conditions"][0]["only"] == ["PT", "ES", "GB"]
    assert tenders["bank-transfer"]["shared"] == ["iberia"]


def test_what_a_shared_set_would_change_is_told_before_it_changes(keeper: Shopkeeper) -> None:
    iberia = {"id": "iberia", "name": "Iberia", "conditions": [{"fact": "country", "only": ["PT", "ES"]}]}
    compose(keeper.client, shared_conditions=[iberia], only="card", shared=["iberia"])
    held = keeper.get(WEB)
    wider = {**iberia, "conditions": [{"fact": "country", "only": ["PT"]}]}
    edit = {**{name: held[name] for name in ("version", "tenders", "headings")}, "shared_conditions": [wider]}
    told = keeper.post(f"{WEB}/would-change", {"edit": edit, "order": CHART}, 200)["tenders"]
    # The demo's month has these orders from Spain; the card alone uses the set.
    cells = keeper.get("/api/profile")["profile"]["cells"]
    lost = sum((Decimal(cell["orders"]) for cell in cells if cell["market"] == "es-eur"), Decimal(0))
    assert told == [f"Card loses {lost.normalize():f} orders a month"]
    assert keeper.get(WEB) == held
    wrong = {**edit, "shared_conditions": [{**wider, "conditions": [{"fact": "area", "only": ["unheard"]}]}]}
    refused = keeper.client.post(f"{WEB}/would-change", json={"edit": wrong, "order": CHART})
    assert keeper.fault(refused)[1] == "reference-dangling"


def test_compare_takes_the_buyer_fee_off_and_prices_all_that_is_paid(keeper: Shopkeeper) -> None:
    def cost() -> dict[str, Any]:
        ranked = keeper.get("/api/compare", **BOAT)["ranked"]
        key = next(entry["route"]["key"] for entry in ranked if "card" in entry["route"]["tenders"])
        return dict(keeper.get("/api/compare/route", **BOAT, key=key))

    before = cost()
    keeper.settings("card", fee={"percent": "1", "fixed": "0.50 EUR", "tax_percent": "23", "networks": {}})
    after = cost()
    parts = {part["part"]: part["exact"] for part in after["parts"]}
    # 1 % of 85.00 and 0.50 are 1.35; with 23 % tax the buyer pays 1.66 more, of which 1.35 are the shop's.
    assert parts["less-buyer-fee"] == "-1.35 EUR"
    fee = next(Decimal(part["exact"].split()[0]) for part in before["parts"] if part["part"] == "provider-fee")
    slope = (fee - Decimal("0.25")) / 85
    assert Decimal(parts["provider-fee"].split()[0]) == fee + slope * Decimal("1.66")
    told = next(entry for entry in figures(keeper.client)["fees"] if entry["tender"] == "card")
    assert told["over"].startswith("takes more than it costs")
    assert told["nets"].endswith("EUR")


def test_a_tender_says_when_its_buyer_is_asked_for_proof(keeper: Shopkeeper) -> None:
    def told(**order: str) -> list[str]:
        view = keeper.get(f"{WEB}/view", **{**BOAT, **order})
        [card] = [entry for entry in view["outcomes"] if entry["tender"]["id"] == "card"]
        return [entry["text"] for entry in card["to_know"]]

    assert told()[0].startswith("The buyer is likely to be asked")
    assert told(amount="30.00")[0].startswith("The buyer may be let off")
    assert told(line="dark-sky-club")[0].startswith("The buyer proves who they are the first time")
    # The United States have no such rule; that details can be kept stands alone.
    assert told(market="us-usd", currency="USD") == [
        "Buyers who are signed in may keep their details for the next time."
    ]
