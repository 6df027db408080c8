"""Vouchers and shop credit over HTTP: issued, tried, used in parts, given back, sold, and held off."""

import sqlite3
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from typing import Any

from tests.api.shopkeeper import BOAT, CHART, Shopkeeper

NOW = {"market": "es-eur", "line": "night-boat-tour", "amount": "85.00", "currency": "EUR"}


def issued(keeper: Shopkeeper, amount: str, **given: Any) -> Any:
    return keeper.post("/api/vouchers", {"amount": amount, **given}, 201)


def tried(keeper: Shopkeeper, code: str, currency: str = "EUR") -> Any:
    return keeper.client.post("/api/shops/demo/offer/vouchers", json={"code": code, "currency": currency})


def handle_of(keeper: Shopkeeper, amount: str, **given: Any) -> str:
    taken = tried(keeper, issued(keeper, amount, **given)["code"])
    assert taken.status_code == 200, taken.text
    return str(taken.json()["handle"])


def placed(keeper: Shopkeeper, tender: str, *handles: str, order: dict[str, str] = BOAT) -> Any:
    body = {"order": order, "tender": tender, "vouchers": list(handles)}
    return keeper.client.post("/api/checkouts/web-shop/orders", json=body)


def balances(keeper: Shopkeeper) -> list[str]:
    return [voucher["balance"] for voucher in keeper.get("/api/vouchers")["vouchers"]]


def test_a_code_is_shown_once_and_kept_as_a_digest(keeper: Shopkeeper, tmp_path: Path) -> None:
    told = issued(keeper, "50 EUR", note="Ana, birthday")
    code = told["code"]
    assert len(code.replace("-", "")) * 5 >= 80
    assert [(voucher["ends_in"], voucher["balance"]) for voucher in told["vouchers"]] == [(code[-4:], "50.00 EUR")]
    assert code not in str(keeper.get("/api/vouchers"))
    with sqlite3.connect(tmp_path / "data" / "demo.sqlite") as database:
        written = "".join(str(row) for row in database.iterdump())
        assert code not in written
        assert code.replace("-", "") not in written
        for statement in ("UPDATE voucher_entry SET minor = 1", "DELETE FROM voucher_entry"):
            try:
                database.execute(statement)
            except sqlite3.IntegrityError as refused:
                assert "voucher" in str(refused)  # noqa: PT017 - two statements that are refused alike
            else:
                raise AssertionError(statement)


def test_what_is_left_to_pay_is_what_the_other_ways_meet(keeper: Shopkeeper) -> None:
    assert keeper.get("/api/shops/demo/offer", **NOW)["takes_vouchers"] is False
    handle = handle_of(keeper, "30 EUR")
    offer = keeper.get("/api/shops/demo/offer", **NOW, voucher=[handle])
    assert [(line["label"], line["amount"]) for line in offer["lines"]] == [
        ("Night boat tour", "€85.00"),
        (offer["vouchers"][0]["name"], "-€30.00"),
        ("To pay", "€55.00"),
    ]
    # A transfer is offered from 60 EUR on: what is left is less.
    assert "bank-transfer" not in [way["tender"] for way in offer["offered"]]
    assert offer["offered"][0]["pay"] == "Pay €55.00"
    keeper.settings("card", fee={"percent": "2", "networks": {}})
    token = placed(keeper, "card", handle).json()["token"]
    record = keeper.record(token)
    assert record["amount"] == "85.00 EUR"
    assert record["by_voucher"] == "30.00 EUR"
    # The percentage is of what is left: 55.00 and 2 % of it.
    assert record["payments"][0]["books"]["ordered"] == "56.10 EUR"
    assert balances(keeper) == ["0.00 EUR"]


