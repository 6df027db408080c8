"""The kinds of line that a shop sells, and the kinds of card that a buyer pays with.

Rule: every line is of one of five kinds; every payment card is a debit or a credit card of a consumer, or commercial.

Source: the five kinds are our own design; consumer and commercial cards by Regulation (EU) 2015/751, Article 2.

>>> LineKind("booking").value, CardKind("consumer-debit").value
('booking', 'consumer-debit')
>>> LineKind("balloon")
Traceback (most recent call last):
...
ValueError: 'balloon' is not a valid LineKind
"""

from enum import StrEnum


class CardKind(StrEnum):
    """The kind of card that a buyer pays with."""

    CONSUMER_DEBIT = "consumer-debit"
    CONSUMER_CREDIT = "consumer-credit"
    COMMERCIAL = "commercial"


class LineKind(StrEnum):
    """The five kinds of line."""

    GOODS = "goods"
    DOWNLOAD = "download"
    COURSE = "course"
    MEMBERSHIP = "membership"
    BOOKING = "booking"
