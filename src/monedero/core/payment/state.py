"""A payment is a state and the moves that it allows; what a state does not allow is refused and changes nothing.

The tables below are the machine. A move whose next state is None ends where the books say (`by_books`): the same
refund makes a payment partly or wholly refunded, and a lapse after part was taken leaves a paid one. Every move says
in which states it may be made; how much it may be is the books' own rule.

Source: own design.

>>> next_state(State.AT_PROVIDER, Move.DECLINED).value
'declined'
>>> next_state(State.DECLINED, Move.TAKEN)
Traceback (most recent call last):
...
monedero.core.errors.Conflict: move-not-allowed move='taken'
"""

from enum import StrEnum

from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.payment.books import Books


class State(StrEnum):
    """Names where a payment stands; the first is an order for which no way to pay is chosen."""

    OPEN = "open"
    # With a provider.
    AT_PROVIDER = "at-provider"
    CONFIRMING = "confirming"
    AUTHORISED = "authorised"
    DECLINED = "declined"
    ABANDONED = "abandoned"
    EXPIRED = "expired"
    RELEASED = "released"
    AUTHORISATION_LAPSED = "authorisation-lapsed"
    # By an arrangement of the shop's own.
    AWAITING_PAYMENT = "awaiting-payment"
    RECEIPT_SENT = "receipt-sent"
    OVERDUE = "overdue"
    LAPSED = "lapsed"
    # With money.
    PART_TAKEN = "part-taken"
    PAID = "paid"
    PART_REFUNDED = "part-refunded"
    REFUNDED = "refunded"
    DISPUTED = "disputed"
    DISPUTE_LOST = "dispute-lost"
    RETURNED = "returned"


class Move(StrEnum):
    """Names what can happen to a payment."""

    AUTHORISED = "authorised"
    CONFIRMING = "confirming"
    PAID = "paid"
    DECLINED = "declined"
    ABANDONED = "abandoned"
    EXPIRED = "expired"
    TAKEN = "taken"
    RELEASED = "released"
    AUTHORISATION_LAPSED = "authorisation-lapsed"
    REFUNDED = "refunded"
    CREDITED = "credited"
    DISPUTED = "disputed"
    DISPUTE_WON = "dispute-won"
    DISPUTE_LOST = "dispute-lost"
    RETURNED = "returned"
    RECEIPT_SENT = "receipt-sent"
    RECEIPT_REFUSED = "receipt-refused"
    OVERDUE = "overdue"
    LAPSED = "lapsed"


Nexts = dict[Move, State | None]

# Moves of money: the books say which state they end in, and how much they may move.
_OPEN_REST: Nexts = {Move.TAKEN: None, Move.RELEASED: None, Move.AUTHORISATION_LAPSED: None}
_GIVE_BACK: Nexts = {Move.REFUNDED: None, Move.CREDITED: None, Move.DISPUTED: None, Move.RETURNED: None}
# An order that holds a voucher and is not tried again is given up.
_GIVEN_UP: Nexts = {Move.LAPSED: State.LAPSED}
_CONTEST: Nexts = {Move.DISPUTE_WON: None, Move.DISPUTE_LOST: None}

MOVES: dict[State, Nexts] = {
    State.OPEN: {},
    State.AT_PROVIDER: {
        Move.PAID: None,
        Move.AUTHORISED: None,
        Move.CONFIRMING: State.CONFIRMING,
        Move.DECLINED: State.DECLINED,
        Move.ABANDONED: State.ABANDONED,
        Move.EXPIRED: State.EXPIRED,
    },
    State.CONFIRMING: {Move.PAID: None, Move.DECLINED: State.DECLINED},
    State.AUTHORISED: _OPEN_REST,
    State.DECLINED: _GIVEN_UP,
    State.ABANDONED: _GIVEN_UP,
    State.EXPIRED: _GIVEN_UP,
    State.RELEASED: _GIVEN_UP,
    State.AUTHORISATION_LAPSED: _GIVEN_UP,
    State.AWAITING_PAYMENT: {
        Move.PAID: None,
        Move.RECEIPT_SENT: State.RECEIPT_SENT,
        Move.OVERDUE: State.OVERDUE,
        Move.LAPSED: State.LAPSED,
    },
    State.RECEIPT_SENT: {Move.PAID: None, Move.RECEIPT_REFUSED: State.AWAITING_PAYMENT},
    State.OVERDUE: {Move.PAID: None, Move.RECEIPT_SENT: State.RECEIPT_SENT, Move.LAPSED: State.LAPSED},
    State.LAPSED: {Move.PAID: None},
    State.PART_TAKEN: _OPEN_REST | _GIVE_BACK,
    State.PAID: _GIVE_BACK,
    State.PART_REFUNDED: _OPEN_REST | _GIVE_BACK,
    State.REFUNDED: _OPEN_REST | {Move.DISPUTED: None, Move.RETURNED: None},
    State.DISPUTED: _OPEN_REST | _GIVE_BACK | _CONTEST,
    State.DISPUTE_LOST: _OPEN_REST | _GIVE_BACK,
    State.RETURNED: {},
}

# Until then a buyer may choose another way to pay.
CAN_CHOOSE_ANOTHER = frozenset(
    {
        State.OPEN,
        State.AT_PROVIDER,
        State.DECLINED,
        State.ABANDONED,
        State.EXPIRED,
        State.RELEASED,
        State.AUTHORISATION_LAPSED,
        State.AWAITING_PAYMENT,
        State.OVERDUE,
        State.LAPSED,
    }
)
# A try to pay came to nothing by these.
FAILED = frozenset(
    {*(State.DECLINED, State.ABANDONED, State.EXPIRED), *(State.RELEASED, State.AUTHORISATION_LAPSED)}
)
# The shop has, or will have, the buyer's money by these.
HOLDS_MONEY = frozenset(
    {
        State.CONFIRMING,
        State.AUTHORISED,
        State.PART_TAKEN,
        State.PAID,
        State.PART_REFUNDED,
        State.DISPUTED,
    }
)


def next_state(state: State, move: Move) -> State | None:
    """The state after a move, None where the books say it; a move that the state does not allow is refused."""
    if move not in MOVES[state]:
        raise Conflict(Fault(FaultCode.MOVE_NOT_ALLOWED, "move", move.value, {"state": state.value}))
    return MOVES[state][move]


def by_books(books: Books, move: Move) -> State:
    """The state that books with money authorised in them stand for; `move` is what led there."""
    gone = books.refunded + books.credited
    back = State.REFUNDED if gone >= books.taken and not books.open else State.PART_REFUNDED
    told = (
        (books.disputed, State.DISPUTED),
        (books.returned, State.RETURNED),
        (books.lost, State.DISPUTE_LOST),
        (gone, back),
        (books.taken, State.PART_TAKEN if books.open else State.PAID),
        (books.open, State.AUTHORISED),
    )
    nothing = State.RELEASED if move is Move.RELEASED else State.AUTHORISATION_LAPSED
    return next((state for amount, state in told if amount), nothing)
