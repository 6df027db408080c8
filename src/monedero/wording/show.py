"""Money and days as a person reads them, from values that are already rounded.

Source: CLDR (package `babel`); decimals by ISO 4217, so that an exact amount is never shortened.

>>> money("1200.00 EUR"), money("goods")
('1,200.00 EUR', 'goods')
>>> day("2026-11-19")
'19 Nov 2026'
>>> day("19 November")
Traceback (most recent call last):
...
ValueError: Invalid isoformat string: '19 November'
"""

from datetime import date

from babel.dates import format_date

from monedero.core.errors import InvalidInput
from monedero.core.money import Money


def money(text: str) -> str:
    """Money with grouped digits; text that is not money comes back as it is."""
    try:
        value = Money.parse(text)
    except InvalidInput:
        return text
    whole, point, decimals = value.amount.partition(".")
    return f"{int(whole):,}{point}{decimals} {value.currency}"


def day(iso: str) -> str:
    """A day in short."""
    return str(format_date(date.fromisoformat(iso), "d MMM y", locale="en"))
