"""The letter that the buyer of an order gets, as it is asked for: the server gives order intake the function that words
it.
"""

from collections.abc import Callable, Sequence
from typing import NamedTuple

from monedero.core.record import OrderRecord
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.context import Context
from monedero.work.orders.vouchers import Issued


class LetterAsked(NamedTuple):
    """The order that a letter is about, with the link to its page and the vouchers that were issued for it."""

    context: Context
    snapshot: CheckoutSnapshot
    record: OrderRecord
    link: str
    issued: Sequence[Issued]


class Letter(NamedTuple):
    """A letter in words."""

    subject: str
    text: str


Write = Callable[[LetterAsked], Letter]
