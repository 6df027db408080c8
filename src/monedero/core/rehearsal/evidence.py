"""The evidence of a case that was played: what was expected, what came, and everything that was sent and kept.

Source: own design.

>>> from datetime import UTC, datetime
>>> played = Evidence(at=datetime(2026, 12, 2, tzinfo=UTC), order="Star chart, 24.00 EUR", differences=[])
>>> played.passed
True
"""

from datetime import datetime

from monedero.core.errors import Fault
from monedero.core.fields import Strict
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
    """One step of the record of the order: what happened, by whom, and the state after it."""

    at: datetime
    what: str
    by: str
    state: str


class Evidence(Strict):
    """The end to which a case came when it was played, by the clock of its rehearsal.

    Without an `order` no order of its form reaches the way. `ways` are the names of the ways that the buyer was shown,
    `page` what the page after paying said in the end, `received` the notifications that arrived, `books` the amounts of
    the payment. `refused` is why the case could not be played to its end (None: it could).
    """

    at: datetime
    order: str
    ways: list[str] = []
    page: str = ""
    messages: list[MessageKept] = []
    received: list[str] = []
    steps: list[StepKept] = []
    books: dict[str, str] = {}
    differences: list[DifferenceKept]
    refused: Fault | None = None

    @property
    def passed(self) -> bool:
        """True if it was played, and everything came as it should."""
        return bool(self.order) and not self.differences
