"""Payments at the simulated provider: begun by a shop, ended by whoever plays the buyer, and what comes after.

Every move is written down with its number and put on its way to the shop together, or not at all.
"""

import hashlib
import secrets
from collections.abc import Sequence
from datetime import datetime, timedelta
from enum import StrEnum
from typing import NamedTuple

from monedero.core.account import Standing
from monedero.core.errors import Conflict, Fault, FaultCode, NotFound
from monedero.core.money import Money
from monedero.core.payment.books import Books
from monedero.core.payment.notice import Notice
from monedero.core.payment.payment import moved
from monedero.core.payment.state import MOVES, Move, State
from monedero.core.provider import PaymentPage
from monedero.figures import methods
from monedero.formats.gateway import Notification, PaymentAsked, PaymentHeld
from monedero.standins.provider.charging import Charges
from monedero.standins.provider.courier import Courier
from monedero.standins.provider.merchants import Merchants
from monedero.standins.provider.model import Answered, Coming, Merchant, Taking
from monedero.standins.provider.world import World

PAGE_HOLDS = timedelta(minutes=30)
ANSWER_WITHIN = timedelta(days=14)
LATER_DAYS, AUTHORISATION_DAYS = 5, 7


class Ending(StrEnum):
    """How whoever plays the buyer can let a payment end on the provider's page."""

    PAID = "paid"
    PAID_LATER = "paid-later"
    FAILS_LATER = "fails-later"
    DECLINED_MONEY = "declined-money"
    DECLINED_BANK = "declined-bank"
    DECLINED_CONFIRMATION = "declined-confirmation"
    ABANDONED = "abandoned"
    EXPIRES = "expires"


DECLINED = {
    Ending.DECLINED_MONEY: "there is not enough money",
    Ending.DECLINED_BANK: "the bank refuses it without saying why",
    Ending.DECLINED_CONFIRMATION: "the buyer could not be confirmed",
}
NO_MONEY_THEN = "there was not enough money on the day of the debit"
TAKEN_BACK = "the buyer took the debit back at the bank"
NOT_RECEIVED = "the buyer says that nothing arrived"


class PlayedStep(NamedTuple):
    """Holds what comes with a move: its reason, the day of the state after it, what will follow, and when it was."""

    reason: str = ""
    until: datetime | None = None
    coming: Sequence[Coming] = ()
    at: datetime | None = None


NOTHING_MORE = PlayedStep()


