"""Buyers who come again: the way to pay that one used last."""

from monedero.core.payment.state import State
from monedero.work.context import Context


def usual(context: Context, buyer: str) -> str | None:
    """The tender with which a buyer who comes again paid last; None where nothing is known."""
    if not buyer:
        return None
    for record in context.shop.orders.of_buyer(buyer, context.mode):
        if record.payment.books.taken or record.state is State.CONFIRMING:
            return record.payment.chosen.tender
    return None
