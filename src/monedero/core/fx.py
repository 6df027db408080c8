"""The reference rate between two currencies on a day: the last one published, at most ten days old.

Rates are the ECB's euro reference rates, crossed through the euro (common practice for daily rates; they are
published for information only). For a day after the table's last one, that last day's rate holds, and says so.
A rate that the owner typed goes before the published one and is marked as such. Otherwise there is no rate:
later rates are never used, and neither are older ones.

Source: ECB euro foreign exchange reference rates; the ten days are an *own design*.

>>> from datetime import date
>>> class Table:
...     days = [date(2024, 1, 2)]
...     def per_euro(self, index, currency):
...         return {"USD": Fraction("1.0956")}.get(currency)
>>> rates = ReferenceRates(Table())
>>> rates.find("USD", "EUR", date(2024, 1, 2)).value
Fraction(2500, 2739)
>>> rates.find("KWD", "EUR", date(2024, 1, 2))
Traceback (most recent call last):
...
monedero.core.fx.NoReferenceRate: no reference rate for KWD on 2024-01-02
"""

from bisect import bisect_right
from collections.abc import Mapping, Sequence
from datetime import date, timedelta
from enum import StrEnum
from fractions import Fraction
from functools import lru_cache
from typing import NamedTuple, Protocol

from monedero.core.money import Money, minor_units

OLDEST = timedelta(days=10)
EURO = "EUR"


class RateOrigin(StrEnum):
    """Names where a reference rate comes from."""

    SAME = "same-currency"
    PUBLISHED = "published"
    LAST_OF_TABLE = "last-of-table"
    TYPED = "typed"


class ReferenceRate(NamedTuple):
    """Units of `quote` for one unit of `base`; `day` is the older day of the two that were crossed."""

    base: str
    quote: str
    value: Fraction
    day: date
    origin: RateOrigin


class NoReferenceRate(Exception):
    """No rate of `currency` was published in the ten days before `day`."""

    def __init__(self, currency: str, day: date) -> None:
        super().__init__(f"no reference rate for {currency} on {day}")
        self.currency = currency
        self.day = day


class RateTable(Protocol):
    """Published rates: the days in rising sequence, and units of a currency per euro on one of them."""

    @property
    def days(self) -> Sequence[date]:
        """The days on which rates were published."""
        ...

    def per_euro(self, index: int, currency: str) -> Fraction | None:
        """Units of the currency for one euro on `days[index]`, or None where none was published."""
        ...


class ReferenceRates:
    """A table of published rates with the rates that the owner typed over it."""

    def __init__(self, table: RateTable, typed: Mapping[str, Fraction] | None = None) -> None:
        """`typed` holds units of a currency for one euro."""
        self._table = table
        self._typed = dict(typed or {})
        self._leg = lru_cache(maxsize=65536)(self._find_leg)
        self._known = lru_cache(maxsize=65536)(self._is_known)
        self.find = lru_cache(maxsize=4096)(self._find)
        self.per_minor = lru_cache(maxsize=4096)(self._per_minor)

    def _find_leg(self, currency: str, day: date) -> tuple[Fraction, date, RateOrigin]:
        """Units of a currency for one euro on a day, with the day and the origin of that rate."""
        if currency == EURO:
            return Fraction(1), day, RateOrigin.SAME
        if currency in self._typed:
            return self._typed[currency], day, RateOrigin.TYPED
        days = self._table.days
        last = bisect_right(days, day) - 1
        if last >= 0 and last == len(days) - 1 and day > days[last]:
            value = self._table.per_euro(last, currency)
            if value is not None:
                return value, days[last], RateOrigin.LAST_OF_TABLE
        else:
            for index in range(last, -1, -1):
                if day - days[index] > OLDEST:
                    break
                value = self._table.per_euro(index, currency)
                if value is not None:
                    return value, days[index], RateOrigin.PUBLISHED
        raise NoReferenceRate(currency, day)

    def _find(self, base: str, quote: str, day: date) -> ReferenceRate:
        """The rate from `base` to `quote` for an order placed on `day`; raises `NoReferenceRate`."""
        if base == quote:
            return ReferenceRate(base, quote, Fraction(1), day, RateOrigin.SAME)
        of_base, of_quote = self._leg(base, day), self._leg(quote, day)
        origin = max((of_base[2], of_quote[2]), key=list(RateOrigin).index)
        return ReferenceRate(base, quote, of_quote[0] / of_base[0], min(of_base[1], of_quote[1]), origin)

    def convert(self, money: Money, quote: str, day: date) -> Fraction:
        """The exact amount in whole units of `quote`, not rounded."""
        return money.exact * self.find(money.currency, quote, day).value

    def _per_minor(self, base: str, quote: str, day: date) -> Fraction:
        """Minor units of `quote` for one minor unit of `base`, exact."""
        if base == quote:
            return Fraction(1)
        one, other = self._leg(base, day)[0], self._leg(quote, day)[0]
        return Fraction(
            other.numerator * one.denominator * minor_units(quote),
            other.denominator * one.numerator * minor_units(base),
        )

    def has(self, base: str, quote: str, day: date) -> bool:
        """True if there is a rate between two currencies on a day."""
        return base == quote or (self._known(base, day) and self._known(quote, day))

    def _is_known(self, currency: str, day: date) -> bool:
        try:
            self._leg(currency, day)
        except NoReferenceRate:
            return False
        return True
