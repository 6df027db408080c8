"""Test and live apart: orders, invoices, vouchers, messages and keys belong to a mode, and each counts by itself."""

from typing import Any

import pytest

from monedero.core.account import Mode
from monedero.core.checkout.model import Checkout
from monedero.work.checkout.publish import publish, to_publish
from monedero.work.context import Actor, Context
from tests.api.shopkeeper import BOAT, BUYERS, Shopkeeper

BILL = {"bill-to": "Anna Fischer, Berlin"}


@pytest.fixture
def invoiced(keeper: Shopkeeper) -> Shopkeeper:
    """Buyers may pay by invoice."""
    held = keeper.get("/api/checkouts/web-shop")
    invoice = {"id": "invoice", "method": "invoice", "name": "Invoice", "on": True}
    body = {"version": held["version"], "tenders": [*held["tenders"], invoice]}
    assert keeper.client.put("/api/checkouts/web-shop", json=body).status_code == 200
    keeper.publish()
    return keeper


def go(keeper: Shopkeeper, mode: Mode) -> None:
    """Publish the web shop's checkout in a mode, whatever stands in the way: no act of the desk goes live yet."""
    store = keeper.running.store
    held = store.checkouts.read("web-shop")
    assert held
    store.checkouts.save(Checkout.model_validate({**held.value.model_dump(), "mode": mode}), held.version)
    context = Context.of(store, Actor.OWNER, keeper.running.clock.now(), "web-shop")
    publish(context, to_publish(context).fingerprint)


def order(keeper: Shopkeeper, tender: str, key: str = "", **given: Any) -> Any:
    body = {"order": BOAT, "tender": tender, **given}
    headers = {"idempotency-key": key} if key else {}
    answer = keeper.client.post(f"{BUYERS}/orders", json=body, headers=headers)
    assert answer.status_code == 201, answer.text
    return answer.json()


def test_a_test_spends_no_number_of_a_live_order_or_invoice(invoiced: Shopkeeper) -> None:
    store = invoiced.running.store
    tested = [order(invoiced, "invoice", answers=BILL) for _ in range(3)]
    go(invoiced, Mode.LIVE)
    live = [order(invoiced, "invoice", answers=BILL) for _ in range(2)]
    go(invoiced, Mode.TEST)
    tested.append(order(invoiced, "invoice", answers=BILL))
    assert [placed["number"] for placed in tested] == [1001, 1002, 1003, 1004]
    assert [placed["number"] for placed in live] == [1001, 1002]

    def invoice(placed: Any) -> str:
        record = store.orders.get(placed["token"])
        assert record
        return str(getattr(record.payment.paper, "number", ""))

    assert [invoice(placed) for placed in live] == ["CN-0001", "CN-0002"]
    assert [invoice(placed) for placed in tested] == [f"TEST-CN-000{number}" for number in range(1, 5)]


def test_the_desk_shows_the_orders_and_messages_of_its_mode_alone(keeper: Shopkeeper) -> None:
    tested = order(keeper, "bank-transfer")
    go(keeper, Mode.LIVE)
    live = order(keeper, "bank-transfer")

    def shown() -> tuple[list[str], set[str]]:
        records = keeper.get("/api/records")
        assert records["total"] == records["matching"] == 1
        messages = {message["order"] for message in keeper.get("/api/letters")["messages"]}
        return [record["token"] for record in records["records"]], messages

    assert shown() == ([live["token"]], {live["token"]})
    go(keeper, Mode.TEST)
    assert shown() == ([tested["token"]], {tested["token"]})


def test_a_voucher_of_a_test_pays_no_live_order(keeper: Shopkeeper) -> None:
    code = keeper.post("/api/vouchers", {"amount": "85.00 EUR"}, 201)["code"]
    tried = {"code": code, "currency": "EUR"}
    handle = keeper.post(f"{BUYERS}/offer/vouchers", tried, 200)["handle"]
    go(keeper, Mode.LIVE)
    assert keeper.get("/api/vouchers")["vouchers"] == []
    assert keeper.get(f"{BUYERS}/offer", **BOAT)["takes_vouchers"] is False
    refused = keeper.client.post(f"{BUYERS}/offer/vouchers", json=tried)
    assert keeper.fault(refused) == (422, "voucher-unknown", "code")
    body = {"order": BOAT, "tender": "voucher", "vouchers": [handle]}
    answer = keeper.client.post(f"{BUYERS}/orders", json=body)
    assert keeper.fault(answer)[:2] == (409, "total-changed")
    go(keeper, Mode.TEST)
    assert order(keeper, "voucher", vouchers=[handle])["number"] == 1001


def test_a_key_of_a_test_stands_for_no_live_order(keeper: Shopkeeper) -> None:
    tested = order(keeper, "bank-transfer", key="once")
    assert order(keeper, "bank-transfer", key="once")["token"] == tested["token"]
    go(keeper, Mode.LIVE)
    live = order(keeper, "bank-transfer", key="once")
    assert live["token"] != tested["token"]
    assert order(keeper, "bank-transfer", key="once")["token"] == live["token"]
    record = keeper.running.store.orders.get(live["token"])
    assert record
    assert record.mode is Mode.LIVE
