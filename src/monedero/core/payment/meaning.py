"""Tells what the state of a payment means for goods, access, stock and seat: at certainty, not at hope.

One row for each state. Where the tender gives with the order already (cash at the pier), what waits for certainty is
given while the money is still to come. What was given and is no longer paid for is asked back.

Source: own design.

>>> of(State.CONFIRMING, Gives.AT_CERTAINTY).goods.value
'keep-back'
>>> of(State.CONFIRMING, Gives.AT_ORDER).goods.value
'send'
"""

from enum import StrEnum
from typing import NamedTuple

from monedero.core.payment.payment import Gives
from monedero.core.payment.state import State


class Goods(StrEnum):
    """Names what to do with goods."""

    KEEP_BACK = "keep-back"
    SEND = "send"
    ASK_BACK = "ask-back"


class AccessState(StrEnum):
    """Names what to do with access to a download, a course or a membership."""

    WAIT = "wait"
    GIVE = "give"
    WITHDRAW = "withdraw"


class Stock(StrEnum):
    """Names what to do with the stock of the line."""

    HOLD = "hold"
    SOLD = "sold"
    FREE = "free"


class Seat(StrEnum):
    """Names what to do with the seat of a booking."""

    HOLD = "hold"
    KEEP = "keep"
    LET_GO = "let-go"


class Meaning(NamedTuple):
    """Holds what a state means for the order."""

    goods: Goods
    access: AccessState
    stock: Stock
    seat: Seat


_HELD = Meaning(Goods.KEEP_BACK, AccessState.WAIT, Stock.HOLD, Seat.HOLD)
_GIVEN = Meaning(Goods.SEND, AccessState.GIVE, Stock.SOLD, Seat.KEEP)
_OVER = Meaning(Goods.KEEP_BACK, AccessState.WAIT, Stock.FREE, Seat.LET_GO)
_UNPAID = Meaning(Goods.ASK_BACK, AccessState.WITHDRAW, Stock.SOLD, Seat.LET_GO)

MEANING: dict[State, Meaning] = {
    State.OPEN: _HELD,
    State.AT_PROVIDER: _HELD,
    State.CONFIRMING: _HELD,
    # The money is certain, and is taken when the goods go out.
    State.AUTHORISED: Meaning(Goods.SEND, AccessState.WAIT, Stock.HOLD, Seat.KEEP),
    State.DECLINED: _HELD,
    State.ABANDONED: _HELD,
    State.EXPIRED: _HELD,
    State.RELEASED: _OVER,
    State.AUTHORISATION_LAPSED: _OVER,
    State.AWAITING_PAYMENT: _HELD,
    State.RECEIPT_SENT: _HELD,
    State.OVERDUE: _HELD,
    State.LAPSED: _OVER,
    State.PART_TAKEN: _GIVEN,
    State.PAID: _GIVEN,
    State.PART_REFUNDED: _GIVEN,
    State.REFUNDED: Meaning(Goods.ASK_BACK, AccessState.WITHDRAW, Stock.FREE, Seat.LET_GO),
    # Things that were given stay; what was not yet sent waits for the answer.
    State.DISPUTED: Meaning(Goods.KEEP_BACK, AccessState.GIVE, Stock.SOLD, Seat.KEEP),
    State.DISPUTE_LOST: _UNPAID,
    State.RETURNED: _UNPAID,
}
_WITH_THE_ORDER = frozenset({State.CONFIRMING, State.AUTHORISED, State.AWAITING_PAYMENT, State.RECEIPT_SENT})


NOT_ALL_PAID = _HELD
"""An order with a part missing gives nothing, whatever the state of its payment."""


def of(state: State, gives: Gives) -> Meaning:
    """Tells what a state means for an order whose tender gives at certainty, or with the order."""
    if gives is Gives.AT_ORDER and state in _WITH_THE_ORDER:
        return _GIVEN
    return MEANING[state]
