"""Money, days and lists as the buyer who reads now is used to them.

Money keeps the decimals of ISO 4217, so that an exact amount is never shortened; all else is by CLDR.

Source: CLDR (package `babel`); minor units by ISO 4217.

>>> from monedero.wording.buyers import to_buyer
>>> with to_buyer("de"):
...     money(Money(123450, "EUR")), day(date(2026, 11, 24)), listed(["Aster", "Borealis", "Cygnet"])
('1.234,50\\xa0€', '24.11.2026', 'Aster, Borealis und Cygnet')
>>> money(Money(-8500, "EUR")), money(Money(500, "JPY")), day(date(2026, 11, 24))
('-€85.00', 'JP¥500', '24 Nov 2026')
"""

from collections.abc import Iterable
from copy import copy
from datetime import date
from decimal import Decimal
from functools import lru_cache

from babel import Locale
from babel.dates import format_date
from babel.lists import format_list
from babel.numbers import NumberPattern

from monedero.core.money import Money, minor_digits
from monedero.wording.buyers import locale


def money(value: Money) -> str:
    """Money with its sign or code, grouped, with as many decimals as the currency has."""
    return _money(value, locale())


@lru_cache(maxsize=4096)
def _money(value: Money, now: Locale) -> str:
    pattern = _pattern(now, minor_digits(value.currency))
    return str(pattern.apply(Decimal(value.amount), now, currency=value.currency, currency_digits=False))


@lru_cache(maxsize=256)
def _pattern(now: Locale, digits: int) -> NumberPattern:
    pattern: NumberPattern = copy(now.currency_formats["standard"])
    pattern.frac_prec = (digits, digits)
    return pattern


def money_text(text: str | None) -> str:
    """Money that travels as text, `85.00 EUR`; nothing where there is none."""
    return money(Money.parse(text)) if text else ""


def day(value: date) -> str:
    """A day in short."""
    return str(format_date(value, "medium", locale=locale()))


def listed(words: Iterable[str]) -> str:
    """Words of which all are meant."""
    return str(format_list(list(words), style="standard", locale=locale()))


def country_name(code: str) -> str:
    """The name of a country; a code without one comes back as it is."""
    return str(locale().territories.get(code, code))


def language_name(tag: str) -> str:
    """Tells what speakers of a language call it."""
    try:
        own = Locale.parse(tag, sep="-")
    except ValueError:
        return tag
    return str(own.display_name).capitalize() if own.display_name else tag
