"""Tests what is paid later than it is ordered: deposits with the rest on the day, bookings on the day, weighed
goods.
"""

from decimal import Decimal
from typing import Any

import pytest

from tests.api.shopkeeper import BOAT, CHART, Shopkeeper

COLLECTED = {**CHART, "amount": "42.00", "goods": "42.00", "delivery": "pier"}
BY_COURIER = {**COLLECTED, "delivery": "courier", "market": "pt-eur", "postcode": "8650"}


def line(keeper: Shopkeeper, id: str, **changed: Any) -> Any:
    """Change a line of the shop; the answer may be a refusal."""
    held = keeper.get("/api/shop")
    lines = [{**entry, **changed} if entry["id"] == id else entry for entry in held["shop"]["lines"]]
    shop = {**held["shop"], "lines": lines}
    return keeper.client.put("/api/shop", json={"version": held["version"], "shop": shop})


def deposit(keeper: Shopkeeper, **of: str) -> None:
    assert line(keeper, "night-boat-tour", deposit=of).status_code == 200


def weighed(keeper: Shopkeeper, highest: str = "50.00 EUR") -> None:
    assert line(keeper, "star-chart", highest=highest).status_code == 200


def amounts(page: Any) -> list[tuple[str, str]]:
    return [(entry["label"], entry["amount"]) for entry in page["lines"]]


def subjects(keeper: Shopkeeper, token: str) -> list[str]:
    return [message["subject"].split(": ")[1] for message in keeper.record(token)["messages"]]


@pytest.mark.parametrize(
    ("of", "now", "rest"),
    [
        ({"percent": "30"}, "€25.50", "€59.50"),
        # A share is rounded up to the cent.
        ({"percent": "33.333"}, "€28.34", "€56.66"),
        ({"amount": "20.00 EUR"}, "€20.00", "€65.00"),
    ],
)
def test_a_deposit_is_paid_now_and_the_rest_is_said(
    keeper: Shopkeeper, of: dict[str, str], now: str, rest: str
) -> None:
    deposit(keeper, **of)
    view = keeper.get("/api/checkouts/web-shop/view", **BOAT)
    assert amounts(view) == [("Night boat tour", "€85.00"), ("To pay on the day", f"-{rest}"), ("To pay now", now)]
    assert (view["amount"], view["rest"]) == ("85.00 EUR", f"{rest[1:]} EUR")
    card = next(way for way in view["offered"] if way["tender"] == "card")
    assert card["pay"] == f"Pay {now}"
    # A transfer is offered from 60 EUR on: the deposit is less.
    assert "bank-transfer" not in [way["tender"] for way in view["offered"]]


def test_a_deposit_is_paid_then_the_rest_on_the_day_and_a_refund_goes_back_to_both(keeper: Shopkeeper) -> None:
    deposit(keeper, percent="30")
    token = keeper.place("card")["token"]
    before = keeper.record(token)
    assert (before["amount"], before["can"]["rest_paid"]) == ("85.00 EUR", None)
    assert keeper.fault(keeper.act(token, "rest-paid")) == (409, "move-not-allowed", "move")
    record = keeper.end({"token": token}, "paid")
    assert (record["state"], record["state_name"]) == ("paid", "deposit paid")
    assert record["payments"][0]["books"]["taken"] == "25.50 EUR"
    assert [due["text"] for due in record["due"]] == ["The buyer pays the rest of 59.50 EUR on the day"]
    page = keeper.page(token)
    assert page["headline"] == "Thank you. Your deposit is paid"
    assert "You paid €25.50 by Card" in page["text"]
    assert "The rest, €59.50, is paid on the day." in page["text"]
    assert amounts(page)[-1] == ("Paid", "€25.50")
    # On the day.
    assert record["can"]["rest_paid"] == "59.50 EUR"
    record = keeper.act(token, "rest-paid").json()
    assert (record["state_name"], record["rest"]["books"]["kept"]) == ("paid", "59.50 EUR")
    assert record["due"][0]["text"] == "Nothing is due on this order."
    assert keeper.story(token)[-1] == "paid"
    assert amounts(keeper.page(token))[-1] == ("Paid", "€85.00")
    assert keeper.fault(keeper.act(token, "rest-paid")) == (409, "move-not-allowed", "move")
    # A refund is shared by what was paid when: 17.00 EUR are 5.10 and 11.90.
    assert record["can"]["refund"] == "85.00 EUR"
    assert keeper.fault(keeper.act(token, "refund", amount="85.01 EUR")) == (422, "amount-beyond", "amount")
    record = keeper.act(token, "refund", amount="17.00 EUR").json()
    assert record["payments"][0]["books"]["refunded"] == "5.10 EUR"
    assert record["rest"]["books"]["refunded"] == "11.90 EUR"
    assert "€17.00 of the €85.00" in keeper.page(token)["text"]
    record = keeper.act(token, "refund", amount="68.00 EUR").json()
    kept = [payment["books"]["kept"] for payment in (*record["payments"], record["rest"])]
    assert (kept, record["state"]) == (["0.00 EUR", "0.00 EUR"], "refunded")
    assert subjects(keeper, token) == [
        "Thank you. Your deposit is paid",
        "Thank you. Your order is paid",
        "A part of your payment comes back",
        "Your payment comes back",
    ]


