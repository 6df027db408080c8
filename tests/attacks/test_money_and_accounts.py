"""Tests what an attack on money and accounts found: each smallest case, which failed before it was fixed."""

import threading
from collections.abc import Callable
from typing import Any

import pytest
from fastapi.testclient import TestClient

from monedero.core.account import Account, Mode, Stage
from monedero.core.errors import Refused
from monedero.core.money import Money
from monedero.core.payment.notice import Notice
from monedero.core.payment.state import Move
from monedero.formats import webhook
from monedero.formats.gateway import AccountHeld, Notification
from monedero.server.shops import RunningShop
from monedero.work.accounts.gateway import Gateway
from monedero.work.accounts.gateways import Access, access_name
from monedero.work.accounts.merchant_file import read_business, save_business
from monedero.work.accounts.storefronts import serve
from monedero.work.checkout.publish import publish, to_publish
from tests.api.shopkeeper import BOAT, Shopkeeper
from tests.conftest import NOW, at_desk


def account_of(running: RunningShop, name: str) -> Account:
    held = running.store.accounts.get(name, Mode.TEST)
    assert held is not None
    return held


def tell(keeper: Shopkeeper, name: str, reference: str) -> Any:
    """A notification that a payment was paid, signed with the secret of an account, at its endpoint."""
    running = keeper.running
    account = account_of(running, name)
    access = running.store.sealed.get(access_name(name, Mode.TEST), Access)
    assert access is not None
    paid = Notice(sequence=1, move=Move.PAID, at=NOW, amount=Money(8500, "EUR"), fee=Money(0, "EUR"))
    body = Notification(
        type="payment.moved", mode=Mode.TEST, account=account.number, payment=reference, notice=paid
    ).model_dump_json()
    headers = webhook.signed(
        access.secrets[0].secret, f"msg_{name}_{reference}", running.clock.now(), body.encode()
    )
    return keeper.client.post(f"/notify/{account.endpoint}", content=body, headers=headers)


def test_one_account_cannot_mark_the_payment_of_another_as_paid(keeper: Shopkeeper) -> None:
    placed = keeper.place("card")
    reference, provider = keeper.reference(placed["token"]), "orlenta"
    others = [
        account.id
        for account in keeper.running.store.accounts.of(Mode.TEST).values()
        if account.stage is Stage.CONNECTED and account.id != provider
    ]
    for other in others:
        answer = tell(keeper, other, reference)
        assert keeper.fault(answer)[1] == "notice-unknown", other
        assert keeper.record(placed["token"])["state"] == "at-provider"
    assert tell(keeper, provider, reference).status_code == 200
    assert keeper.record(placed["token"])["state"] == "paid"


def test_two_gateways_may_call_their_payments_the_same(keeper: Shopkeeper) -> None:
    orders = keeper.running.store.orders
    tokens = {
        name: keeper.place(tender)["token"]
        for name, tender in (("orlenta", "card"), ("brixavo", "online-banking"))
    }
    for token in tokens.values():

        def rename(before: Any) -> Any:
            payment = before.payments[-1].model_copy(update={"reference": "same-1"})
            return before.with_payment(payment)

        orders.change(token, rename, lambda before, after: [])
    for name, token in tokens.items():
        assert orders.by_payment(name, Mode.TEST, "same-1") == token
    assert tell(keeper, "brixavo", "same-1").status_code == 200
    assert keeper.record(tokens["brixavo"])["state"] == "paid"
    assert keeper.record(tokens["orlenta"])["state"] == "at-provider"


def meanwhile(monkeypatch: pytest.MonkeyPatch, what: Callable[[], object]) -> None:
    """Let something happen while a provider is asked how an account stands."""
    ask = Gateway.account

    def slowly(gateway: Gateway) -> AccountHeld:
        held = ask(gateway)
        what()
        return held.model_copy(update={"methods": held.methods[:1]})

    monkeypatch.setattr(Gateway, "account", slowly)


