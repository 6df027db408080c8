"""Money and days as a person reads them, from values that are already rounded.

Source: CLDR (package `babel`); decimals by ISO 4217, so that an exact amount is never shortened.

>>> money("1200.00 EUR"), money("goods")
('1,200.00 EUR', 'goods')
>>> day("2026-11-19")
'19 Nov 2026'
"""

from collections.abc import Iterable
from datetime import date, datetime
from fractions import Fraction
from functools import lru_cache

from babel.dates import format_date, format_time
from babel.lists import format_list

from monedero.core.errors import InvalidInput
from monedero.core.money import Money, round_half_up
from monedero.wording.catalogue import language


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
    return _day(iso, language())


@lru_cache(maxsize=4096)
def _day(iso: str, language: str) -> str:
    # As browsers write it, which draw other days beside these.
    pattern = "d MMM y" if language == "en" else "medium"
    return str(format_date(date.fromisoformat(iso), pattern, locale=language.replace("-", "_")))


def time_of_day(at: datetime) -> str:
    """The time of a moment, to the minute.

    >>> time_of_day(datetime(2026, 11, 24, 9, 5))
    '09:05'
    """
    return str(format_time(at, "HH:mm"))


def listed(words: Iterable[str]) -> str:
    """Words after one another, separated by commas."""
    return ", ".join(words)


def any_of(words: Iterable[str]) -> str:
    """Words of which one is enough.

    >>> any_of(["goods", "course", "booking"])
    'goods, course or booking'
    """
    return str(format_list(list(words), style="or", locale=_of_lists()))


def all_of(words: Iterable[str]) -> str:
    """Words of which all are meant.

    >>> all_of(["Portugal", "Spain", "France"])
    'Portugal, Spain and France'
    """
    return str(format_list(list(words), style="standard", locale=_of_lists()))


def _of_lists() -> str:
    # As the world writes English: no comma before the last.
    return "en_001" if language() == "en" else language().replace("-", "_")


def exact(value: Fraction, places: int = 6) -> str:
    """An exact number in decimals; where it does not end within `places`, cut there and marked with an ellipsis.

    >>> exact(Fraction(61, 40)), exact(Fraction(1, 3))
    ('1.525', '0.333333…')
    """
    whole, rest = divmod(abs(value.numerator) * 10**places, value.denominator)
    digits = f"{whole:0{places + 1}d}"
    text = f"{int(digits[:-places]):,}.{digits[-places:]}"
    sign = "-" if value < 0 else ""
    return f"{sign}{text}…" if rest else f"{sign}{text.rstrip('0').rstrip('.')}"


def whole(value: Fraction) -> str:
    """A number without decimals, rounded half up.

    >>> whole(Fraction(2501, 2))
    '1,251'
    """
    return f"{round_half_up(value.numerator, value.denominator):,}"


def percent(value: Fraction) -> str:
    """A share of one as a percentage with two decimals, rounded half up.

    >>> percent(Fraction(61, 3400))
    '1.79'
    """
    hundredths = round_half_up(value.numerator * 10_000, value.denominator)
    return f"{hundredths // 100}.{hundredths % 100:02d}"
