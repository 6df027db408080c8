"""A payment: one try to pay an order by one tender, with its state, its books and what its provider told of it.

`made` is one move of the shop's own or of the clock; `told` takes what the provider says. Both leave the payment as
it was where the move is refused.

Source: own design.

>>> from datetime import datetime, UTC
>>> chosen = Chosen(tender="card", name="Card", method="card", provider="orlenta", plan="start")
>>> begun = Payment.begin(1, chosen, Money(8500, "EUR"), datetime(2026, 11, 25, tzinfo=UTC))
>>> paid = Notice(sequence=1, move="paid", at="2026-11-25T10:00:00Z", amount="85.00 EUR")
>>> told(begun, paid)[0].state.value
'paid'
>>> made(begun, Move.TAKEN, 8500)
Traceback (most recent call last):
...
monedero.core.errors.Conflict: move-not-allowed move='taken'
"""

from collections.abc import Callable
from datetime import datetime
from enum import StrEnum
from typing import NamedTuple, Self

from pydantic import StrictBool

from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.fields import Identifier, Name, SignedMoney, Strict
from monedero.core.language import OtherNames
from monedero.core.money import Money
from monedero.core.papers.paper import Paper
from monedero.core.payment.books import Books
from monedero.core.payment.notice import Fate, Notice
from monedero.core.payment.state import Move, State, by_books, next_state
from monedero.core.words.asked import Answer


class Take(StrEnum):
    """When what was authorised is taken."""

    NOW = "now"
    ON_DISPATCH = "on-dispatch"
    ON_WORD = "on-word"


class Gives(StrEnum):
    """When goods go out, access is given and a seat is kept: when the payment is certain, or with the order."""

    AT_CERTAINTY = "at-certainty"
    AT_ORDER = "at-order"


BY_VOUCHER = "voucher"
"""The tender of an order for which vouchers pay all: it stands in no checkout."""
ON_THE_DAY = "on-the-day"
"""The tender of what of a booking is paid on the day: it stands in no checkout."""


class Chosen(Strict):
    """The way to pay that the buyer chose, as it stood then; `account` is None for an own arrangement.

    `name` is its name in the shop's first language, `buyers_name` the one that the buyer read. `fee` is what its buyer
    pays on top of the order, tax included; below zero it is less; `fee_names` are its own names by language, if it has
    any. `rounding` is what paying in coins adds to that, or
    takes off it.
    """

    tender: Identifier
    name: Name
    buyers_name: Name | None = None
    method: Identifier
    provider: Identifier | None
    plan: Identifier | None = None
    account: Identifier | None = None
    take: Take = Take.NOW
    gives: Gives = Gives.AT_CERTAINTY
    fee: SignedMoney | None = None
    rounding: SignedMoney | None = None
    fee_names: OtherNames = {}


class Payment(Strict):
    """One try to pay an order. `number` counts the tries from 1; `reference` is what the provider calls it.

    `told` are the notices that took their place, in sequence; `early` are those that wait for one before them.
    `until` is the day of the state: what is authorised lapses, a debit is confirmed, a transfer is due, a dispute is
    answered; `gives_up_at` is when an unpaid order is given up. `page` is where its buyer pays. `paper` is what
    the buyer of an arrangement of the shop's own needs to pay, `answers` what that buyer filled in.
    """

    number: int
    chosen: Chosen
    state: State
    books: Books
    begun_at: datetime
    reference: str | None = None
    told: list[Notice] = []
    early: list[Notice] = []
    until: datetime | None = None
    gives_up_at: datetime | None = None
    page: str = ""
    embedded: StrictBool = False
    reason: str = ""
    paper: Paper | None = None
    answers: list[Answer] = []

    @property
    def total(self) -> Money:
        """Tells what its buyer pays: the order with the fee of the tender."""
        return self.books.money(self.books.ordered)

    @property
    def sequence(self) -> int:
        """The number of the last notice that took its place."""
        return len(self.told)

    @classmethod
    def begin(
        cls, number: int, chosen: Chosen, amount: Money, at: datetime, until: datetime | None = None
    ) -> Self:
        """A payment as it begins: at the provider, or waiting for the buyer's money by an own arrangement."""
        state = State.AWAITING_PAYMENT if chosen.provider is None else State.AT_PROVIDER
        books = Books(currency=amount.currency, ordered=amount.minor)
        return cls(number=number, chosen=chosen, state=state, books=books, begun_at=at, until=until)


class Counted(NamedTuple):
    """A notice that took its place, with the payment after it; `fault` says why it was not a move."""

    notice: Notice
    after: Payment
    fault: Fault | None


class Told(NamedTuple):
    """Holds what became of a notice: the payment after it, its fate, and what took its place, early ones included."""

    payment: Payment
    fate: Fate
    counted: list[Counted]

    @property
    def state(self) -> State:
        """The state of the payment."""
        return self.payment.state