class Payments:
    """The payments of every merchant."""

    def __init__(self, world: World, merchants: Merchants, courier: Courier) -> None:
        """`courier` tells the shops."""
        self._memory = world.memory
        self._facts = world.facts
        self._now = world.now
        self._mounted_at = world.mounted_at
        self._merchants = merchants
        self._courier = courier
        self._charges = Charges(world.cards)

    def begin(self, merchant: Merchant, key: str, asked: PaymentAsked) -> PaymentHeld:
        """Begin a payment; the same key again is the same payment, also at the same moment."""
        with self._memory.together():
            return self._begin(merchant, key, asked)

    def _begin(self, merchant: Merchant, key: str, asked: PaymentAsked) -> PaymentHeld:
        known = self._answered(key, asked.model_dump_json())
        if known is not None:
            return self.held(self.get(known))
        standing = merchant.methods.get(asked.method)
        if asked.method not in merchant.methods or standing is not None:
            where = (standing.standing if standing else Standing.OFF).value
            raise Conflict(Fault(FaultCode.METHOD_NOT_ACTIVE, "method", asked.method, {"standing": where}))
        payment = Taking(
            reference=f"{merchant.provider[:3]}-{secrets.token_urlsafe(9)}",
            provider=merchant.provider,
            merchant=merchant.number,
            asked=asked,
            state=State.AT_PROVIDER,
            books=Books(currency=asked.amount.currency, ordered=asked.amount.minor),
            begun_at=self._now(),
            coming=[Coming(at=self._now() + PAGE_HOLDS, move=Move.EXPIRED)],
        )
        self._remember(key, asked.model_dump_json(), payment.reference)
        self._keep(payment)
        return self.held(payment)

    def get(self, reference: str) -> Taking:
        """A payment by its reference."""
        payment = self._memory.get(Taking, reference)
        if payment is None:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "payment", reference, {"what": "payment"}))
        return payment

    def all(self) -> list[Taking]:
        """Every payment, in the sequence in which they began."""
        return self._memory.all(Taking)

    def held(self, payment: Taking) -> PaymentHeld:
        """A payment as its shop may see it."""
        return PaymentHeld(
            reference=payment.reference,
            page=f"{self._mounted_at}/{payment.provider}/pay/{payment.reference}",
            embedded=self._facts[payment.provider].payment_page is PaymentPage.EMBEDDED,
            told=payment.told,
        )

    def endings(self, payment: Taking) -> list[Ending]:
        """How a payment can end, by what its method can do."""
        later = methods.method(payment.asked.method).certain == "later"
        never = set() if later else {Ending.PAID_LATER, Ending.FAILS_LATER}
        if later:
            never = {Ending.PAID, Ending.DECLINED_CONFIRMATION}
        return [ending for ending in Ending if ending not in never]

    def end(self, reference: str, ending: Ending) -> Taking:
        """Let a payment end; what is over stays as it is."""
        with self._memory.together():
            return self._end(reference, ending)

    def _end(self, reference: str, ending: Ending) -> Taking:
        payment = self.get(reference)
        if payment.state is not State.AT_PROVIDER or ending is Ending.EXPIRES:
            return payment
        if ending is Ending.PAID:
            return self._pay(payment)
        if ending in (Ending.PAID_LATER, Ending.FAILS_LATER):
            return self._confirm_later(payment, pays=ending is Ending.PAID_LATER)
        if ending is Ending.ABANDONED:
            return self._move(reference, Move.ABANDONED)
        return self._move(reference, Move.DECLINED, None, PlayedStep(DECLINED[ending]))

    def _pay(self, payment: Taking) -> Taking:
        whole = payment.books.ordered
        if payment.asked.take == "now":
            return self._move(payment.reference, Move.PAID, whole)
        days = methods.method(payment.asked.method).authorisation_days or AUTHORISATION_DAYS
        lapses = self._now() + timedelta(days=days)
        later = [Coming(at=lapses, move=Move.AUTHORISATION_LAPSED)]
        return self._move(payment.reference, Move.AUTHORISED, whole, PlayedStep(until=lapses, coming=later))

    def _confirm_later(self, payment: Taking, *, pays: bool) -> Taking:
        then = self._now() + timedelta(days=methods.method(payment.asked.method).certain_days or LATER_DAYS)
        coming = Coming(at=then, move=Move.PAID, minor=payment.books.ordered)
        if not pays:
            coming = Coming(at=then, move=Move.DECLINED, reason=NO_MONEY_THEN)
        return self._move(payment.reference, Move.CONFIRMING, None, PlayedStep(until=then, coming=[coming]))

    def take(self, reference: str, key: str, amount: Money) -> Taking:
        """Take a part of what was authorised, or all of it."""
        return self._asked(reference, key, Move.TAKEN, amount.minor, amount)

    def release(self, reference: str, key: str) -> Taking:
        """Give back what was authorised and not taken."""
        return self._asked(reference, key, Move.RELEASED, None, None)

    def refund(self, reference: str, key: str, amount: Money) -> Taking:
        """Send money back to the buyer."""
        return self._asked(reference, key, Move.REFUNDED, amount.minor, amount)

    def cancel(self, reference: str, key: str) -> Taking:
        """End a payment whose buyer is still on the page; one that is over stays as it is, and says so."""
        with self._memory.together():
            if self.get(reference).state is not State.AT_PROVIDER:
                return self.get(reference)
            return self._asked(reference, key, Move.ABANDONED, None, None)

    def dispute(self, reference: str) -> Taking:
        """The buyer disputes what the shop has of this payment."""
        until = self._now() + ANSWER_WITHIN
        kept = self.get(reference).books.kept
        lost = Coming(at=until, move=Move.DISPUTE_LOST, minor=kept)
        return self._move(reference, Move.DISPUTED, kept, PlayedStep(NOT_RECEIVED, until, [lost]))

    def decide_dispute(self, reference: str, *, won: bool) -> Taking:
        """Decide a dispute."""
        move = Move.DISPUTE_WON if won else Move.DISPUTE_LOST
        return self._move(reference, move, self.get(reference).books.disputed)

    def take_back(self, reference: str) -> Taking:
        """The buyer takes a debit back at the bank."""
        return self._move(reference, Move.RETURNED, self.get(reference).books.kept, PlayedStep(TAKEN_BACK))

    def tick(self) -> None:
        """Let everything happen whose moment has come, the earliest first."""
        now = self._now()
        due = [
            (coming.at, payment.reference, coming)
            for payment in self._memory.waiting(Taking, by=now)
            for coming in payment.coming
            if coming.at <= now
        ]
        for _, reference, coming in sorted(due, key=lambda entry: entry[:2]):
            # One that was due before it may have left nothing for it.
            if coming.move not in MOVES[self.get(reference).state]:
                continue
            minor = coming.minor
            if coming.move is Move.AUTHORISATION_LAPSED:
                minor = self.get(reference).books.open
            if coming.move is Move.DISPUTE_LOST:
                minor = self.get(reference).books.disputed
            self._move(reference, coming.move, minor, PlayedStep(coming.reason, at=coming.at))

    def _keep(self, payment: Taking) -> None:
        due = min((coming.at for coming in payment.coming), default=None)
        self._memory.put(payment.reference, payment, waits=bool(payment.coming), due=due)

    def _asked(self, reference: str, key: str, move: Move, minor: int | None, amount: Money | None) -> Taking:
        said = f"{move.value} {amount or ''}"
        with self._memory.together():
            payment = self.get(reference)
            if self._answered(key, said) is not None:
                return payment
            if amount is not None and amount.currency != payment.books.currency:
                raise Conflict(Fault(FaultCode.CURRENCY_DIFFERS, "amount", str(amount)))
            minor = payment.books.open if move is Move.RELEASED else minor
            after = self._move(reference, move, minor)
            self._remember(key, said, reference)
        return after

    def _answered(self, key: str, body: str) -> str | None:
        """The payment that an idempotency key was used for; a key used for something else is refused."""
        held = self._memory.get(Answered, key)
        if held is None:
            return None
        if held.body != _digest(body):
            raise Conflict(Fault(FaultCode.KEY_REUSED, "Idempotency-Key", key[:40]))
        return held.reference

    def _remember(self, key: str, body: str, reference: str) -> None:
        self._memory.put(key, Answered(key=key, body=_digest(body), reference=reference))

    def _move(
        self, reference: str, move: Move, minor: int | None = None, step: PlayedStep = NOTHING_MORE
    ) -> Taking:
        with self._memory.together():
            payment = self.get(reference)
            state, books = moved(payment.state, payment.books, move, minor)
            fee, back = self._charges.fee(payment, move, minor or 0)
            notice = Notice(
                sequence=len(payment.told) + 1,
                move=move,
                at=step.at or self._now(),
                amount=payment.money(minor),
                fee=fee,
                fee_given_back=back,
                reason=step.reason,
                until=step.until,
            )
            still_open = [
                entry
                for entry in payment.coming
                if entry.move is Move.AUTHORISATION_LAPSED and entry.move in MOVES[state] and books.open
            ]
            payment = payment.model_copy(
                update={
                    "state": state,
                    "books": books.charged(fee, back),
                    "told": [*payment.told, notice],
                    "coming": [*still_open, *step.coming],
                }
            )
            self._keep(payment)
            merchant = self._merchants.get(payment.merchant)
            self._courier.take(
                merchant,
                Notification(
                    type="payment.moved",
                    mode=merchant.mode,
                    account=merchant.number,
                    payment=reference,
                    notice=notice,
                ),
            )
        return payment


def _digest(body: str) -> str:
    return hashlib.sha256(body.encode()).hexdigest()
