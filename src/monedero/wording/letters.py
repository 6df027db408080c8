"""What the buyer reads after paying, on the page and in the message; what the owner reads of an order's story.

Source: own design.
"""

from datetime import datetime
from typing import NamedTuple

from monedero.core.account import Mode
from monedero.core.money import Money
from monedero.core.payment import meaning
from monedero.core.payment.due import Due
from monedero.core.payment.meaning import AccessState, Goods, Seat
from monedero.core.payment.state import State
from monedero.core.ratecard.model import LineKind
from monedero.core.record import By, Happening, Message, OrderRecord
from monedero.wording import fault_text
from monedero.wording.catalogue import say
from monedero.wording.show import day, money

SAYS_NOTHING = (State.OPEN, State.AT_PROVIDER)


class Page(NamedTuple):
    """A headline and a text."""

    headline: str
    text: str


def after_paying(record: OrderRecord) -> Page:
    """The page after paying; it names the tender, and says what happens next."""
    payment, books, state = record.payment, record.payment.books, record.state
    goods = record.kind is LineKind.GOODS
    given = bool(record.dispatched) if goods else bool(books.taken)
    fields = {
        "tender": payment.chosen.name,
        "amount": money(str(payment.total)),
        "taken": money(str(books.money(books.taken))),
        "back": money(str(books.money(books.refunded + books.credited))),
        "how_back": say("by-credit", credit=money(str(books.money(books.credited)))) if books.credited else "",
        "number": str(record.number),
        "line": record.line_name,
        "until": _day("until", payment.until),
        "kept_until": _day("kept-until", payment.until),
        "because": _because(payment.reason),
        "when_taken": say(f"when-taken-{payment.chosen.take.value}"),
        "asks_back": say(f"asks-back-{'goods' if goods else 'other'}") if given else "",
    }
    message = f"after-paying-{state.value}"
    told = [say(f"{message}.text", **fields).rstrip()]
    if state is State.PAID:
        told.append(say("on-its-way" if record.dispatched else f"given-{record.kind.value}"))
    if record.mode is Mode.TEST:
        told.append(say("test-order"))
    return Page(say(message), " ".join(told))


def fee_name(fee: Money | None) -> str:
    """What a buyer reads beside a fee that has no name of its own; nothing where there is no fee."""
    if fee is None:
        return ""
    return say("fee-name-less" if fee.minor < 0 else "fee-name-more")


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
    subject = say("letter-subject", shop=shop, number=str(record.number), headline=page.headline)
    return Message(order=record.token, at=at, to=to, subject=subject, text=page.text)


def happened_text(happening: Happening) -> str:
    """One thing that happened to an order, in a sentence."""
    reason = fault_text(happening.fault) if happening.fault else happening.reason
    return say(
        f"happened-{happening.what.value}",
        tender=happening.tender,
        amount=money(str(happening.amount)) if happening.amount else "",
        reason=reason,
        said="yes" if reason else "no",
        because=_because(reason),
        by=_day("by-day", happening.until),
        on=_day("on-day", happening.until),
    )


def due_text(entry: Due) -> str:
    """One thing that is due, in a sentence."""
    amount = money(str(entry.amount)) if entry.amount else ""
    return say(f"due-{entry.code.value}", amount=amount) + _day("by-day", entry.by)


def meaning_text(record: OrderRecord) -> str:
    """What the state of an order means for what was ordered, in a few words."""
    means = meaning.of(record.state, record.payment.chosen.gives)
    if record.kind is LineKind.GOODS:
        goods = means.goods
        if goods is Goods.ASK_BACK and not record.dispatched:
            goods = Goods.KEEP_BACK
        if goods is Goods.SEND and record.all_out:
            return f"{say('goods-out')}; {say(f'stock-{means.stock.value}')}"
        return f"{say(f'goods-{goods.value}')}; {say(f'stock-{means.stock.value}')}"
    if record.kind is LineKind.BOOKING:
        seat = means.seat if means.access is not AccessState.WITHDRAW else Seat.LET_GO
        return say(f"seat-{seat.value}")
    return say(f"access-{means.access.value}")


def state_text(state: State) -> str:
    """A state in a word or two."""
    return say(f"state-{state.value}")


def by_text(by: By) -> str:
    """Who did something."""
    return say(f"by-{by.value}")


def nothing_due_text() -> str:
    """What is said of an order on which nothing is due."""
    return say("nothing-due")


def _because(reason: str) -> str:
    return say("because", reason=reason) if reason else ""


def _day(message: str, at: datetime | None) -> str:
    return "" if at is None else say(message, day=day(at.date().isoformat()))
