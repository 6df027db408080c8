"""What the buyer reads after paying, on the page and in the message; what the owner reads of an order's story.

Source: own design.
"""

from datetime import datetime
from typing import NamedTuple

from monedero.core.account import Mode
from monedero.core.payment import meaning
from monedero.core.payment.due import Due
from monedero.core.payment.meaning import Access, Goods, Seat
from monedero.core.payment.state import State
from monedero.core.ratecard.model import LineKind
from monedero.core.record import Happening, Message, OrderRecord
from monedero.core.tender.difference import Change
from monedero.wording import english, orders
from monedero.wording.places import country_name
from monedero.wording.show import day, money

SAYS_NOTHING = (State.OPEN, State.AT_PROVIDER)


class Page(NamedTuple):
    """A headline and a text."""

    headline: str
    text: str


def after_paying(record: OrderRecord) -> Page:
    """The page after paying; it names the tender, and says what happens next."""
    payment, books, state = record.payment, record.payment.books, record.state
    headline, text = orders.AFTER_PAYING[state]
    goods = record.kind is LineKind.GOODS
    given = bool(record.dispatched) if goods else bool(books.taken)
    fields = {
        "tender": payment.chosen.name,
        "amount": money(str(record.amount)),
        "taken": money(str(books.money(books.taken))),
        "back": money(str(books.money(books.refunded + books.credited))),
        "how_back": orders.BY_CREDIT.format(credit=money(str(books.money(books.credited))))
        if books.credited
        else "",
        "number": record.number,
        "line": record.line_name,
        "until": _day(orders.UNTIL, payment.until),
        "kept_until": _day(orders.KEPT_UNTIL, payment.until),
        "because": orders.BECAUSE.format(reason=payment.reason) if payment.reason else "",
        "when_taken": orders.WHEN_TAKEN[payment.chosen.take.value],
        "asks_back": orders.ASKS_BACK["goods" if goods else "other"] if given else "",
    }
    filled = text.format(**fields)
    if state is State.PAID:
        filled += orders.ON_ITS_WAY if record.dispatched else orders.GIVEN[record.kind.value]
    return Page(headline, f"{filled} {orders.TEST_NOTE}" if record.mode is Mode.TEST else filled)


def tells(before: OrderRecord | None, after: OrderRecord) -> bool:
    """Whether a change of an order is told to its buyer: a new state, and every amount taken or given back."""
    if after.state in SAYS_NOTHING:
        return False
    if before is None:
        return True
    old, new = before.payment, after.payment
    was = (old.number, old.state, old.books.refunded, old.books.credited, old.books.taken)
    return was != (new.number, new.state, new.books.refunded, new.books.credited, new.books.taken)


def letter(record: OrderRecord, shop: str, to: str, at: datetime) -> Message:
    """The message that tells the buyer how an order stands."""
    page = after_paying(record)
    subject = orders.SUBJECT.format(shop=shop, number=record.number, headline=page.headline)
    return Message(order=record.token, at=at, to=to, subject=subject, text=page.text)


def happened_text(happening: Happening) -> str:
    """One thing that happened to an order, in a sentence."""
    reason = happening.reason
    return orders.HAPPENED[happening.what].format(
        tender=happening.tender,
        amount=money(str(happening.amount)) if happening.amount else "",
        reason=reason,
        because=orders.BECAUSE.format(reason=reason) if reason else "",
        by=_day(orders.BY_DAY, happening.until),
        on=_day(orders.ON_DAY, happening.until),
    )


def due_text(entry: Due) -> str:
    """One thing that is due, in a sentence."""
    amount = money(str(entry.amount)) if entry.amount else ""
    return orders.DUE[entry.code].format(amount=amount) + _day(orders.DUE_BY, entry.by)


def meaning_text(record: OrderRecord) -> str:
    """What the state of an order means for what was ordered, in a few words."""
    means = meaning.of(record.state, record.payment.chosen.gives)
    if record.kind is LineKind.GOODS:
        goods = means.goods
        if goods is Goods.ASK_BACK and not record.dispatched:
            goods = Goods.KEEP_BACK
        if goods is Goods.SEND and record.all_out:
            return f"{orders.GOODS_OUT}; {orders.STOCK[means.stock]}"
        return f"{orders.GOODS[goods]}; {orders.STOCK[means.stock]}"
    if record.kind is LineKind.BOOKING:
        return orders.SEAT[means.seat if means.access is not Access.WITHDRAW else Seat.LET_GO]
    return orders.ACCESS[means.access]


def _day(text: str, at: datetime | None) -> str:
    return "" if at is None else text.format(day=day(at.date().isoformat()))


def change_text(change: Change) -> str:
    """One change of a checkout, in a sentence."""
    fields = dict(change.fields)
    if change.code.value == "tender-window":
        fields["after"] = _window(fields["after"])
    if fields.get("what") == "country":
        fields.update(before=country_name(fields["before"]), after=country_name(fields["after"]))
    if change.code.value == "market":
        country, currency = fields["name"].split(" ")
        fields["name"] = f"{country_name(country)} in {currency}"
    return english.CHANGES[change.code].format(**fields)


def _window(text: str) -> str:
    if not text:
        return english.ANY_AMOUNT
    for end, words in english.ENDS.items():
        text = text.replace(f"{end} ", f"{words} ")
    return text
