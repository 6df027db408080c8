"""Tells what the owner reads of an order: its state, its story, what is due, and what its state means.

Source: own design.
"""

from datetime import datetime

from monedero.core import due
from monedero.core.due import Due
from monedero.core.order.kinds import LineKind
from monedero.core.payment.meaning import AccessState, Goods, Seat
from monedero.core.payment.state import State
from monedero.core.record import By, Happening, OrderRecord
from monedero.wording import fault_text
from monedero.wording.catalogue import say
from monedero.wording.show import day, money
from monedero.wording.tender_name import tender_of


def happened_text(record: OrderRecord, happening: Happening) -> str:
    """One thing that happened to an order, in a sentence."""
    reason = fault_text(happening.fault) if happening.fault else happening.reason
    return say(
        f"happened-{happening.what.value}",
        tender=tender_of(record, happening),
        amount=money(str(happening.amount)) if happening.amount else "",
        reason=reason,
        said="yes" if reason else "no",
        because=_because(reason),
        by=_day("by-day", happening.until),
        on=_day("on-day", happening.until),
    )


def order_called(record: OrderRecord) -> str:
    """Tells what was ordered, as the owner calls it: the line, or the first of a cart and how many more there are."""
    more = len(record.items) - 1
    return say("line-and-more", line=record.line_name, more=more) if more > 0 else record.line_name


def due_text(entry: Due) -> str:
    """One thing that is due, in a sentence."""
    amount = money(str(entry.amount)) if entry.amount else ""
    return say(f"due-{entry.code.value}", amount=amount) + _day("by-day", entry.by)


def meaning_text(record: OrderRecord) -> str:
    """Tells what the state of an order means for what was ordered, in a few words."""
    means = due.means(record)
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


def standing_text(record: OrderRecord) -> str:
    """Tells where an order stands, in a word or two; one of which a part is owed is not said to be paid."""
    if record.state is State.PAID and record.missing:
        return say("state-part-missing")
    return (
        say("state-deposit-paid") if record.state is State.PAID and record.rest_owed else state_text(record.state)
    )


def state_text(state: State) -> str:
    """A state in a word or two."""
    return say(f"state-{state.value}")


def by_text(by: By) -> str:
    """Tells who did something."""
    return say(f"by-{by.value}")


def nothing_due_text() -> str:
    """Tells what is said of an order on which nothing is due."""
    return say("nothing-due")


def _because(reason: str) -> str:
    return say("because", reason=reason) if reason else ""


def _day(message: str, at: datetime | None) -> str:
    return "" if at is None else say(message, day=day(at.date().isoformat()))