def test_a_rest_that_is_let_go_can_still_be_paid_and_one_of_a_cancelled_booking_is_let_go(
    keeper: Shopkeeper,
) -> None:
    deposit(keeper, percent="30")
    token = keeper.paid()
    record = keeper.act(token, "rest-let-go").json()
    assert (record["state_name"], record["can"]["rest_paid"], record["can"]["rest_let_go"]) == (
        "paid",
        "59.50 EUR",
        False,
    )
    assert "The rest, €59.50, is not asked for." in keeper.page(token)["text"]
    assert ("Not asked for", "-€59.50") in amounts(keeper.page(token))
    assert keeper.act(token, "rest-paid").json()["rest"]["state"] == "paid"
    other = keeper.paid()
    record = keeper.act(other, "refund", amount="25.50 EUR").json()
    assert (record["state"], record["rest"]["state"]) == ("refunded", "lapsed")
    assert record["can"]["rest_paid"] is None


def test_a_booking_paid_on_the_day_is_kept_and_can_be_paid_before(keeper: Shopkeeper) -> None:
    deposit(keeper, percent="0")
    view = keeper.get("/api/checkouts/web-shop/view", **BOAT)
    assert view["nothing_left"] == {"tender": "on-the-day", "pay": "Book, and pay €85.00 on the day"}
    assert (view["offered"], view["nothing_to_pay"]) == ([], False)
    refused = keeper.client.post("/api/checkouts/web-shop/orders", json={"order": BOAT, "tender": "card"})
    assert keeper.fault(refused) == (404, "not-found", "tender")
    token = keeper.place("on-the-day")["token"]
    record = keeper.record(token)
    assert (record["state"], record["amount"], record["meaning"]) == (
        "awaiting-payment",
        "85.00 EUR",
        "the seat is kept",
    )
    page = keeper.page(token)
    assert page["headline"] == "Thank you. Your booking is made"
    assert page["text"].startswith("Order 1001, Night boat tour, is kept for you. You pay €85.00 on the day.")
    # Before the day it can be paid otherwise.
    assert "card" in [way["tender"] for way in page["offered"]]
    keeper.post(f"/api/orders/{token}/tender", {"tender": "card"}, 200)
    assert keeper.end({"token": token}, "paid")["payments"][1]["books"]["taken"] == "85.00 EUR"
    other = keeper.place("on-the-day")["token"]
    record = keeper.act(other, "paid").json()
    assert (record["state"], record["tender_name"]) == ("paid", "Cash or card on the day")
    assert "You paid €85.00 by cash or card on the day" in keeper.page(other)["text"]
    body = {"order": BOAT, "tender": "on-the-day", "language": "de"}
    german = keeper.post("/api/checkouts/web-shop/orders", body, 201)["token"]
    # The owner's story is in the language of the desk, the buyer's page in the buyer's.
    assert "The buyer chose Cash or card on the day" in keeper.record(german)["happened"][1]["text"]
    assert keeper.page(german)["tender_name"] == "Bargeld oder Karte am Tag selbst"


@pytest.mark.parametrize(
    ("id", "changed", "code", "field"),
    [
        ("star-chart", {"deposit": {"percent": "30"}}, "deposit-line", "lines.1"),
        ("dark-sky-club", {"kind": "booking", "deposit": {"percent": "30"}}, "deposit-line", "lines.4"),
        ("night-boat-tour", {"deposit": {}}, "deposit-either", "lines.0.deposit"),
        ("night-boat-tour", {"deposit": {"percent": "101"}}, "percent-range", "lines.0.deposit.percent"),
        ("night-boat-tour", {"deposit": {"amount": "0 EUR"}}, "amount-zero", "lines.0.deposit.amount"),
        ("night-boat-tour", {"highest": "90.00 EUR"}, "weighed-line", "lines.0"),
        ("star-chart", {"highest": "41.99 EUR"}, "limits-crossed", "lines.1"),
    ],
)
def test_lines_that_cannot_be_paid_later_are_refused_where_they_are_wrong(
    keeper: Shopkeeper, id: str, changed: dict[str, Any], code: str, field: str
) -> None:
    status, told, where = keeper.fault(line(keeper, id, **changed))
    assert (status, told) == (422, code)
    assert where.endswith(field)


