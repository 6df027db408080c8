"""Tells what the owner can do with an order now."""

from monedero.api.desk.order_schemas import Can
from monedero.core.order.kinds import LineKind
from monedero.core.payment.state import State
from monedero.core.record import OrderRecord
from monedero.core.request import Asking
from monedero.work.orders import order_events
from monedero.work.orders.acts import UNDER_WAY, UNPAID
from monedero.work.orders.bounds import can_give_back, can_take, rest_kept


def can_now(record: OrderRecord) -> Can:
    """Tells what can be done now, with what was asked before and is not answered yet left out."""
    payment, books = record.payment, record.payment.books

    def some(minor: int) -> str | None:
        return str(books.money(minor)) if minor > 0 else None

    take, back = can_take(record), can_give_back(record, payment)
    open_ = books.open - order_events.asked_for(record, payment.number, Asking.TAKE)
    shared = back + rest_kept(record) + record.by_voucher.minor if back or record.state not in UNDER_WAY else 0
    sent = sum(entry.amount.minor for entry in record.dispatched)
    own = payment.chosen.provider is None
    twice = record.paid_twice
    goods = record.kind is LineKind.GOODS and (payment.books.authorised or own)
    return Can(
        take=some(take),
        release=open_ > 0 and not (record.weighed and record.came_to),
        refund=some(shared),
        credit=some(back),
        send=some(record.amount.minor - sent) if goods and not record.weighed else None,
        weigh=str(record.goods) if record.weighs else None,
        mark_paid=own and record.state in UNPAID,
        refuse_receipt=record.state is State.RECEIPT_SENT,
        rest_paid=str(record.rest_payable) if record.rest_payable else None,
        rest_let_go=record.rest_owed is not None,
        refund_double=some(twice[0].books.can_give_back) if twice else None,
    )
