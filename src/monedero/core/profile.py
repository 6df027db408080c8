"""The order profile: how many orders a month of each line come from each market, and how their amounts spread.

A spread counts its low, usual and high amount as 1/4, 1/2 and 1/4 of the orders; without low and high every order
is of the usual amount. Cards by kind and network have shares; what is left of a hundred percent is not known.

Source: own design.

>>> cell = Cell(line="chart", market="pt", orders="12", usual="42.00 EUR", low="30.00 EUR", high="70.00 EUR")
>>> [(str(amount), str(share)) for amount, share in cell.amounts]
[('30.00 EUR', '1/4'), ('42.00 EUR', '1/2'), ('70.00 EUR', '1/4')]
>>> Cell(line="chart", market="pt", orders="12", usual="42.00 EUR", low="50.00 EUR", high="70.00 EUR")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Cell
  limits-crossed [type=limits-crossed, input_value={'line': 'chart', 'market...', 'high': '70.00 EUR'}, input_type=dict]
"""

from enum import StrEnum
from fractions import Fraction
from typing import Self

from pydantic import model_validator

from monedero.core.buyers.typed import BuyersOf
from monedero.core.errors import FaultCode
from monedero.core.fields import Identifier, MoneyPositive, Quantity, Share, Strict, broken, once, ordered
from monedero.core.money import Money
from monedero.core.order.kinds import CardKind

QUARTER, HALF, WHOLE = Fraction(1, 4), Fraction(1, 2), Fraction(1)


class Source(StrEnum):
    """Names where the profile of a month comes from."""

    TYPED = "typed"
    PAST_ORDERS = "past-orders"


class Cell(Strict):
    """Orders a month of one line from one market."""

    line: Identifier
    market: Identifier
    orders: Quantity
    usual: MoneyPositive
    low: MoneyPositive | None = None
    high: MoneyPositive | None = None

    @model_validator(mode="after")
    def _spread(self) -> Self:
        if (self.low is None) != (self.high is None):
            raise broken(FaultCode.KEY_MISSING, key="both low and high, or neither")
        ordered(self.low, self.usual, touching=True)
        ordered(self.usual, self.high, touching=True)
        return self

    @property
    def amounts(self) -> list[tuple[Money, Fraction]]:
        """Each amount with its share of the cell's orders."""
        if self.low is None or self.high is None:
            return [(self.usual, WHOLE)]
        return [(self.low, QUARTER), (self.usual, HALF), (self.high, QUARTER)]


class CardShare(Strict):
    """The share, in percent, of a kind of card or a network among orders that are paid by card."""

    kind: CardKind | None = None
    network: Identifier | None = None
    share: Share


class Profile(Strict):
    """A month of the shop's orders, and what buyers pay with: what is typed of them goes before first guesses."""

    source: Source = Source.TYPED
    cells: list[Cell] = []
    cards: list[CardShare] = []
    buyers: list[BuyersOf] = []

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        once((f"{cell.line} {cell.market}" for cell in self.cells), "line and market")
        once((f"{card.kind} {card.network}" for card in self.cards), "kind and network")
        once((str(entry.country or "every other country") for entry in self.buyers), "country")
        together = sum(card.share for card in self.cards)
        if together > 100:
            raise broken(FaultCode.PERCENT_RANGE, value=together)
        return self