def test_a_refresh_under_way_does_not_bring_back_what_was_left(
    demo: RunningShop, monkeypatch: pytest.MonkeyPatch
) -> None:
    account = account_of(demo, "orlenta")
    meanwhile(monkeypatch, lambda: demo.connections.disconnect(account))
    assert demo.connections.refresh(account).stage is Stage.DISCONNECTED
    assert account_of(demo, "orlenta").stage is Stage.DISCONNECTED


def test_a_refresh_under_way_keeps_what_an_account_serves(
    demo: RunningShop, monkeypatch: pytest.MonkeyPatch
) -> None:
    account = account_of(demo, "orlenta")
    shop = demo.store.description.read()
    assert shop
    front = shop.value.storefronts[0].id
    meanwhile(monkeypatch, lambda: serve(demo.store, account, [front], pooled=False))
    demo.connections.refresh(account)
    after = account_of(demo, "orlenta")
    assert after.storefronts == [front]
    assert len(after.active_methods) == 1


def test_a_withdrawal_during_a_review_stands(demo: RunningShop, monkeypatch: pytest.MonkeyPatch) -> None:
    account = next(held for held in demo.store.accounts.of(Mode.TEST).values() if held.stage is Stage.IN_REVIEW)
    ask = Gateway.application

    def slowly(gateway: Gateway, reference: str) -> Any:
        held = ask(gateway, reference)
        demo.applications.withdraw(account)
        return held.model_copy(update={"state": "approved"})

    monkeypatch.setattr(Gateway, "application", slowly)
    demo.applications.refresh(account)
    assert account_of(demo, account.id).stage is Stage.WITHDRAWN


def at_once(*acts: Callable[[], object]) -> None:
    """Let several act at the same moment."""
    ready = threading.Barrier(len(acts))

    def go(act: Callable[[], object]) -> None:
        ready.wait()
        act()

    threads = [threading.Thread(target=go, args=(act,)) for act in acts]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()


def test_no_confirmed_edit_of_the_business_is_lost(demo: RunningShop) -> None:
    confirmed: list[str] = []

    def edit(who: str) -> None:
        for number in range(15):
            held = read_business(demo.store)
            name = f"{held.business.legal_name.split(' ')[0]} {who}{number}"
            try:
                saved = save_business(
                    demo.store, held.business.model_copy(update={"legal_name": name}), held.version
                )
            except Refused:
                continue
            confirmed.append(f"{saved.version} {name}")

    before = read_business(demo.store).version
    at_once(lambda: edit("a"), lambda: edit("b"))
    assert read_business(demo.store).version == before + len(confirmed)
    assert len({entry.split(" ")[0] for entry in confirmed}) == len(confirmed)


def test_what_is_published_at_once_becomes_one_edition(demo: RunningShop) -> None:
    for number in range(8):
        held = demo.store.checkouts.read("web-shop")
        assert held
        tender = held.value.tenders[0].model_copy(update={"name": f"Round {number}"})
        tenders = [tender, *held.value.tenders[1:]]
        demo.store.checkouts.save(held.value.model_copy(update={"tenders": tenders}), held.version)
        shown = to_publish(at_desk(demo.store)).fingerprint
        before = len(demo.store.editions.of("web-shop"))

        def once(shown: str = shown) -> None:
            try:
                publish(at_desk(demo.store), shown)
            except Refused:
                return

        at_once(once, once)
        assert len(demo.store.editions.of("web-shop")) == before + 1


def test_an_order_that_is_asked_for_twice_under_a_key_is_placed_once(
    client: TestClient, demo: RunningShop
) -> None:
    asked = {"order": BOAT, "tender": "card"}
    key = {"Idempotency-Key": "buyer-7-cart-3"}
    first = client.post("/api/checkouts/web-shop/orders", json=asked, headers=key).json()
    again = client.post("/api/checkouts/web-shop/orders", json=asked, headers=key)
    assert (again.status_code, again.json()["token"]) == (201, first["token"])
    assert len(demo.store.orders.all()) == 1
    other = client.post("/api/checkouts/web-shop/orders", json={**asked, "tender": "bank-transfer"}, headers=key)
    assert (other.status_code, other.json()["errors"][0]["code"]) == (409, "key-reused")
    assert client.post("/api/checkouts/web-shop/orders", json=asked).json()["token"] != first["token"]
