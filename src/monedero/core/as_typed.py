"""Amounts and percentages as people type them, read into the one way in which they are kept.

Understood are a decimal comma or point, thousands grouped by comma, point, space or apostrophe, the currency before or
after the amount or twice, in small letters, and signs of currencies; one that several share is asked about where no
code stands beside it. A comma alone groups thousands where three digits follow it (`1,200`), which is how the
application prints them; a point alone may then be either, and is asked about. In a currency of three decimals it is the
other way round. Files are not read this way: there one way of writing holds.

Source: CLDR number patterns of the languages that are spoken in Europe (grouping and decimal separators); what is
ambiguous is own design.

>>> money_text("1.200,50 eur"), money_text("12,50 EUR EUR"), money_text("€ 9000"), money_text("1,200 EUR")
('1200.50 EUR', '12.50 EUR', '9000 EUR', '1200 EUR')
>>> money_text("£12"), money_text("$34.50 CAD")
('12 GBP', '34.50 CAD')
>>> money_text("1.200 EUR")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: amount-ambiguous ='1.200 EUR'
"""

import re
import unicodedata
from collections.abc import Collection
from fractions import Fraction

from monedero.core.errors import FaultCode, InvalidInput, refuse
from monedero.core.money import Money, minor_digits

GROUPED = re.compile(
    r"(?P<sign>-?)(?P<whole>[1-9][0-9]{0,2}(?P<by>[.,' ])[0-9]{3}(?:(?P=by)[0-9]{3})*)"
    r"(?:(?!(?P=by))[.,](?P<decimals>[0-9]+))?"
)
PLAIN = re.compile(r"(?P<sign>-?)(?P<whole>[0-9]*)(?:[.,](?P<decimals>[0-9]+))?")
# Signs with the currencies that they stand for, the usual one first. From memory; CLDR has the same narrow symbols.
SIGNS = {
    "€": ("EUR",),
    "£": ("GBP",),
    "$": ("USD", "AUD", "CAD", "CLP", "COP", "HKD", "MXN", "NZD", "SGD", "TWD", "ARS"),
    "¥": ("JPY", "CNY"),
    "₹": ("INR",),
    "₺": ("TRY",),
    "₩": ("KRW",),
    "₪": ("ILS",),
    "₫": ("VND",),
    "₱": ("PHP",),
    "₴": ("UAH",),
    "₦": ("NGN",),
    "฿": ("THB",),
}
CURRENCIES = re.compile(rf"[A-Za-z]+|[{''.join(SIGNS)}]")
# Signs for a minus, a space or an apostrophe on one keyboard or another, after compatibility forms are gone.
SAME = str.maketrans({"−": "-", "–": "-", "’": "'", "ʼ": "'", "\t": " "})  # noqa: RUF001
LONGEST = 60


def _tidy(text: str) -> str:
    if len(text) > LONGEST:
        return text
    return unicodedata.normalize("NFKC", text).translate(SAME).strip()


def _joined(match: re.Match[str]) -> str:
    whole = re.sub("[^0-9]", "", match["whole"]) or "0"
    decimals = match["decimals"]
    return f"{match['sign']}{whole}{f'.{decimals}' if decimals else ''}"


def money_text(text: str) -> str:
    """Money as it is kept, `12.50 EUR`, from money as it was typed; refuses what is none, or could be two amounts."""
    tidy = _tidy(text)
    found = CURRENCIES.findall(tidy)
    codes = {code.upper() for code in found if code not in SIGNS}
    signs = {sign for sign in found if sign in SIGNS}
    number = CURRENCIES.sub("", tidy).strip()
    if any(len(code) != len("EUR") for code in codes):
        raise refuse(FaultCode.MONEY_TEXT, value=text)
    codes |= {_meant(sign, codes, text) for sign in signs}
    if len(codes) > 1:
        raise refuse(FaultCode.CURRENCIES_TYPED, value=text, currencies=", ".join(sorted(codes)))
    plain, grouped = PLAIN.fullmatch(number), GROUPED.fullmatch(number)
    if not codes or not (plain or grouped) or not re.search("[0-9]", number):
        raise refuse(FaultCode.MONEY_TEXT, value=text)
    [currency] = codes
    return f"{_one_of(plain, grouped, text, currency)} {currency}"


def _meant(sign: str, codes: Collection[str], text: str) -> str:
    """The currency that a sign stands for beside the codes that were typed; refused where it could be several."""
    currencies = SIGNS[sign]
    if fitting := [code for code in currencies if code in codes]:
        return fitting[0]
    if len(currencies) > 1 and not codes:
        raise refuse(FaultCode.SIGN_AMBIGUOUS, value=text, sign=sign, currencies=", ".join(currencies))
    return currencies[0]


def _one_of(plain: re.Match[str] | None, grouped: re.Match[str] | None, text: str, currency: str) -> str:
    """The amount that is meant. It could be two where three digits follow a single comma or point."""
    thousands = _joined(grouped) if grouped else None
    decimals = _joined(plain) if plain else None
    if thousands is None or decimals is None:
        return thousands or decimals or ""
    digits = minor_digits(currency)
    by_comma = "," in text
    if digits < 3 and by_comma:
        return thousands
    if digits >= 3 and not by_comma:
        return decimals
    rounded = Money.rounded(Fraction(decimals), currency).amount
    raise refuse(FaultCode.AMOUNT_AMBIGUOUS, value=text, thousands=thousands, decimals=rounded)


def amount_of(typed: str, currency: str) -> Money:
    """The amount that was typed into a field for one currency; what is none is refused as it was typed.

    >>> str(amount_of("12,50", "EUR"))
    '12.50 EUR'
    >>> amount_of("much", "EUR")
    Traceback (most recent call last):
    ...
    monedero.core.errors.InvalidInput: amount-text ='much'
    """
    try:
        return Money.parse(money_text(f"{typed} {currency}"))
    except InvalidInput as refused:
        fault = refused.faults[0]
        if fault.code is FaultCode.MONEY_TEXT:
            raise refuse(FaultCode.AMOUNT_TEXT, value=typed) from refused
        raise


def percent_text(text: str) -> str:
    """A percentage as it is kept, `2.9`, from one as it was typed: a decimal comma, a percent sign behind it.

    >>> percent_text("2,9 %"), percent_text("1.234")
    ('2.9', '1.234')
    """
    tidy = _tidy(text).removesuffix("%").rstrip()
    match = PLAIN.fullmatch(tidy)
    return _joined(match) if match and tidy else text


def quantity_text(text: str) -> str:
    """A number of things as it is kept, from one as it was typed; a comma before three digits groups thousands.

    >>> quantity_text("1,200"), quantity_text("12,5"), quantity_text("13.625")
    ('1200', '12.5', '13.625')
    """
    tidy = _tidy(text)
    plain, grouped = PLAIN.fullmatch(tidy), GROUPED.fullmatch(tidy)
    if grouped and not (plain and "." in tidy):
        return _joined(grouped)
    return _joined(plain) if plain and tidy else text
