"""Ten thousand notifications in disorder, doubled and with forged ones among them: none is counted wrongly."""

import random
import sqlite3
from pathlib import Path

from monedero.core.account import Mode
from monedero.core.errors import InvalidInput
from monedero.core.payment.notice import Notice
from monedero.core.payment.payment import Payment
from monedero.core.record import OrderRecord
from monedero.formats import webhook
from monedero.formats.gateway import Notification
from monedero.server.shops import RunningShop, Shops
from monedero.work.accounts.gateways import Access, access_name
from tests.core.payment.test_payment import begun, heard, history, record
from tests.properties import times

MESSAGES = times(10_000)


def put_order(running: RunningShop, number: int) -> str:
    """An order whose payment is with the provider; gives back what the provider calls it."""
    payment = begun()
    reference = f"orl-{number}"
    order = record(payment).model_copy(update={"token": f"token-{number}", "edition": 1})

    def build(next_number: int) -> OrderRecord:
        return order.model_copy(update={"number": next_number})

    running.store.orders.add(build, lambda before, after: [], Mode.TEST)
    with_reference = [payment.model_copy(update={"reference": reference})]
    running.store.orders.change(
        order.token, lambda held: held.model_copy(update={"payments": with_reference}), lambda before, after: []
    )
    return reference


def amounts(payment: Payment | None) -> object:
    return None if payment is None else (payment.state, payment.books, payment.told)


def test_thousands_of_notifications_in_disorder(shops: Shops, tmp_path: Path) -> None:
    running, draw = shops.demo, random.Random(20261125)
    # The disk is not what is tried here.
    running.store._database.pragma("synchronous", "off")
    account = running.store.accounts.get("orlenta", Mode.TEST)
    access = running.store.sealed.get(access_name("orlenta", Mode.TEST), Access)
    assert account is not None
    assert access is not None
    secret, stranger, now = access.secrets[0].secret, webhook.new_secret(), running.clock.now()
    histories: dict[str, list[Notice]] = {}
    messages: list[tuple[str, str, bytes]] = []
    true = 0
    while len(messages) < MESSAGES:
        reference = put_order(running, len(histories))
        notices = history(len(histories))[0]
        histories[reference] = notices
        for notice in notices:
            body = Notification(
                type="payment.moved", mode=Mode.TEST, account=account.number, payment=reference, notice=notice
            )
            text = body.model_dump_json(exclude_none=True).encode()
            name = f"msg_{reference}_{notice.sequence}"
            messages += [(name, secret, text)] * draw.randint(1, 3)
            messages.append((f"{name}_again", secret, text))
            # A forged one under a true id, that would move something else.
            forged = body.model_copy(update={"notice": notice.model_copy(update={"reason": "forged"})})
            messages.append((name, stranger, forged.model_dump_json(exclude_none=True).encode()))
            true += 1
    draw.shuffle(messages)
    verdicts: dict[str, int] = {}
    for name, signed_by, text in messages:
        try:
            verdict: str = running.notifications.hear(
                account, webhook.signed(signed_by, name, now, text), text
            ).verdict
        except InvalidInput:
            verdict = "forged"
        verdicts[verdict] = verdicts.get(verdict, 0) + 1
    for reference, notices in histories.items():
        token = running.store.orders.by_payment("orlenta", Mode.TEST, reference)
        assert token is not None
        held = running.store.orders.get(token)
        assert held is not None
        assert amounts(held.payment) == amounts(heard(notices)), reference
        assert held.payment.early == []
    assert len(messages) >= MESSAGES
    assert verdicts["forged"] == true
    assert verdicts["counted"] + verdicts["early"] == true
    assert "refused" not in verdicts
    with sqlite3.connect(tmp_path / "data" / "demo.sqlite") as database:
        kept = database.execute("SELECT count(*) FROM exchange").fetchone()[0]
    assert kept == len(messages)