def test_a_voucher_pays_in_parts_all_of_an_order_and_a_refund_goes_back_to_it(keeper: Shopkeeper) -> None:
    handle = handle_of(keeper, "100 EUR")
    whole = keeper.get("/api/shops/demo/offer", **NOW, voucher=[handle])
    assert whole["nothing_left"] == {"tender": "voucher", "pay": "Order, paid by voucher"}
    assert whole["offered"] == []
    token = placed(keeper, "voucher", handle).json()["token"]
    page, record = keeper.page(token), keeper.record(token)
    assert (page["state"], page["headline"]) == ("paid", "Thank you. Your order is paid")
    assert page["text"].startswith("You paid €85.00 by Voucher for order 1001, Night boat tour.")
    assert balances(keeper) == ["15.00 EUR"]
    assert keeper.story(token) == ["placed", "voucher-used"]
    assert (record["can"]["refund"], record["can"]["mark_paid"]) == ("85.00 EUR", False)
    beyond = keeper.act(token, "refund", amount="85.01 EUR")
    assert keeper.fault(beyond) == (422, "amount-beyond", "amount")
    assert keeper.act(token, "refund", amount="20.00 EUR").status_code == 200
    assert balances(keeper) == ["35.00 EUR"]
    back = keeper.record(token)
    assert back["happened"][-1]["text"].startswith("20.00 EUR went back to the voucher that ends in ")
    assert "€20.00 went back to the voucher ending in" in back["messages"][-1]["text"]
    # The rest of it pays a part of another order.
    second = placed(keeper, "card", handle, order={**CHART, "amount": "42.00"}).json()["token"]
    assert keeper.record(second)["payments"][0]["books"]["ordered"] == "7.00 EUR"
    assert [entry["what"] for entry in keeper.get("/api/vouchers")["vouchers"][0]["entries"]] == [
        *("issued", "used", "returned", "used")
    ]


def test_a_refund_goes_back_to_where_each_part_came_from(keeper: Shopkeeper) -> None:
    handle = handle_of(keeper, "17 EUR")
    at = placed(keeper, "card", handle).json()
    assert keeper.end(at, "paid")["state"] == "paid"
    token = at["token"]
    assert "€17.00 was paid by the voucher ending in" in keeper.page(token)["text"]
    # 17.00 of 85.00 came from the voucher: a fifth of what is given back goes to it.
    assert keeper.act(token, "refund", amount="10.00 EUR").status_code == 200
    assert balances(keeper) == ["2.00 EUR"]
    assert keeper.record(token)["payments"][0]["books"]["refunded"] == "8.00 EUR"
    assert keeper.act(token, "refund", amount="75.00 EUR").status_code == 200
    record = keeper.record(token)
    assert (record["payments"][0]["books"]["kept"], record["by_voucher"]) == ("0.00 EUR", "0.00 EUR")
    assert (balances(keeper), record["can"]["refund"]) == (["17.00 EUR"], None)


def test_an_order_that_is_given_up_gives_its_voucher_back(keeper: Shopkeeper) -> None:
    handle = handle_of(keeper, "20 EUR")
    token = placed(keeper, "bank-transfer", handle).json()["token"]
    # While it is being paid for what is left, the voucher stays.
    assert keeper.record(token)["can"]["refund"] is None
    refused = keeper.act(token, "refund", amount="20.00 EUR")
    assert keeper.fault(refused)[:2] == (409, "move-not-allowed")
    keeper.wind(days=11)
    assert keeper.record(token)["state"] == "lapsed"
    assert balances(keeper) == ["20.00 EUR"]
    assert keeper.story(token)[-1] == "voucher-returned"


def test_a_declined_order_keeps_its_voucher_for_the_next_try_or_gives_it_back(keeper: Shopkeeper) -> None:
    handle = handle_of(keeper, "20 EUR")
    at = placed(keeper, "card", handle).json()
    keeper.end(at, "declined-money")
    token = at["token"]
    again = next(way for way in keeper.page(token)["offered"] if way["tender"] == "online-banking")
    assert again["pay"] == "Pay €65.00"
    assert keeper.act(token, "refund", amount="20.00 EUR").status_code == 200
    again = next(way for way in keeper.page(token)["offered"] if way["tender"] == "online-banking")
    assert (again["pay"], balances(keeper)) == ("Pay €85.00", ["20.00 EUR"])


def test_a_voucher_that_two_orders_want_at_once_is_used_once(keeper: Shopkeeper) -> None:
    handle = handle_of(keeper, "85 EUR")
    with ThreadPoolExecutor(4) as buyers:
        answers = list(buyers.map(lambda _: placed(keeper, "voucher", handle), range(4)))
    assert sorted(answer.status_code for answer in answers)[0] == 201
    assert [answer.status_code for answer in answers].count(201) == 1
    assert balances(keeper) == ["0.00 EUR"]