def test_weighed_goods_are_authorised_and_what_they_came_to_is_taken(keeper: Shopkeeper) -> None:
    weighed(keeper)
    view = keeper.get("/api/checkouts/web-shop/view", **COLLECTED)
    assert amounts(view)[0] == ("Star chart and red-light lamp", "at most €42.00")
    assert amounts(view)[-1] == ("To pay at most", "€42.00")
    # A way that takes the money at once is held back, with its reason.
    held = {out["tender"]["id"]: [why["code"] for why in out["reasons"]] for out in view["outcomes"]}
    assert "method-takes-at-once" in held["bank-transfer"]
    assert "method-takes-at-once" in held["online-banking"]
    assert held["card"] == []
    card = next(way for way in view["offered"] if way["tender"] == "card")
    assert card["pay"] == "Pay at most €42.00"
    token = keeper.place("card", COLLECTED)["token"]
    record = keeper.end({"token": token}, "paid")
    assert (record["state"], record["can"]["take"], record["can"]["send"]) == ("authorised", None, None)
    assert record["can"]["weigh"] == "42.00 EUR"
    assert record["due"][0]["text"].startswith(
        "You send the goods and say what they came to, 42.00 EUR at the most"
    )
    assert "is not more than that" in keeper.page(token)["text"]
    assert keeper.fault(keeper.act(token, "take", amount="1.00 EUR")) == (422, "amount-beyond", "amount")
    assert keeper.fault(keeper.act(token, "send", amount="1.00 EUR", note="")) == (409, "move-not-allowed", "move")
    assert keeper.fault(keeper.act(token, "weigh", amount="42.01 EUR", note="")) == (
        422,
        "amount-beyond",
        "amount",
    )
    record = keeper.act(token, "weigh", amount="38.70 EUR", note="0.9 kg").json()
    books = record["payments"][0]["books"]
    assert (record["state"], record["amount"]) == ("paid", "38.70 EUR")
    assert (books["authorised"], books["taken"], books["released"]) == ("42.00 EUR", "38.70 EUR", "3.30 EUR")
    assert record["due"][0]["text"] == "Nothing is due on this order."
    assert keeper.story(token)[-5:] == ["weighed", "take-asked", "release-asked", "taken", "released"]
    page = keeper.page(token)
    assert "It came to €38.70, with €42.00 at the most" in page["text"]
    assert amounts(page)[-1] == ("Paid", "€38.70")
    # One message for the authorisation, one for what was taken.
    assert subjects(keeper, token) == ["Thank you. Your payment is secured", "Thank you. Your order is paid"]
    assert keeper.fault(keeper.act(token, "weigh", amount="1.00 EUR", note="")) == (
        409,
        "move-not-allowed",
        "move",
    )


def test_the_fee_of_weighed_goods_follows_what_they_came_to_and_the_delivery_stays(keeper: Shopkeeper) -> None:
    weighed(keeper)
    keeper.settings("card", fee={"percent": "2", "networks": {}})
    token = keeper.place("card", BY_COURIER)["token"]
    record = keeper.end({"token": token}, "paid")
    # At most 42.00 with 4.00 for the courier, and 2 % of both.
    assert record["payments"][0]["books"]["authorised"] == "46.92 EUR"
    assert record["can"]["weigh"] == "42.00 EUR"
    record = keeper.act(token, "weigh", amount="30.00 EUR", note="").json()
    assert record["payments"][0]["books"]["taken"] == "34.68 EUR"
    assert amounts(keeper.page(token))[1:] == [
        ("Courier", "€4.00"),
        ("Fee for this way to pay", "€0.68"),
        ("Paid", "€34.68"),
    ]


@pytest.mark.parametrize(("came_to", "left", "taken"), [("35.00", "0.00", "5.00"), ("12.00", "18.00", "0.00")])
def test_vouchers_pay_weighed_goods_first_and_get_back_what_they_did_not_come_to(
    keeper: Shopkeeper, came_to: str, left: str, taken: str
) -> None:
    weighed(keeper)
    code = keeper.post("/api/vouchers", {"amount": "30 EUR"}, 201)["code"]
    handle = keeper.post("/api/shops/demo/offer/vouchers", {"code": code, "currency": "EUR"}, 200)["handle"]
    body = {"order": COLLECTED, "tender": "card", "vouchers": [handle]}
    token = keeper.post("/api/checkouts/web-shop/orders", body, 201)["token"]
    record = keeper.end({"token": token}, "paid")
    assert record["payments"][0]["books"]["authorised"] == "12.00 EUR"
    record = keeper.act(token, "weigh", amount=f"{came_to} EUR", note="").json()
    assert record["state"] == "paid"
    assert record["payments"][0]["books"]["taken"] == f"{taken} EUR"
    assert record["payments"][0]["books"]["open"] == "0.00 EUR"
    assert keeper.get("/api/vouchers")["vouchers"][0]["balance"] == f"{left} EUR"
    assert record["due"][0]["text"] == "Nothing is due on this order."
    back = keeper.act(token, "refund", amount=f"{came_to} EUR").json()
    assert keeper.get("/api/vouchers")["vouchers"][0]["balance"] == "30.00 EUR"
    assert back["payments"][0]["books"]["kept"] == "0.00 EUR"