def _paid(books: Books, minor: int) -> Books:
    if minor != books.ordered:
        what = {"ordered": str(books.money(books.ordered))}
        raise Conflict(Fault(FaultCode.AMOUNT_DIFFERS, "amount", str(books.money(minor)), what))
    return books.with_(authorised=minor, taken=minor)


def _whole(name: str, held: Callable[[Books], int]) -> Callable[[Books, int], Books]:
    """A move of everything that is held, which says so with its amount."""

    def moved(books: Books, minor: int) -> Books:
        if minor != held(books):
            what = {"ordered": str(books.money(held(books)))}
            raise Conflict(Fault(FaultCode.AMOUNT_DIFFERS, "amount", str(books.money(minor)), what))
        return books.with_(**{name: getattr(books, name) + minor})

    return moved


def _added(name: str) -> Callable[[Books, int], Books]:
    return lambda books, minor: books.with_(**{name: getattr(books, name) + minor})


def _credited(books: Books, minor: int) -> Books:
    if minor > books.can_give_back:
        what = {"left": str(books.money(books.can_give_back))}
        raise Conflict(Fault(FaultCode.AMOUNT_BEYOND, "amount", str(books.money(minor)), what))
    return books.with_(credited=books.credited + minor)


_BY_MOVE: dict[Move, Callable[[Books, int], Books]] = {
    Move.PAID: _paid,
    Move.AUTHORISED: _whole("authorised", lambda books: books.ordered),
    Move.TAKEN: _added("taken"),
    Move.RELEASED: _whole("released", lambda books: books.open),
    Move.AUTHORISATION_LAPSED: _whole("released", lambda books: books.open),
    Move.REFUNDED: _added("refunded"),
    Move.CREDITED: _credited,
    Move.DISPUTED: _added("disputed"),
    Move.DISPUTE_WON: lambda books, minor: books.with_(disputed=books.disputed - minor),
    Move.DISPUTE_LOST: lambda books, minor: books.with_(disputed=books.disputed - minor, lost=books.lost + minor),
    Move.RETURNED: _whole("returned", lambda books: books.kept),
}


def moved(state: State, books: Books, move: Move, minor: int | None) -> tuple[State, Books]:
    """The state and the books after a move; one that the state or the books do not allow is refused."""
    after = next_state(state, move)
    if after is not None:
        return after, books
    if not minor:
        raise Conflict(Fault(FaultCode.AMOUNT_MISSING, "amount", "", {"move": move.value}))
    books = _BY_MOVE[move](books, minor)
    return by_books(books, move), books


def made(
    payment: Payment, move: Move, minor: int | None = None, until: datetime | None = None, reason: str = ""
) -> Payment:
    """The payment after a move; `until` is the day of its new state."""
    state, books = moved(payment.state, payment.books, move, minor)
    if until is None and books.open:
        until = payment.until
    return payment.model_copy(update={"state": state, "books": books, "until": until, "reason": reason})


def told(payment: Payment, notice: Notice) -> Told:
    """The payment after what the provider told; whatever the sequence of arrival, the end is the same."""
    held = next((one for one in (*payment.told, *payment.early) if one.sequence == notice.sequence), None)
    if held is not None:
        return Told(payment, Fate.AGAIN if held == notice else Fate.REFUSED, [])
    if notice.sequence > payment.sequence + 1:
        return Told(payment.model_copy(update={"early": [*payment.early, notice]}), Fate.EARLY, [])
    counted = [_placed(payment, notice)]
    while (following := _next_of(counted[-1].after)) is not None:
        counted.append(_placed(counted[-1].after, following))
    fate = Fate.COUNTED if counted[0].fault is None else Fate.REFUSED
    return Told(counted[-1].after, fate, counted)


def _next_of(payment: Payment) -> Notice | None:
    return next((early for early in payment.early if early.sequence == payment.sequence + 1), None)


def _placed(payment: Payment, notice: Notice) -> Counted:
    """A notice in its place: made as a move, or kept with the fault that keeps it from being one."""
    try:
        if notice.amount is not None and notice.amount.currency != payment.books.currency:
            raise Conflict(Fault(FaultCode.CURRENCY_DIFFERS, "amount", str(notice.amount)))
        minor = None if notice.amount is None else notice.amount.minor
        after = made(payment, notice.move, minor, notice.until, notice.reason)
        books = after.books.charged(notice.fee, notice.fee_given_back)
        after = after.model_copy(update={"books": books})
        fault = None
    except Conflict as refused:
        after, fault = payment, refused.faults[0]
    early = [waiting for waiting in payment.early if waiting.sequence != notice.sequence]
    update = {"told": [*payment.told, notice], "early": early}
    return Counted(notice, after.model_copy(update=update), fault)
