"""The record of an order: what was ordered, by which way to pay, in which mode, and what happened.

What the buyer chose is kept as it stood then: the tender's name, its method and its provider do not change when
the checkout does.

Source: own design.

>>> Chosen(tender="card", name="Card", method="card", provider="orlenta").name
'Card'
>>> Chosen(tender="card", name="", method="card", provider=None)
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Chosen
name
  blank [type=blank, input_value='', input_type=str]
"""

from datetime import datetime

from pydantic import StrictBool

from monedero.core.account import Mode
from monedero.core.fields import CountryCode, Identifier, MoneyPositive, Name, Strict
from monedero.core.order import Order
from monedero.core.payment import Move, State
from monedero.core.ratecard.model import LineKind


class Chosen(Strict):
    """The way to pay that the buyer chose, as it stood then."""

    tender: Identifier
    name: Name
    method: Identifier
    provider: Identifier | None


class Happening(Strict):
    """One thing that happened to an order, at a moment in UTC; `tender` is the name of the way to pay."""

    at: datetime
    move: Move
    tender: str


class OrderRecord(Strict):
    """An order and its payment. `edition` is None for a rehearsal of the draft, whose version is then given."""

    token: str
    number: int
    mode: Mode
    edition: int | None
    draft_version: int | None
    placed_at: datetime
    country: CountryCode
    line_name: Name
    kind: LineKind
    recurring: StrictBool
    amount: MoneyPositive
    state: State
    chosen: Chosen
    attempt: int
    happened: list[Happening]

    @property
    def order(self) -> Order:
        """What was ordered, as a decision sees it."""
        return Order(self.amount, self.country, frozenset({self.kind}), self.recurring, self.placed_at.date())


class Message(Strict):
    """A message to the buyer, as it was sent; the simulated mailbox keeps it."""

    order: str
    at: datetime
    to: str
    subject: str
    text: str
