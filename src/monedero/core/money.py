"""An amount is a whole number of the minor units of its currency, and is rounded once, half up.

Minor units come from ISO 4217, never from what a locale likes to print.

Source: ISO 4217 List One (package `iso4217`); rounding: half up, away from zero, as Regulation (EC)
1103/97 Art. 5 has it for positive amounts; allocation: the method of largest remainders (Hamilton),
Balinski and Young, *Fair Representation*, 1982.

>>> Money.parse("0.25 EUR")
Money(minor=25, currency='EUR')
>>> str(Money.parse("1.5 KWD"))
'1.500 KWD'
>>> Money.parse("0.255 EUR")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: amount-decimals ='0.255 EUR'
"""

import re
from collections.abc import Sequence
from fractions import Fraction
from functools import lru_cache
from math import ceil
from typing import NamedTuple

from iso4217 import Currency

from monedero.core.errors import FaultCode, refuse

AMOUNT = re.compile(r"(-?)([0-9]{1,15})(?:\.([0-9]{1,9}))?", re.ASCII)


@lru_cache(maxsize=512)
def minor_digits(currency: str) -> int:
    """Decimals of the currency's minor unit by ISO 4217; refuses codes that are unknown or have none.

    >>> minor_digits("JPY"), minor_digits("EUR"), minor_digits("KWD")
    (0, 2, 3)
    >>> minor_digits("XAU")
    Traceback (most recent call last):
    ...
    monedero.core.errors.InvalidInput: currency-unknown ='XAU'
    """
    try:
        digits: int | None = Currency(currency).exponent
    except ValueError:
        digits = None
    if digits is None:
        raise refuse(FaultCode.CURRENCY_UNKNOWN, value=currency)
    return digits


@lru_cache(maxsize=512)
def minor_units(currency: str) -> int:
    """How many minor units make one whole unit of the currency.

    >>> minor_units("EUR")
    100
    """
    return int(10 ** minor_digits(currency))


def round_half_up(numerator: int, denominator: int) -> int:
    """The nearest whole number to a fraction; halves go away from zero.

    >>> round_half_up(5, 2), round_half_up(-5, 2), round_half_up(7, 3)
    (3, -3, 2)
    """
    if numerator < 0:
        return -round_half_up(-numerator, denominator)
    return (2 * numerator + denominator) // (2 * denominator)


class Money(NamedTuple):
    """An amount in minor units of one currency. Money of two currencies never meets without a rate."""

    minor: int
    currency: str

    @classmethod
    def of(cls, amount: str, currency: str) -> "Money":
        """Money from a plain amount such as `85.00`; no grouping, no sign but a minus, no exponent."""
        match = AMOUNT.fullmatch(amount)
        if match is None:
            raise refuse(FaultCode.AMOUNT_TEXT, value=amount)
        digits = minor_digits(currency)
        sign, whole, decimals = match.groups("")
        if len(decimals) > digits:
            raise refuse(FaultCode.AMOUNT_DECIMALS, value=f"{amount} {currency}", currency=currency, digits=digits)
        return cls(int(sign + whole + decimals.ljust(digits, "0")), currency)

    @classmethod
    def parse(cls, text: str) -> "Money":
        """Money from one string, amount and currency with one space between: `0.25 EUR`."""
        amount, space, currency = text.partition(" ")
        if not space or not AMOUNT.fullmatch(amount):
            raise refuse(FaultCode.MONEY_TEXT, value=text)
        return cls.of(amount, currency)

    @classmethod
    def rounded(cls, exact: Fraction, currency: str) -> "Money":
        """Money from an exact amount in whole units of the currency, rounded half up at the minor unit."""
        return cls(round_half_up(exact.numerator * minor_units(currency), exact.denominator), currency)

    @classmethod
    def not_below(cls, exact: Fraction, currency: str) -> "Money":
        """The least money that is not below an exact amount in whole units of the currency.

        >>> Money.not_below(Fraction(100, 3), "EUR"), Money.not_below(Fraction(33), "EUR")
        (Money(minor=3334, currency='EUR'), Money(minor=3300, currency='EUR'))
        """
        return cls(ceil(exact * minor_units(currency)), currency)

    @property
    def exact(self) -> Fraction:
        """The amount in whole units of the currency."""
        return Fraction(self.minor, minor_units(self.currency))

    @property
    def amount(self) -> str:
        """The amount with all the decimals of its currency, without the code."""
        digits = minor_digits(self.currency)
        if digits == 0:
            return str(self.minor)
        text = str(abs(self.minor)).rjust(digits + 1, "0")
        return f"{'-' if self.minor < 0 else ''}{text[:-digits]}.{text[-digits:]}"

    def __str__(self) -> str:
        """The amount as it stands in files and over HTTP."""
        return f"{self.amount} {self.currency}"


def split(parts: Sequence[Fraction], total: int) -> list[int]:
    """Whole parts that add up to `total`: each floored, the missing units to the largest remainders.

    `parts` are exact and add up to less than one unit away from `total`; ties go to the earlier part.

    >>> split([Fraction(7, 2), Fraction(1), Fraction(1, 2)], 5)
    [4, 1, 0]
    """
    whole = [part.numerator // part.denominator for part in parts]
    missing = total - sum(whole)
    by_remainder = sorted(range(len(parts)), key=lambda index: whole[index] - parts[index])
    for index in by_remainder[:missing]:
        whole[index] += 1
    return whole
