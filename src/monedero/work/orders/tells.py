"""The changes of an order of which its buyer is told."""

from monedero.core.payment.state import State
from monedero.core.record import OrderRecord
from monedero.core.request import Asking

SAYS_NOTHING = (State.OPEN, State.AT_PROVIDER)


def tells(before: OrderRecord | None, after: OrderRecord) -> bool:
    """True if a change of an order is told to its buyer: a new state, and every amount taken or given back."""
    if after.state in SAYS_NOTHING:
        return False
    if before is None:
        return True
    if after.weighed and after.state is State.PART_TAKEN and _is_released(after):
        return False
    return _told(before) != _told(after)


def _is_released(record: OrderRecord) -> bool:
    """True if the rest of what was authorised is about to be released: what the buyer paid is told with that."""
    return any(request.what is Asking.RELEASE and not request.settled for request in record.requests)


def _told(record: OrderRecord) -> tuple[object, ...]:
    """Tells what of an order its buyer is told when it changes."""
    payment, books = record.payment, record.payment.books
    rest = record.rest
    # A rest that is let go because all of it goes back is told with that.
    let_go = rest is not None and rest.state is State.LAPSED and record.state is State.PAID and not record.asks
    amounts = (books.refunded, books.credited, books.taken, record.by_voucher, record.missing)
    return (payment.number, payment.state, *amounts, rest.books.taken if rest else 0, let_go)