def test_all_paid_by_voucher_and_weighed_less(keeper: Shopkeeper) -> None:
    weighed(keeper)
    code = keeper.post("/api/vouchers", {"amount": "50 EUR"}, 201)["code"]
    handle = keeper.post("/api/shops/demo/offer/vouchers", {"code": code, "currency": "EUR"}, 200)["handle"]
    body = {"order": COLLECTED, "tender": "voucher", "vouchers": [handle]}
    token = keeper.post("/api/checkouts/web-shop/orders", body, 201)["token"]
    assert keeper.record(token)["can"]["weigh"] == "42.00 EUR"
    record = keeper.act(token, "weigh", amount="40.00 EUR", note="").json()
    assert (record["state"], record["by_voucher"]) == ("paid", "40.00 EUR")
    assert keeper.get("/api/vouchers")["vouchers"][0]["balance"] == "10.00 EUR"


def test_the_rest_is_released_only_after_what_it_came_to_was_taken(keeper: Shopkeeper) -> None:
    weighed(keeper)
    token = keeper.place("card", COLLECTED)["token"]
    keeper.end({"token": token}, "paid")
    # The provider is silent: it is asked again, for the taking first.
    keeper.office("orlenta", "faults", given=["down"])
    record = keeper.act(token, "weigh", amount="38.70 EUR", note="").json()
    assert (record["state"], record["payments"][0]["books"]["open"]) == ("authorised", "42.00 EUR")
    keeper.running.beat()
    keeper.office("orlenta", "faults")
    keeper.running.beat()
    record = keeper.record(token)
    assert (record["state"], record["payments"][0]["books"]["released"]) == ("paid", "3.30 EUR")


def test_a_line_that_is_paid_on_the_day_needs_no_way_to_pay(keeper: Shopkeeper) -> None:
    def nobody() -> str:
        """Tells what is said of buyers in Portugal."""
        return " ".join(step["text"] for step in keeper.get("/api/next")["steps"] if "in Portugal" in step["text"])

    tour = [line for line in keeper.get("/api/shop")["shop"]["lines"] if line["id"] == "night-boat-tour"]
    held = keeper.get("/api/shop")
    body = {"version": held["version"], "shop": {**held["shop"], "lines": tour}}
    assert keeper.client.put("/api/shop", json=body).status_code == 200
    draft = keeper.get("/api/checkouts/web-shop")
    only = [{**tender, "on": tender["id"] == "bank-transfer"} for tender in draft["tenders"]]
    keeper.client.put("/api/checkouts/web-shop", json={"version": draft["version"], "tenders": only})
    # A transfer is offered from 60 EUR on: for the tour, and not for a deposit of it.
    assert nobody() == ""
    deposit(keeper, percent="30")
    assert nobody() == "Web shop: Nobody who pays in EUR in Portugal can pay for Night boat tour."
    deposit(keeper, percent="0")
    assert nobody() == ""
    # Coverage has no order to look at, and no dead end in it.
    found = keeper.get("/api/checkouts/web-shop/coverage")
    assert [finding for finding in found["findings"] if finding["kind"] == "dead-end"] == []


def test_a_provider_that_took_all_of_it_at_once_gives_back_what_it_did_not_come_to(keeper: Shopkeeper) -> None:
    token = keeper.paid("card", COLLECTED)
    # A gateway of one's own may take at once what it was asked to authorise.
    keeper.running.store.orders.change(
        token, lambda record: record.model_copy(update={"weighed": True}), lambda before, after: []
    )
    record = keeper.act(token, "weigh", amount="40.00 EUR", note="").json()
    assert (record["amount"], record["payments"][0]["books"]["kept"]) == ("40.00 EUR", "40.00 EUR")


def test_what_a_route_earns_rests_on_all_of_the_booking_and_costs_what_the_deposit_costs(
    keeper: Shopkeeper,
) -> None:
    def card() -> tuple[str, str]:
        found = keeper.get("/api/compare", **BOAT)["ranked"]
        route = next(entry for entry in found if entry["route"]["key"] == "orlenta/start/card")
        return route["fee"], route["earns"]

    whole_fee, whole_earns = card()
    deposit(keeper, percent="30")
    fee, earns = card()
    assert Decimal(fee.split()[0]) < Decimal(whole_fee.split()[0])
    assert Decimal(earns.split()[0]) > Decimal(whole_earns.split()[0])
