"""A walk at random over orders with vouchers, deposits, weighed goods, failed tries and part refunds.

All books agree at every step.
"""

from random import Random
from typing import Any

import pytest

from monedero.core.account import Mode
from monedero.core.payment.state import Move
from monedero.core.record import OrderRecord
from tests.api.shopkeeper import BOAT, CHART, Shopkeeper
from tests.api.test_paid_later import deposit, weighed

STEPS = 60
WAYS = ("card", "online-banking", "bank-transfer", "cash-on-the-day")
SIGNS = {Move.PAID: 1, Move.TAKEN: 1, Move.REFUNDED: -1}


class Walk:
    """What a shop and its buyers do, drawn at random; what is refused is refused whole."""

    def __init__(self, keeper: Shopkeeper, draw: Random) -> None:
        self.keeper, self.draw = keeper, draw
        self.codes: list[str] = []
        self.tokens: list[str] = []

    def step(self) -> None:
        act = self.draw.choice(
            [*[self.place, self.end] * 3, self.issue, self.another, self.back, self.credit, self.weigh, self.weigh]
        )
        act = self.draw.choice([act, act, act, act, self.paid, self.rest, self.days])
        act()

    def issue(self) -> None:
        amount = f"{self.draw.choice([7, 20, 60, 150])}.{self.draw.randrange(100):02d} EUR"
        self.codes.append(self.keeper.post("/api/vouchers", {"amount": amount}, 201)["code"])

    def place(self) -> None:
        handles = []
        for code in self.draw.sample(self.codes, min(len(self.codes), self.draw.randrange(8))):
            tried = self.keeper.client.post("/api/offer/vouchers", json={"code": code, "currency": "EUR"})
            if tried.status_code == 200:
                handles.append(tried.json()["handle"])
        order = {**self.draw.choice([BOAT, CHART]), "amount": f"{self.draw.randrange(500, 20_000) / 100:.2f}"}
        body = {"order": order, "by": "draft", "vouchers": handles}
        for tender in (self.draw.choice(WAYS), "card", "voucher", "on-the-day"):
            answer = self.keeper.client.post("/api/orders", json={**body, "tender": tender})
            if answer.status_code == 201:
                self.tokens.append(answer.json()["token"])
                return
            assert answer.status_code in (404, 409), answer.text

    def end(self) -> None:
        token = self._one()
        record = self.keeper.running.store.orders.get(token) if token else None
        if record and record.payments[-1].page and record.state == "at-provider":
            self.keeper.end({"token": token}, self.draw.choice(["paid", "paid", "declined-money", "abandoned"]))

    def another(self) -> None:
        if token := self._one():
            answer = self.keeper.client.post(
                f"/api/orders/{token}/tender", json={"tender": self.draw.choice(WAYS)}
            )
            assert answer.status_code in (200, 404, 409), answer.text

    def back(self) -> None:
        self._money("refund")

    def credit(self) -> None:
        self._money("credit")

    def _money(self, what: str) -> None:
        if token := self._one():
            amount = f"{self.draw.choice([1, 500, 2000, self.draw.randrange(1, 20_000)]) / 100:.2f} EUR"
            answer = self.keeper.act(token, what, amount=amount)
            assert answer.status_code in (200, 409, 422), answer.text

    def paid(self) -> None:
        if token := self._one():
            assert self.keeper.act(token, "paid").status_code in (200, 409)

    def rest(self) -> None:
        if token := self._likely("rest_paid"):
            what = self.draw.choice(["rest-paid", "rest-paid", "rest-let-go"])
            assert self.keeper.act(token, what).status_code in (200, 409)

    def weigh(self) -> None:
        if token := self._likely("weigh"):
            amount = f"{self.draw.choice([1, 500, 2000, self.draw.randrange(1, 20_000)]) / 100:.2f} EUR"
            answer = self.keeper.act(token, "weigh", amount=amount, note="")
            assert answer.status_code in (200, 409, 422), answer.text

    def days(self) -> None:
        self.keeper.wind(days=self.draw.choice([1, 4, 11]))

    def _likely(self, act: str) -> str | None:
        """Mostly an order with which something can be done, sometimes any."""
        can = [token for token in self.tokens if self.keeper.record(token)["can"][act]]
        return self.draw.choice(can) if can and self.draw.random() < 0.8 else self._one()

    def _one(self) -> str | None:
        return self.draw.choice(self.tokens) if self.tokens else None

    def agrees(self) -> None:
        """Vouchers with the orders that used them, payments with what was ordered, and with their gateways."""
        store = self.keeper.running.store
        records = [found for token in self.tokens if (found := store.orders.get(token)) is not None]
        vouchers = {voucher.id: voucher for voucher in store.vouchers.all()}
        for voucher in vouchers.values():
            assert voucher.balance >= 0
        for id, voucher in vouchers.items():
            held = sum(part.held for record in records for part in record.vouchers if part.voucher == id)
            assert voucher.used == held
        for record in records:
            self._order_agrees(record)

    def _order_agrees(self, record: OrderRecord) -> None:
        for part in record.vouchers:
            assert 0 <= part.held <= part.amount.minor
        if record.rest:
            assert not record.rest.books.disagree
            assert record.rest.books.ordered + record.amount.minor == record.whole.minor
        if record.came_to:
            # What weighed goods came to was paid by vouchers and by what was taken, and nothing else is held.
            assert record.came_to.minor <= record.order.amount.minor
            fee = record.payment.chosen.fee.minor if record.payment.chosen.fee else 0
            paid = record.payment.books.taken - fee + sum(part.amount.minor for part in record.vouchers)
            assert record.asks or paid >= record.came_to.minor
            assert record.asks or not record.payment.books.open
        for payment in record.payments:
            books = payment.books
            assert not books.disagree
            more = sum(one.minor for one in (payment.chosen.fee, payment.chosen.rounding) if one)
            # No payment is over more than the order, and over no less than vouchers left of it.
            if not record.came_to:
                assert record.amount.minor - sum(p.amount.minor for p in record.vouchers) <= books.ordered - more
                assert books.ordered - more <= record.amount.minor
            if payment.reference and payment.chosen.account:
                gateway = self.keeper.running.gateways.by_id(payment.chosen.account, Mode.TEST)
                told: list[Any] = gateway.read(payment.reference).told
                moved = sum(SIGNS.get(one.move, 0) * (one.amount.minor if one.amount else 0) for one in told)
                assert moved == books.taken - books.refunded


@pytest.mark.parametrize("seed", range(8))
def test_all_books_agree_whatever_is_done_in_whatever_sequence(keeper: Shopkeeper, seed: int) -> None:
    if seed % 2:
        deposit(keeper, percent="33.3")
        weighed(keeper)
    walk = Walk(keeper, Random(seed))
    walk.issue()
    for _ in range(STEPS):
        walk.step()
        walk.agrees()
    assert walk.tokens
