"""The evidence of a case that was played: what was expected, what came, and everything that was sent and kept.

Source: own design.

>>> from datetime import UTC, datetime
>>> from monedero.core.money import Money
>>> at = datetime(2026, 12, 2, tzinfo=UTC)
>>> played = Evidence(at=at, line="Star chart", ordered=Money(2400, "EUR"), differences=[])
>>> played.passed
True
"""

from datetime import datetime

from monedero.core.errors import Fault
from monedero.core.fields import MoneyText, Strict
from monedero.core.payment.state import State
from monedero.core.record import By
from monedero.core.rehearsal.expected import What


class DifferenceKept(Strict):
    """One thing that came otherwise than it should."""

    what: What
    expected: str
    came: str


class MessageKept(Strict):
    """A message as it was sent."""

    at: datetime
    subject: str
    text: str


class StepKept(Strict):
    """One step of the record of the order: what happened, in a sentence, by whom, and the state after it."""

    at: datetime
    text: str
    by: By
    state: State


class Evidence(Strict):
    """The end to which a case came when it was played, by the clock of its rehearsal.

    `line` and `ordered` are the order; without them none of its form reaches the way. `ways` are the names of the ways
    that the buyer was shown, `page` what the page after paying said in the end, `received` the notifications that
    arrived, `books` the amounts of the payment by their names, and `fees` what the provider kept. `refused` is why the
    case could not be played to its end (None: it could).
    """

    at: datetime
    line: str = ""
    ordered: MoneyText | None = None
    ways: list[str] = []
    page: str = ""
    messages: list[MessageKept] = []
    received: list[str] = []
    steps: list[StepKept] = []
    books: dict[str, MoneyText] = {}
    fees: list[MoneyText] = []
    differences: list[DifferenceKept]
    refused: Fault | None = None

    @property
    def passed(self) -> bool:
        """True if it was played, and everything came as it should."""
        return self.ordered is not None and not self.differences