def test_after_five_wrong_codes_right_ones_are_refused_for_a_while_too(keeper: Shopkeeper) -> None:
    right = issued(keeper, "10 EUR")["code"]
    for left in (4, 3, 2, 1, 0):
        wrong = tried(keeper, "AAAA-AAAA-AAAA-AAAA-AAAA-AAAA").json()["errors"][0]
        assert (wrong["code"], f"after {left} more wrong codes" in wrong["detail"]) == ("voucher-unknown", True)
    held_off = tried(keeper, right)
    assert keeper.fault(held_off) == (409, "voucher-held-off", "code")
    assert held_off.json()["detail"] == "There were too many wrong codes. Try again in 15 minutes."
    keeper.wind(minutes=16)
    assert tried(keeper, right).status_code == 200


def test_what_cannot_be_used_says_why(keeper: Shopkeeper) -> None:
    assert keeper.fault(tried(keeper, "hello")) == (422, "voucher-code", "code")
    short = issued(keeper, "10 EUR", expires="2026-11-25")
    keeper.wind(days=2)
    assert keeper.fault(tried(keeper, short["code"])) == (409, "voucher-expired", "code")
    euro = issued(keeper, "10 EUR")
    assert keeper.fault(tried(keeper, euro["code"], "USD")) == (409, "voucher-other-currency", "code")
    ended = keeper.post(f"/api/vouchers/{euro['vouchers'][0]['id']}/end", None, 200)
    assert ended["vouchers"][0]["balance"] == "0.00 EUR"
    assert keeper.fault(tried(keeper, euro["code"])) == (409, "voucher-empty", "code")
    gone = keeper.client.post("/api/vouchers", json={"amount": "10 EUR", "expires": "2026-11-20"})
    assert keeper.fault(gone) == (422, "date-range", "expires")
    assert keeper.fault(keeper.client.post("/api/vouchers", json={"amount": "0 EUR"})) == (
        422,
        "amount-zero",
        "amount",
    )
    assert keeper.client.post("/api/vouchers/none/end").status_code == 404
    # A handle that is none pays nothing: what there is to pay then is said.
    gone = placed(keeper, "voucher", "nothing")
    assert keeper.fault(gone) == (409, "total-changed", "total")
    assert "There is 85.00 EUR to pay now" in gone.json()["detail"]


def test_shop_credit_for_a_refund_is_spent_like_a_voucher(keeper: Shopkeeper) -> None:
    token = keeper.paid("card")
    assert keeper.act(token, "credit", amount="40.00 EUR").status_code == 200
    message = keeper.record(token)["messages"][-1]["text"]
    code = message.partition("Your shop credit over €40.00: ")[2][:29]
    taken = tried(keeper, code)
    assert (taken.status_code, taken.json()["balance"]) == (200, "40.00 EUR")
    second = placed(keeper, "voucher", taken.json()["handle"], order={**CHART, "amount": "40.00"})
    assert second.status_code == 201
    assert keeper.get("/api/vouchers")["vouchers"][0]["kind"] == "credit"


def test_a_voucher_that_is_sold_is_no_revenue_until_it_is_used(keeper: Shopkeeper) -> None:
    held = keeper.get("/api/shop")
    lines = [{**line, "sells_voucher": line["id"] == "sky-maps"} for line in held["shop"]["lines"]]
    keeper.client.put("/api/shop", json={"version": held["version"], "shop": {**held["shop"], "lines": lines}})
    order = {**BOAT, "line": "sky-maps", "amount": "50.00"}
    at = placed(keeper, "card", order=order).json()
    assert keeper.get("/api/vouchers")["vouchers"] == []
    keeper.end(at, "paid")
    token = at["token"]
    messages = keeper.record(token)["messages"]
    code = messages[-1]["text"].partition("Your voucher over €50.00: ")[2][:29]
    sold = keeper.record(token)["voucher_sold"]
    assert sold.endswith("0.00 EUR of it was used, and is revenue; 50.00 EUR is owed to whoever holds it.")
    assert keeper.get("/api/vouchers")["owed"] == ["50.00 EUR"]
    # Heard of again, it is issued once.
    keeper.post(f"/api/records/{token}/look", None, 200)
    assert len(keeper.get("/api/vouchers")["vouchers"]) == 1
    handle = tried(keeper, code).json()["handle"]
    placed(keeper, "voucher", handle, order={**CHART, "amount": "42.00"})
    assert "42.00 EUR of it was used, and is revenue; 8.00 EUR is owed" in keeper.record(token)["voucher_sold"]
    # The used part of a voucher cannot be given back.
    assert keeper.fault(keeper.act(token, "refund", amount="9.00 EUR")) == (422, "amount-beyond", "amount")
    assert keeper.act(token, "refund", amount="8.00 EUR").status_code == 200
    assert keeper.get("/api/vouchers")["owed"] == []
