"""Tells what a buyer reads of an order after paying, in the buyer's language: a headline and a sentence for its state.

Source: own design.
"""

from collections.abc import Mapping
from datetime import datetime
from typing import NamedTuple

from monedero.core.account import Mode
from monedero.core.money import Money
from monedero.core.order.kinds import LineKind
from monedero.core.payment.payment import BY_VOUCHER, ON_THE_DAY
from monedero.core.payment.state import HOLDS_MONEY, State
from monedero.core.record import OrderRecord
from monedero.wording.buyer_formats import day, money
from monedero.wording.buyers import called, tell
from monedero.wording.tender_name import buyers_tender_name


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
    return buyers_tender_name(record.payment.chosen)


def line_called(record: OrderRecord) -> str:
    """Tells what was ordered, by the name that its buyer reads; of a cart the first line and how many more there
    are.
    """
    if not record.items:
        return called(record.line_name, record.line_names)
    first, more = record.items[0], len(record.items) - 1
    name = called(first.name, first.names)
    return tell("line-and-more", line=name, more=more) if more else name


def after_paying(record: OrderRecord) -> Page:
    """The page after paying; it names the tender, and says what happens next."""
    payment, books, state = record.payment, record.payment.books, record.state
    rest = record.rest.books if record.rest else None
    goods = record.kind is LineKind.GOODS
    # Vouchers that paid all of it are what was paid, and what went back to them is what came back.
    all_of_it = None
    back = books.money(books.refunded + books.credited + (rest.refunded if rest else 0))
    if payment.chosen.tender == BY_VOUCHER:
        all_of_it = Money(sum(part.paid for part in record.vouchers), record.amount.currency)
        back = Money(sum(part.back for part in record.vouchers), record.amount.currency)
    given = bool(record.dispatched) if goods else bool(books.taken) or all_of_it is not None
    fields = {
        "tender": buyers_name(record),
        "amount": money(all_of_it or payment.total),
        "taken": money(all_of_it or books.money(books.taken + (rest.taken if rest else 0))),
        "back": money(back),
        "missing": money(record.missing) if record.missing else "",
        "how_back": tell("by-credit", credit=money(books.money(books.credited))) if books.credited else "",
        "number": str(record.number),
        "line": line_called(record),
        "until": _day("until", payment.until),
        "kept_until": _day("kept-until", payment.until),
        "because": tell("because", reason=payment.reason) if payment.reason else "",
        "when_taken": tell(f"when-taken-{payment.chosen.take.value}"),
        "asks_back": tell(f"asks-back-{'goods' if goods else 'other'}") if given else "",
    }
    message = f"after-paying-{_message(record)}"
    besides = _later(record)
    if state is State.PAID and record.missing is None:
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


def _message(record: OrderRecord) -> str:
    """The message of a state; what is paid on the day has messages of its own."""
    if record.payment.chosen.tender == ON_THE_DAY and record.state is State.AWAITING_PAYMENT:
        return "on-the-day"
    if record.state is State.PAID and record.missing is not None:
        return "part-missing"
    return "deposit-paid" if record.state is State.PAID and record.rest_owed else record.state.value


def _later(record: OrderRecord) -> list[str]:
    """Tells what is said of what is paid later: the rest of a booking, and what weighed goods come to."""
    said = []
    if record.rest_owed:
        said.append(tell("rest-owed", amount=money(record.rest_owed)))
    if record.rest and record.rest.books.taken and record.state is State.PAID:
        said.append(tell("rest-paid", amount=money(record.rest.total)))
    if record.rest and record.rest.state is State.LAPSED and record.state is State.PAID:
        said.append(tell("rest-let-go", amount=money(record.rest.total)))
    if record.weighed and record.state is State.AUTHORISED and record.came_to is None:
        said.append(tell("weighed-later"))
    if record.came_to and record.state is State.PAID:
        said.append(tell("weighed-came-to", amount=money(record.came_to), most=money(record.order.amount)))
    return said


def fee_name(fee: Money | None, names: Mapping[str, str] | None = None) -> str:
    """Tells what a buyer reads beside a fee: its own name in the buyer's language, else the first; nothing without a
    fee.
    """
    if fee is None:
        return ""
    if names:
        return called(next(iter(names.values())), names)
    return tell("fee-name-less" if fee.minor < 0 else "fee-name-more")


def _day(message: str, at: datetime | None) -> str:
    return "" if at is None else tell(message, day=day(at.date()))
