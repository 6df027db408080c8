"""A line of a price list as figures, words and marks.

Percentages and amounts are read in any usual writing; what could be two amounts, or is in a currency that cannot be
told, makes the line one that is not read.

Source: own design; amounts as in `monedero.core.as_typed`, ISO 4217 for currencies.

>>> [str(token.value or token.text) for token in tokens("EEA cards: 1,5 % + 25 cents", "EUR")]
['EEA', 'cards', ':', '1.5', '+', '0.25 EUR']
>>> tokens("Cards 1.500 EUR", "EUR")
Traceback (most recent call last):
...
monedero.formats.price_text.unread.NotRead: amount
"""

import re
from collections.abc import Sequence
from dataclasses import dataclass
from decimal import Decimal, InvalidOperation
from enum import StrEnum
from functools import cache
from itertools import islice

from iso4217 import Currency

from monedero.core.as_typed import money_text, percent_text, quantity_text
from monedero.core.errors import InvalidInput
from monedero.core.money import Money
from monedero.formats.price_text.spelled import respelled
from monedero.formats.price_text.unread import NotRead, Why
from monedero.formats.price_text.vocabulary import folded


class Kind(StrEnum):
    """Names what a token is."""

    PERCENT = "percent"
    MONEY = "money"
    NUMBER = "number"
    DAYS_AFTER = "days-after"
    WORD = "word"
    MARK = "mark"


@dataclass(frozen=True, slots=True)
class Token:
    """A piece of a line; a percentage, an amount and a number have a value."""

    kind: Kind
    text: str
    value: Decimal | Money | None = None


CODES = frozenset(entry.code for entry in Currency if entry.exponent is not None)
# Capitals that are words before they are currencies; a provider that pays out in one of them means the currency.
WORDS_FIRST = frozenset({"ALL", "TOP", "TRY", "CUP", "MAD", "PEN", "SOS"})
# More words and figures than a price has.
MOST = 100
EVERYWHERE = ("EUR", "USD", "GBP")
DOLLARS = frozenset({"USD", "CAD", "AUD", "NZD", "SGD", "HKD", "TWD"})
SIGNS = {
    **{"€": "EUR", "£": "GBP", "US$": "USD", "C$": "CAD", "CA$": "CAD", "A$": "AUD", "AU$": "AUD"},
    **{"NZ$": "NZD", "HK$": "HKD", "S$": "SGD"},
}
NAMES = {"euro": "EUR", "euros": "EUR", "pounds": "GBP", "libras": "GBP"}
NUMBER = r"(?>\d{1,3}(?:[.,' ]\d{3})+(?![\d])(?:[.,]\d+)?|\d+(?:[.,]\d+)?|[.,]\d+)"
SIGN = r"(?:\b(?:US|CA|C|AU|A|NZ|HK|S)\$|[€£$])"
PERCENT = r"(?:%|percent\b|per\scent[o]?\b|por\sciento\b|por\scento\b|pour\scent\b|pro[zc]ent\b|pct\b)"
POINTS = r"(?:bps\b|bp\b|basis\spoints?\b|puntos\sb[áa]sicos\b|pontos\sbase\b)"
CENTS = r"(?:c|cts?|cents?|cent\.|c[ée]ntimos?|c[êe]ntimos?|centimes?|centesimi|p|pence)\b|¢"


@cache
def _pieces(currency: str) -> re.Pattern[str]:
    codes = "|".join(sorted(CODES - WORDS_FIRST | {currency}))
    small = "|".join(sorted({*EVERYWHERE, currency} - WORDS_FIRST))
    code = rf"(?:{codes}|(?i:{small}))"
    return re.compile(
        rf"""
        (?P<percent>{NUMBER})\s*(?i:{PERCENT})
      | (?P<points>{NUMBER})\s*(?i:{POINTS})
      | (?P<sign>{SIGN})\s*(?P<after_sign>{NUMBER})(?!\s*[€£$%])
      | \b(?P<code>{code})\s*(?P<after_code>{NUMBER})(?!\s*%)
      | (?P<before_sign>{NUMBER})\s*(?P<sign2>{SIGN})
      | (?P<before_code>{NUMBER})\s*(?P<code2>{code})\b
      | (?P<before_name>{NUMBER})\s*(?P<name>(?i:euros?|pounds|libras))\b
      | (?P<before_cents>{NUMBER})\s*(?i:(?:{CENTS}))
      | \b[TD]\s?\+\s?(?P<days_after>\d{{1,3}})\b
      | (?P<ordinal>\d{{1,2}})(?:st|nd|rd|th|º|ª)\b
      | (?P<number>{NUMBER})
      | (?P<word>[^\W\d_]\w*)
      | (?P<mark>\S)
        """,
        re.VERBOSE,
    )


# Footnote marks, list numbers, marks of registration, and what stands for another sign on one keyboard or another.
FOOTNOTES = re.compile(r"[¹²³⁴⁵⁶⁷⁸⁹⁰*†‡§®™©]+|\[\d{1,2}\]|(?<=\w)\(\d\)|^\s*\d{1,2}[.)]\s+(?=[^\W\d_])")
SAME = str.maketrans({"−": "-", "–": "-", "—": "-", "‐": "-", "‑": "-", "’": "'", "％": "%", " ": " "})  # noqa: RUF001
POSSESSIVE = re.compile(r"'s\b")
JOINED = re.compile(r"(?<=[^\W\d_])[-'](?=[^\W\d_])")
GROUPED = {
    ",": re.compile(r"(?<![\d.,])[1-9]\d{0,2}(?:\.\d{3})+(?![\d.])(?:,\d+)?"),
    ".": re.compile(r"(?<![\d.,])[1-9]\d{0,2}(?:,\d{3})+(?![\d,])(?:\.\d+)?"),
}
DECIMALS = re.compile(r"(?<![\d.,])(\d+),(\d+)(?![\d.,]*\d)")
DECIMAL_COMMA = re.compile(r"(?<![\d.,])\d+,\d{1,2}(?![\d.,]*\d)")
DECIMAL_POINT = re.compile(r"(?<![\d.,])\d+\.\d{1,2}(?![\d.,]*\d)")


