"""Tells what is due next on an order, from whom, and by when.

Source: own design.

>>> Due(Who.BUYER, DueCode.PAY, None, None).code.value
'pay'
"""

from collections.abc import Iterable
from datetime import datetime
from enum import StrEnum
from typing import NamedTuple

from monedero.core.money import Money
from monedero.core.order.kinds import LineKind
from monedero.core.payment import meaning
from monedero.core.payment.meaning import Goods, Meaning
from monedero.core.payment.state import CAN_CHOOSE_ANOTHER, State
from monedero.core.record import OrderRecord


class Who(StrEnum):
    """Names who has something to do."""

    BUYER = "buyer"
    SHOP = "shop"
    PROVIDER = "provider"


class DueCode(StrEnum):
    """Names what is due."""

    FINISH = "finish"
    CHOOSE = "choose"
    PAY = "pay"
    PAY_OVERDUE = "pay-overdue"
    PAY_REST = "pay-rest"
    OWES = "owes"
    OWES_MISSING = "owes-missing"
    LOOK_AT_RECEIPT = "look-at-receipt"
    TAKE = "take"
    SEND = "send"
    WEIGH = "weigh"
    ASK_BACK = "ask-back"
    ANSWER_DISPUTE = "answer-dispute"
    REFUND_DOUBLE = "refund-double"
    CONFIRM = "confirm"
    ANSWER_REQUEST = "answer-request"


class Due(NamedTuple):
    """One thing that is due, by a moment and about an amount where it has them."""

    who: Who
    code: DueCode
    by: datetime | None
    amount: Money | None


def due(record: OrderRecord) -> list[Due]:
    """All that is due on an order; nothing where it is settled."""
    return [*_money(record), *_goods(record), *_asked(record)]


_CAN_ONLY_CHOOSE = CAN_CHOOSE_ANOTHER - {State.AT_PROVIDER, State.AWAITING_PAYMENT, State.OVERDUE}


def _money(record: OrderRecord) -> Iterable[Due]:
    payment, state, books = record.payment, record.state, record.payment.books
    ordered = books.money(books.ordered)
    if state is State.AT_PROVIDER:
        yield Due(Who.BUYER, DueCode.FINISH, None, ordered)
    if state in _CAN_ONLY_CHOOSE:
        yield Due(Who.BUYER, DueCode.CHOOSE, None, ordered)
    if state is State.AWAITING_PAYMENT:
        yield Due(Who.BUYER, DueCode.PAY, payment.until, ordered)
    if state is State.OVERDUE:
        yield Due(Who.BUYER, DueCode.PAY_OVERDUE, payment.until, ordered)
    if state is State.RECEIPT_SENT:
        yield Due(Who.SHOP, DueCode.LOOK_AT_RECEIPT, None, ordered)
    if state is State.CONFIRMING:
        yield Due(Who.PROVIDER, DueCode.CONFIRM, payment.until, ordered)
    if record.to_take:
        yield Due(Who.SHOP, DueCode.TAKE, payment.until, books.money(record.to_take))
    if record.rest_owed:
        yield Due(Who.BUYER, DueCode.PAY_REST, None, record.rest_owed)
    if state is State.DISPUTED:
        yield Due(Who.SHOP, DueCode.ANSWER_DISPUTE, payment.until, books.money(books.disputed))
    if record.missing:
        yield Due(Who.BUYER, DueCode.OWES_MISSING, None, record.missing)
    if books.returned or books.lost:
        yield Due(Who.BUYER, DueCode.OWES, None, books.money(books.returned + books.lost))
    for other in record.paid_twice:
        yield Due(Who.SHOP, DueCode.REFUND_DOUBLE, None, other.books.money(other.books.can_give_back))


def means(record: OrderRecord) -> Meaning:
    """Tells what the state of an order means for what was ordered."""
    return meaning.NOT_ALL_PAID if record.missing else meaning.of(record.state, record.payment.chosen.gives)


def _goods(record: OrderRecord) -> Iterable[Due]:
    goods = means(record).goods
    sent = sum(entry.amount.minor for entry in record.dispatched)
    if record.kind is not LineKind.GOODS:
        return
    if record.weighs:
        yield Due(Who.SHOP, DueCode.WEIGH, record.payment.until, record.amount)
    elif goods is Goods.SEND and sent < record.amount.minor:
        yield Due(Who.SHOP, DueCode.SEND, None, Money(record.amount.minor - sent, record.amount.currency))
    if goods is Goods.ASK_BACK and sent:
        yield Due(Who.SHOP, DueCode.ASK_BACK, None, Money(sent, record.amount.currency))


def _asked(record: OrderRecord) -> Iterable[Due]:
    for request in record.requests:
        if not request.settled:
            yield Due(Who.PROVIDER, DueCode.ANSWER_REQUEST, None, request.amount)
