"""A payment is a state and the moves it allows; what is not allowed is refused and changes nothing.

A buyer may choose another way to pay until the order is paid; a paid order is settled.

Source: own design.

>>> after(State.AT_PROVIDER, Move.DECLINED).value
'declined'
>>> after(State.PAID, Move.DECLINED)
Traceback (most recent call last):
...
monedero.core.errors.Conflict: order-settled state=''
"""

from enum import StrEnum

from monedero.core.errors import Conflict, Fault, FaultCode


class State(StrEnum):
    """Where the payment of an order stands."""

    OPEN = "open"
    AT_PROVIDER = "at-provider"
    AWAITING_PAYMENT = "awaiting-payment"
    PAID = "paid"
    DECLINED = "declined"


class Move(StrEnum):
    """What can happen to it."""

    PLACED = "placed"
    SENT_TO_PROVIDER = "sent-to-provider"
    ARRANGED = "arranged"
    PAID = "paid"
    DECLINED = "declined"
    OUTCOME_SET_ASIDE = "outcome-set-aside"


_CHOOSE = {Move.SENT_TO_PROVIDER: State.AT_PROVIDER, Move.ARRANGED: State.AWAITING_PAYMENT}

MOVES: dict[State, dict[Move, State]] = {
    State.OPEN: _CHOOSE,
    State.AT_PROVIDER: {**_CHOOSE, Move.PAID: State.PAID, Move.DECLINED: State.DECLINED},
    State.DECLINED: _CHOOSE,
    State.AWAITING_PAYMENT: _CHOOSE,
    State.PAID: {},
}


def after(state: State, move: Move) -> State:
    """The state after a move; a move that the state does not allow is refused."""
    if move not in MOVES[state]:
        raise Conflict(Fault(FaultCode.ORDER_SETTLED, "state", "", {"state": state.value, "move": move.value}))
    return MOVES[state][move]
