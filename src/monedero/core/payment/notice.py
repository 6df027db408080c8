"""A notice: one move of a payment as its provider tells it, in the provider's own numbering.

Notices of one payment are numbered from 1. They count in that sequence, whatever sequence they come in: one that is
ahead waits for those before it, one that was there already counts once, and one that cannot be counted is kept with
the reason and takes its place in the sequence all the same. So the same notices always end in the same state.

Source: own design; that a message may come twice and out of sequence is what Standard Webhooks 1.0.0 warns of.

>>> notice = Notice(sequence=1, move="declined", at="2026-11-25T10:00:00Z", reason="not enough money")
>>> notice.move.value
'declined'
>>> Notice(sequence=0, move="declined", at="2026-11-25T10:00:00Z")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Notice
sequence
  Input should be greater than or equal to 1 [type=greater_than_equal, input_value=0, input_type=int]
    For further information visit https://errors.pydantic.dev/2.14/v/greater_than_equal
"""

from datetime import datetime
from enum import StrEnum
from typing import Annotated

from pydantic import Field, StrictInt

from monedero.core.fields import Description, MoneyPositive, MoneyText, Strict
from monedero.core.payment.state import Move


class Notice(Strict):
    """Holds what the provider tells of a payment: the move, the amount it moves, and what was charged for it.

    `until` is the day on which what was authorised lapses, on which a debit is confirmed, or by which an answer to
    a dispute is due.
    """

    sequence: Annotated[StrictInt, Field(ge=1)]
    move: Move
    at: datetime
    amount: MoneyPositive | None = None
    fee: MoneyText | None = None
    fee_given_back: MoneyText | None = None
    reason: Description = ""
    until: datetime | None = None


class Fate(StrEnum):
    """Names what became of a notice."""

    COUNTED = "counted"
    AGAIN = "again"
    EARLY = "early"
    REFUSED = "refused"
