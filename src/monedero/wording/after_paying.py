"""What a buyer reads of an order after paying, in the buyer's language: a headline and a sentence for its state.

Source: own design.
"""

from datetime import datetime
from typing import NamedTuple

from monedero.core.account import Mode
from monedero.core.money import Money
from monedero.core.payment.state import HOLDS_MONEY, State
from monedero.core.ratecard.model import LineKind
from monedero.core.record import OrderRecord
from monedero.wording.buyer_formats import day, money
from monedero.wording.buyers import tell

SAYS_NOTHING = (State.OPEN, State.AT_PROVIDER)


class Page(NamedTuple):
    """A headline, the sentence about the state, and what is said besides: what follows, and that it is a test."""

    headline: str
    sentence: str
    besides: str

    @property
    def text(self) -> str:
        """All of it below the headline."""
        return " ".join(filter(None, (self.sentence, self.besides)))


def buyers_name(record: OrderRecord) -> str:
    """The way to pay by the name that its buyer read."""
    chosen = record.payment.chosen
    return chosen.buyers_name or chosen.name


def after_paying(record: OrderRecord) -> Page:
    """The page after paying; it names the tender, and says what happens next."""
    payment, books, state = record.payment, record.payment.books, record.state
    goods = record.kind is LineKind.GOODS
    # Where vouchers paid all of it, that is what was paid.
    all_of_it = record.by_voucher if record.vouchers and not payment.total.minor else None
    given = bool(record.dispatched) if goods else bool(books.taken)
    fields = {
        "tender": buyers_name(record),
        "amount": money(all_of_it or payment.total),
        "taken": money(all_of_it or books.money(books.taken)),
        "back": money(books.money(books.refunded + books.credited)),
        "how_back": tell("by-credit", credit=money(books.money(books.credited))) if books.credited else "",
        "number": str(record.number),
        "line": record.line_name,
        "until": _day("until", payment.until),
        "kept_until": _day("kept-until", payment.until),
        "because": tell("because", reason=payment.reason) if payment.reason else "",
        "when_taken": tell(f"when-taken-{payment.chosen.take.value}"),
        "asks_back": tell(f"asks-back-{'goods' if goods else 'other'}") if given else "",
    }
    message = f"after-paying-{state.value}"
    besides = []
    if state is State.PAID:
        besides.append(tell("on-its-way" if record.dispatched else f"given-{record.kind.value}"))
    for part in record.vouchers if all_of_it is None else ():
        if part.held and state in HOLDS_MONEY:
            held = Money(part.held, record.amount.currency)
            besides.append(tell("voucher-paid", amount=money(held), ends=part.ends_in))
    for part in record.vouchers:
        if part.returned:
            besides.append(tell("voucher-back", amount=money(part.returned), ends=part.ends_in))
    if record.mode is Mode.TEST:
        besides.append(tell("test-order"))
    return Page(tell(message), tell(f"{message}.text", **fields).rstrip(), " ".join(besides))


def fee_name(fee: Money | None) -> str:
    """What a buyer reads beside a fee that has no name of its own; nothing where there is no fee."""
    if fee is None:
        return ""
    return tell("fee-name-less" if fee.minor < 0 else "fee-name-more")


def tells(before: OrderRecord | None, after: OrderRecord) -> bool:
    """Whether a change of an order is told to its buyer: a new state, and every amount taken or given back."""
    if after.state in SAYS_NOTHING:
        return False
    if before is None:
        return True
    old, new = before.payment, after.payment
    was = (old.number, old.state, old.books.refunded, old.books.credited, old.books.taken, before.by_voucher)
    return was != (
        new.number,
        new.state,
        new.books.refunded,
        new.books.credited,
        new.books.taken,
        after.by_voucher,
    )


def _day(message: str, at: datetime | None) -> str:
    return "" if at is None else tell(message, day=day(at.date()))
