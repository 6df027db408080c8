"""Why a line of a price list was not read, as data.

Source: own design.

>>> NotRead(Why.RANGE, "1.2%").why.value
'range'
"""

from enum import StrEnum


class Why(StrEnum):
    """Everything that keeps a line from being read."""

    WORD = "word"
    FIGURE = "figure"
    RANGE = "range"
    CONTACT = "contact"
    ABOUT = "about"
    EXCEPTION = "exception"
    TWO_PRICES = "two-prices"
    TWO_CURRENCIES = "two-currencies"
    PERCENT_OVER = "percent-over"
    AMOUNT = "amount"
    WHICH_DOLLAR = "which-dollar"
    WHICH_DEBIT = "which-debit"
    WHICH_METHOD = "which-method"
    WHICH_BAND = "which-band"
    WHICH_DAY = "which-day"
    WHICH_REGION = "which-region"
    WHICH_PLAN = "which-plan"
    COMMERCIAL = "commercial"
    NO_PRICE = "no-price"
    UNCLEAR = "unclear"
    LIMITS = "limits"
    ANOTHER_PRICE = "another-price"
    NOTHING_UNDER = "nothing-under"
    MONTHS = "months"
    TOO_LONG = "too-long"


class NotRead(Exception):
    """A line, or a part of it, that is not understood; `said` is the part that stands in the way."""

    def __init__(self, why: Why, said: str = "", line: int | None = None) -> None:
        """Another line that stands in the way may be named."""
        super().__init__(why.value)
        self.why = why
        self.said = said
        self.line = line