def tidy(line: str) -> str:
    """A line without footnote marks, its dashes and spaces of one kind, joined words apart."""
    plain = FOOTNOTES.sub("", line).translate(SAME).replace("\u00a0", " ").replace("\u202f", " ")
    return JOINED.sub(" ", POSSESSIVE.sub("", respelled(plain)))


def decimal_mark(text: str) -> str:
    """The mark before the decimals of a text: a comma or a point where it uses one alone, else nothing is known.

    >>> decimal_mark("Tarjetas 1,4 % + 0,25 €"), decimal_mark("Cards 1.5% over 10,000 EUR"), decimal_mark("1,5 and 1.5")
    (',', '.', '')
    """
    comma, point = bool(DECIMAL_COMMA.search(text)), bool(DECIMAL_POINT.search(text))
    return "" if comma == point else ("," if comma else ".")


def tokens(line: str, currency: str, decimal: str = "") -> list[Token]:
    """The tokens of a line; `currency` is the provider's, for cents and for what one dollar sign means.

    Where the text's mark before decimals is known, the other mark groups thousands.
    """
    line = _ungrouped(line, decimal)
    found = [_token(match, currency) for match in islice(_pieces(currency).finditer(tidy(line)), MOST + 1)]
    if len(found) > MOST:
        raise NotRead(Why.TOO_LONG, f"{line[:40]}...")
    return _amounts_with_currency(found)


def _ungrouped(line: str, decimal: str) -> str:
    if not decimal:
        return line
    other = "." if decimal == "," else ","
    plain = GROUPED[decimal].sub(lambda match: match.group().replace(other, ""), line)
    # Digits after the mark are decimals, even where there are three of them.
    return DECIMALS.sub(r"\1.\2", plain) if decimal == "," else plain


def _token(match: re.Match[str], currency: str) -> Token:
    got = match.groupdict()
    text = match.group().strip()
    if got["percent"] or got["points"]:
        share = _decimal(percent_text(got["percent"] or got["points"]), text)
        share = share if got["percent"] else share / 100
        if share > 100:
            raise NotRead(Why.PERCENT_OVER, text)
        return Token(Kind.PERCENT, text, share)
    if got["before_cents"]:
        return _cents(text, got["before_cents"], currency)
    for number, unit in (
        ("after_sign", "sign"),
        ("after_code", "code"),
        ("before_sign", "sign2"),
        ("before_code", "code2"),
        ("before_name", "name"),
    ):
        if got[number]:
            return _money(text, got[number], got[unit], currency)
    if got["days_after"]:
        return Token(Kind.DAYS_AFTER, text, Decimal(got["days_after"]))
    if got["ordinal"] or got["number"]:
        return Token(Kind.NUMBER, text, _decimal(quantity_text(got["ordinal"] or got["number"]), text))
    return Token(Kind.WORD if got["word"] else Kind.MARK, text)


def _decimal(plain: str, text: str) -> Decimal:
    try:
        return Decimal(plain)
    except InvalidOperation as broken:
        raise NotRead(Why.AMOUNT, text) from broken


def _cents(text: str, number: str, currency: str) -> Token:
    if Money.parse(f"1 {currency}").minor != 100:
        raise NotRead(Why.AMOUNT, text)
    return _money(text, str(_decimal(percent_text(number), text) / 100), currency, currency)


def _money(text: str, number: str, unit: str, currency: str) -> Token:
    code = SIGNS.get(unit.upper()) or NAMES.get(unit.lower()) or unit.upper()
    if unit == "$":
        if currency not in DOLLARS:
            raise NotRead(Why.WHICH_DOLLAR, text)
        code = currency
    try:
        return Token(Kind.MONEY, text, Money.parse(money_text(f"{number} {code}")))
    except InvalidInput as refused:
        raise NotRead(Why.AMOUNT, text) from refused


def _amounts_with_currency(found: list[Token]) -> list[Token]:
    """Numbers that share the currency of the amount behind them, as in `from 0 to 10,000 EUR`."""
    out = list(found)
    for place, token in enumerate(out):
        if token.kind is not Kind.NUMBER:
            continue
        after = out[place + 1 : place + 3]
        if len(after) == 2 and isinstance(after[1].value, Money) and _to(after[0]):
            out[place] = _money(token.text, token.text, after[1].value.currency, "")
    return out


def goes_to(found: Sequence[Token], place: int) -> bool:
    """True if a word between two amounts or numbers says that one goes to the other: *35 to 1500 EUR*."""
    beside = [found[at] for at in (place - 1, place + 1) if 0 <= at < len(found)]
    figures = all(token.kind in (Kind.MONEY, Kind.NUMBER) for token in beside)
    return len(beside) == 2 and figures and found[place].kind is Kind.WORD and _to(found[place])


def _to(token: Token) -> bool:
    return token.text == "-" or folded(token.text) in TO


TO = ("to", "a", "and", "y", "e", "ate", "hasta", "et", "und", "en", "bis", "tot", "zu")
