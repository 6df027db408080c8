"""Tells at which prices and shares of buyers another set is best, in words.

Source: own design.

>>> changed(["Card"], ["Cash", "Invoice"], [])
'with Card, without Cash, Invoice'
"""

from collections.abc import Sequence
from fractions import Fraction
from math import ceil, floor

from monedero.core.cost.assumption import Unit
from monedero.core.money import Money, minor_units
from monedero.core.numbers import decimal_text
from monedero.wording.catalogue import say
from monedero.wording.show import listed, money

PLACES = 3


def needed(value: Fraction) -> str:
    """A figure that must be reached, with three decimals; rounded so that it is.

    >>> needed(Fraction(1, 3)), allowed(Fraction(1, 3))
    ('0.334', '0.333')
    """
    return decimal_text(Fraction(ceil(value * 10**PLACES), 10**PLACES), PLACES)


def allowed(value: Fraction) -> str:
    """A figure that must not be passed, with three decimals; rounded so that it is not."""
    return decimal_text(Fraction(floor(value * 10**PLACES), 10**PLACES), PLACES)


def lowered(value: Fraction, books: str) -> str:
    """A charge that is low enough, at the minor unit.

    >>> lowered(Fraction(100, 3), "EUR"), lowered(Fraction(-1), "EUR")
    ('33.33 EUR', '-1.00 EUR')
    """
    return money(str(Money(floor(value * minor_units(books)), books)))


def value_text(value: Fraction, unit: Unit, books: str) -> str:
    """The value of an assumption, with its unit; a share is of one.

    >>> [value_text(Fraction(1, 8), unit, "EUR") for unit in Unit]
    ['12.5 %', '0.13 EUR', '0.13 minutes', 'no']
    """
    match unit:
        case Unit.PERCENT:
            return f"{decimal_text(value * 100, 2)} %"
        case Unit.MONEY:
            return money(str(Money.rounded(value, books)))
        case Unit.MINUTES:
            return f"{decimal_text(value, 2)} minutes"
        case Unit.YES_NO:
            return "yes" if value == 1 else "no"


def changed(inside: Sequence[str], outside: Sequence[str], moved: Sequence[str]) -> str:
    """Tells how another set differs: ways that it has besides, ways that it has not, ways by another plan."""
    told = [
        say(f"set-change-{what}", ways=listed(ways))
        for what, ways in (("in", inside), ("out", outside), ("moved", moved))
        if ways
    ]
    return listed(told)
