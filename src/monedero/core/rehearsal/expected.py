"""The end that a case is to come to, by its outcome and the terms of its tender, and how what came differs from it.

It is worked out from the outcome alone, not from the record of an order: a payment machine, a letter or a provider
that does something else is then seen.

Source: own design; a debit that is confirmed later gives nothing before (`core/payment/meaning.py`).

>>> told = Told(Outcome.PART_REFUNDED, total=8500, part=4250, takes_later=False, gives=Gives.AT_CERTAINTY)
>>> expected(told)
Expected(state=<State.PART_REFUNDED: 'part-refunded'>, taken=8500, back=4250, messages=2, early=None, given=True)
>>> came = Came(State.PAID, taken=8500, back=0, messages=1, early=None, given=True)
>>> [difference.what.value for difference in differences(expected(told), came)]
['state', 'back', 'messages']
"""

from collections.abc import Iterator
from enum import StrEnum
from typing import NamedTuple

from monedero.core.money import round_half_up
from monedero.core.payment.payment import Gives
from monedero.core.payment.state import State
from monedero.core.rehearsal.cases import Outcome


class Told(NamedTuple):
    """The terms of a case: its outcome, all that its buyer pays with the tender, and the part that is given back, in
    minor units; when money is taken and things are given, and whether an unpaid order becomes overdue before it ends.
    With `certain_later` the money is on its way for a while after the buyer has paid.
    `voucher` is what a voucher pays besides: of a part that is given back it gets its share, and is told of by itself.
    """

    outcome: Outcome
    total: int
    part: int
    takes_later: bool
    gives: Gives
    overdue: bool = False
    voucher: int = 0
    certain_later: bool = False


class Expected(NamedTuple):
    """The end of a case: its state, what is taken and given back in minor units, and how many messages are sent.

    `early` is whether things are given while the money is still to come (None: it is never to come), `given` whether
    the buyer has them at the end (None: it is not said).
    """

    state: State
    taken: int
    back: int
    messages: int
    early: bool | None
    given: bool | None


class Came(NamedTuple):
    """The end to which a case came, in the same terms."""

    state: State
    taken: int
    back: int
    messages: int
    early: bool | None
    given: bool | None


class What(StrEnum):
    """The things that can differ."""

    STATE = "state"
    TAKEN = "taken"
    BACK = "back"
    MESSAGES = "messages"
    EARLY = "early"
    GIVEN = "given"
    FEE = "fee"
    DUE_DAY = "due-day"
    BLANK = "blank"
    OFFERED = "offered"
    FAILED = "failed"


class Difference(NamedTuple):
    """One thing that came otherwise than it should: both as texts."""

    what: What
    expected: str
    came: str


# By outcome: the state at the end, whether money is taken, and how many messages are sent.
_ENDS: dict[Outcome, tuple[State, bool, int]] = {
    **dict.fromkeys(
        (Outcome.PAID, Outcome.PAID_AND_GONE, Outcome.TOLD_TWICE, Outcome.NEVER_TOLD), (State.PAID, True, 1)
    ),
    Outcome.PAID_LATER: (State.PAID, True, 2),
    Outcome.FAILS_LATER: (State.DECLINED, False, 2),
    Outcome.DECLINED: (State.DECLINED, False, 1),
    Outcome.NOT_CONFIRMED: (State.DECLINED, False, 1),
    Outcome.ABANDONED: (State.ABANDONED, False, 1),
    Outcome.EXPIRED: (State.EXPIRED, False, 1),
    Outcome.NOT_TAKEN: (State.AUTHORISATION_LAPSED, False, 2),
    Outcome.REFUNDED: (State.REFUNDED, True, 2),
    Outcome.PART_REFUNDED: (State.PART_REFUNDED, True, 2),
    Outcome.DISPUTE_LOST: (State.DISPUTE_LOST, True, 3),
    Outcome.TAKEN_BACK: (State.RETURNED, True, 2),
    Outcome.SEEN: (State.PAID, True, 2),
    Outcome.UNPAID: (State.LAPSED, False, 2),
    Outcome.GIVEN_BACK: (State.REFUNDED, True, 3),
}
_PAID_AT_ONCE = (Outcome.PAID, Outcome.PAID_AND_GONE, Outcome.TOLD_TWICE, Outcome.NEVER_TOLD)
_BACK_LATER = (Outcome.REFUNDED, Outcome.PART_REFUNDED, Outcome.DISPUTE_LOST, Outcome.TAKEN_BACK)
WAITS = (Outcome.PAID_LATER, Outcome.FAILS_LATER, Outcome.SEEN, Outcome.UNPAID, Outcome.GIVEN_BACK)
"""The outcomes in which the money is to come for a while."""


def expected(told: Told) -> Expected:
    """The end of a case."""
    state, taken, messages = _ENDS[told.outcome]
    back = {
        Outcome.REFUNDED: told.total,
        Outcome.GIVEN_BACK: told.total,
        Outcome.PART_REFUNDED: round_half_up(told.part * told.total, told.total + told.voucher),
    }.get(told.outcome, 0)
    if told.voucher and told.outcome in (Outcome.REFUNDED, Outcome.PART_REFUNDED):
        messages += 1
    if told.takes_later and told.outcome in _PAID_AT_ONCE:
        state, taken = State.AUTHORISED, False
    if (told.takes_later or told.certain_later) and told.outcome in _BACK_LATER:
        # The buyer is told that the money is held, or on its way, and then that it is taken.
        messages += 1
    if told.outcome is Outcome.UNPAID and told.overdue:
        messages += 1
    given = {State.AUTHORISED: None, State.PAID: True, State.PART_REFUNDED: True}.get(state, False)
    early = told.gives is Gives.AT_ORDER if told.outcome in WAITS else None
    return Expected(state, told.total if taken else 0, back, messages, early, given)


def differences(wanted: Expected, came: Came) -> Iterator[Difference]:
    """Everything that came otherwise than it should; what is not said is not compared."""
    for name, expected_value, value in zip(Expected._fields, wanted, came, strict=True):
        if expected_value is not None and value != expected_value:
            yield Difference(What(name), _text(expected_value), _text(value))


def _text(value: object) -> str:
    if isinstance(value, State):
        return value.value
    return {True: "yes", False: "no"}[value] if isinstance(value, bool) else str(value)
