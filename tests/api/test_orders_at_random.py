"""A walk at random over orders with vouchers, deposits, weighed goods, failed tries, late money and part refunds.

Sold vouchers are paid by vouchers, and the server beats at any moment, also while a gateway is asked. At every step the
buyer's page, the messages, the books and the vouchers agree.
"""

from random import Random
from typing import Any

import pytest

from monedero.core.account import Mode
from monedero.core.payment.state import Move, State
from monedero.core.record import OrderRecord
from monedero.work.accounts.gateway import Gateway
from monedero.work.orders.tells import SAYS_NOTHING
from tests.api.shopkeeper import BOAT, CHART, Shopkeeper
from tests.api.test_money_once import sells_vouchers
from tests.api.test_paid_later import deposit, weighed
from tests.properties import RUN

STEPS = 60
WAYS = ("card", "online-banking", "bank-transfer", "cash-on-the-day")
SOLD = {**BOAT, "line": "sky-maps"}
ASKED = ("begin", "read", "take", "refund", "release", "cancel")
SIGNS = {Move.PAID: 1, Move.TAKEN: 1, Move.REFUNDED: -1}


class Walk:
    """Tells what a shop and its buyers do, drawn at random; what is refused is refused whole."""

    def __init__(self, keeper: Shopkeeper, draw: Random) -> None:
        self.keeper, self.draw = keeper, draw
        self.codes: list[str] = []
        self.tokens: list[str] = []
        # The amounts that each order's page said were paid: they only grow, whatever goes back.
        self.paid_before: dict[str, int] = {}

    def step(self) -> None:
        act = self.draw.choice(
            [*[self.place, self.end] * 3, self.issue, self.another, self.back, self.credit, self.weigh, self.weigh]
        )
        act = self.draw.choice([act, act, act, act, self.paid, self.late, self.rest, self.days])
        act()
        self._find_sold()

    def _find_sold(self) -> None:
        """Codes of vouchers that were sold are spent like any others."""
        for message in self.keeper.running.store.orders.all_messages(Mode.TEST, 20):
            _, told, code = message.text.partition("Your voucher over ")
            if told and (found := code.partition(": ")[2][:29]) not in self.codes:
                self.codes.append(found)

    def late(self) -> None:
        """Money comes for an order that was given up."""
        lapsed = [token for token in self.tokens if self.keeper.record(token)["state"] == "lapsed"]
        if lapsed:
            assert self.keeper.act(self.draw.choice(lapsed), "paid").status_code in (200, 409)

    def issue(self) -> None:
        amount = f"{self.draw.choice([7, 20, 60, 150])}.{self.draw.randrange(100):02d} EUR"
        self.codes.append(self.keeper.post("/api/vouchers", {"amount": amount}, 201)["code"])

    def place(self) -> None:
        handles = []
        for code in self.draw.sample(self.codes, min(len(self.codes), self.draw.randrange(8))):
            tried = self.keeper.client.post(
                "/api/shops/demo/offer/vouchers", json={"code": code, "currency": "EUR"}
            )
            if tried.status_code == 200:
                handles.append(tried.json()["handle"])
        order = {
            **self.draw.choice([BOAT, CHART, SOLD]),
            "amount": f"{self.draw.randrange(500, 20_000) / 100:.2f}",
        }
        body = {"order": order, "vouchers": handles}
        for tender in (self.draw.choice(WAYS), "card", "voucher", "on-the-day"):
            answer = self.keeper.client.post("/api/checkouts/web-shop/orders", json={**body, "tender": tender})
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
        vouchers = {voucher.id: voucher for voucher in store.vouchers.all(Mode.TEST)}
        for voucher in vouchers.values():
            assert voucher.balance >= 0
        for id, voucher in vouchers.items():
            held = sum(part.held for record in records for part in record.vouchers if part.voucher == id)
            assert voucher.used == held
        for record in records:
            self._order_agrees(record)
            self._told(record)
            sold = store.vouchers.sold_by(record.token)
            if sold is not None:
                # A voucher that comes back never holds less than its holder has used.
                held = record.payment.books.kept - record.payment.books.credited + record.by_voucher.minor
                assert record.state in (State.DISPUTED, State.DISPUTE_LOST, State.RETURNED) or held >= sold.used

    def _told(self, record: OrderRecord) -> None:
        """The buyer's page and the newest message say what the record is."""
        page = self.keeper.page(record.token)
        assert page["state"] == record.state
        if record.state not in SAYS_NOTHING and record.payments[-1].state not in SAYS_NOTHING:
            assert page["headline"] in self.keeper.record(record.token)["messages"][-1]["subject"]
        if not page["paid"]:
            return
        rest = record.rest.books.taken if record.rest else 0
        paid = record.payment.books.taken + rest + sum(part.paid for part in record.vouchers)
        total = next(line for line in page["lines"] if line["look"] == "total")
        by_voucher = sum(part.paid for part in record.vouchers)
        if record.payment.books.taken == record.payment.books.ordered and not record.came_to:
            assert minor_of(total["amount"]) == paid - by_voucher
        if not record.weighed:
            assert paid >= self.paid_before.get(record.token, 0)
        self.paid_before[record.token] = paid
        if record.state is State.REFUNDED:
            assert not any(part.held for part in record.vouchers)

    def _order_agrees(self, record: OrderRecord) -> None:
        for part in record.vouchers:
            assert 0 <= part.held <= part.amount.minor
        if record.rest:
            assert not record.rest.books.disagree
            assert record.rest.books.ordered + record.amount.minor == record.whole.minor
        if record.came_to:
            # Vouchers and captures together pay what weighed goods came to, and nothing else is held.
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


def minor_of(shown: str) -> int:
    return int(shown.replace("€", "").replace(",", "").replace(".", ""))


def interleaved(monkeypatch: pytest.MonkeyPatch, keeper: Shopkeeper, draw: Random) -> None:
    """Let the server beat at any moment while a gateway is asked: before the answer, or before it is written down."""
    beating: list[bool] = []

    def beat() -> None:
        if not beating and draw.random() < 0.3:
            beating.append(True)
            keeper.running.beat()
            beating.clear()

    def between(inner: Any) -> Any:
        def asked(*given: Any, **more: Any) -> Any:
            beat()
            answer = inner(*given, **more)
            beat()
            return answer

        return asked

    for name in ASKED:
        monkeypatch.setattr(Gateway, name, between(getattr(Gateway, name)))


@pytest.mark.parametrize("seed", range(40 if RUN == "soak" else 4))
def test_all_books_agree_whatever_is_done_in_whatever_sequence(
    keeper: Shopkeeper, monkeypatch: pytest.MonkeyPatch, seed: int
) -> None:
    sells_vouchers(keeper)
    interleaved(monkeypatch, keeper, Random(seed))
    if seed % 2:
        deposit(keeper, percent="33.3")
        weighed(keeper)
    walk = Walk(keeper, Random(seed))
    walk.issue()
    for _ in range(STEPS):
        walk.step()
        walk.agrees()
    assert walk.tokens
