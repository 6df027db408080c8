"""Orders, done anything with by everybody in any sequence: the shop's books and the provider's are the same."""

import random
from typing import Any

import pytest

from tests.api.shopkeeper import BOAT, CHART, Shopkeeper

STEPS = 120
ENDINGS = (
    "paid",
    "paid",
    "paid",
    "paid-later",
    "fails-later",
    "declined-money",
    "declined-bank",
    "abandoned",
    "expires",
)
PLAYS = ("dispute", "win", "lose", "take-back")
FAULTS = ("double", "shuffle", "forge", "late", "down")
TENDERS = ("card", "online-banking", "instalments", "bank-transfer", "cash-on-the-day")


class Bazaar:
    """Buyers, an owner and providers who do one thing after another, whether it fits or not."""

    def __init__(self, keeper: Shopkeeper, chance: random.Random) -> None:
        self.keeper, self.chance = keeper, chance
        self.tokens: list[str] = []
        self.answers: list[int] = []

    def post(self, path: str, body: Any = None, data: dict[str, Any] | None = None) -> None:
        answer = self.keeper.client.post(path, json=body, data=data, follow_redirects=False)
        self.answers.append(answer.status_code)

    def place(self) -> None:
        order = self.chance.choice([BOAT, {**CHART, "delivery": "pier"}])
        body = {"order": order, "tender": self.chance.choice(TENDERS)}
        answer = self.keeper.client.post("/api/checkouts/web-shop/orders", json=body)
        self.answers.append(answer.status_code)
        if answer.status_code == 201:
            self.tokens.append(answer.json()["token"])

    def some(self) -> Any:
        return self.keeper.running.store.orders.get(self.chance.choice(self.tokens))

    def end(self) -> None:
        at_provider = [record for record in map(self.keeper.running.store.orders.get, self.tokens) if record]
        pages = [record.payments[-1].page for record in at_provider if record.payments[-1].page]
        if pages:
            # Mostly a page that is still open.
            self.post(self.chance.choice(pages[-4:]), data={"ending": self.chance.choice(ENDINGS)})

    def another(self) -> None:
        self.post(f"/api/orders/{self.some().token}/tender", {"tender": self.chance.choice(TENDERS)})

    def owner(self) -> None:
        token = self.some().token
        version = self.keeper.running.store.orders.stored_order(token).version  # type: ignore[union-attr]
        amount = f"{self.chance.choice([1, 20, 42, 43, 85])}.00 EUR"
        act = self.chance.choice(["send", "take", "refund", "credit", "release", "paid", "look", "refund-double"])
        self.post(f"/api/records/{token}/{act}", {"version": version, "amount": amount} if act != "look" else None)

    def play(self) -> None:
        payment = self.some().payment
        if payment.reference:
            provider = payment.chosen.provider
            form = {"happens": self.chance.choice(PLAYS)}
            self.post(f"/simulated-provider/demo/{provider}/office/payments/{payment.reference}", data=form)

    def misbehave(self) -> None:
        given = [fault for fault in FAULTS if self.chance.random() < 0.2]
        for provider in ("orlenta", "brixavo", "quayling"):
            self.keeper.office(provider, "faults", given=given)

    def wind(self) -> None:
        self.keeper.wind(minutes=self.chance.choice([5, 60, 24 * 60, 7 * 24 * 60]))

    def settle(self) -> None:
        """Let everybody behave, and everything arrive that is on its way."""
        for provider in ("orlenta", "brixavo", "quayling"):
            self.keeper.office(provider, "faults")
        for _ in range(3):
            self.keeper.wind(minutes=31)


@pytest.mark.parametrize(("seed", "take"), [(1, "on-dispatch"), (2, "on-word"), (3, "now")])
def test_whatever_everybody_does_both_books_are_the_same(keeper: Shopkeeper, seed: int, take: str) -> None:
    chance = random.Random(seed)
    bazaar = Bazaar(keeper, chance)
    keeper.settings("card", take=take)
    acts = {
        bazaar.place: 3,
        bazaar.end: 6,
        bazaar.another: 1,
        bazaar.owner: 6,
        bazaar.play: 2,
        bazaar.misbehave: 1,
        bazaar.wind: 1,
    }
    bazaar.place()
    for act in chance.choices(list(acts), list(acts.values()), k=STEPS):
        act()
    bazaar.settle()

    assert max(bazaar.answers) < 500
    there = {payment.reference: payment for payment in keeper.running.provider.payments.all()}
    moved = 0
    for _, record in keeper.running.store.orders.all():
        for payment in record.payments:
            books = payment.books
            assert min(books.authorised, books.taken, books.refunded, books.kept) >= 0, record.number
            assert books.refunded <= books.taken <= max(books.authorised, books.ordered), record.number
            if payment.reference:
                told = there[payment.reference].books
                ours = (books.authorised, books.taken, books.refunded, books.kept, books.fees)
                theirs = (told.authorised, told.taken, told.refunded, told.kept, told.fees)
                assert ours == theirs, (record.number, payment.number, payment.state, record.requests)
                moved += books.taken
        assert all(request.settled for request in record.requests), record.number
    assert moved
