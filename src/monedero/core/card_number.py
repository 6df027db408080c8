"""A card number is accepted nowhere: 13 to 19 digits that pass the Luhn check are refused, or masked in a log.

Whatever stands around them, and whatever separates them: every run of 13 to 19 digits is looked at inside any longer
run of digits and separators, over text whose full-width and other digits are read as plain ones (Unicode NFKC). Only
what has the shape of an IBAN, and a telephone number written with +, are something else. One in ten numbers of such a
length passes the check by chance, and is refused too.

Source: ISO/IEC 7812-1, Annex B (the Luhn check); ISO 13616-1 (IBAN, lengths by country); ITU-T E.164 (telephone
numbers); a length of 13 to 19 is common practice, no source.

>>> masked("paid with 7992 7398 7130 0008 12/28, thanks")
'paid with [a card number was here], thanks'
>>> holds_one("PT50 0002 0123 1234 5678 9015 4"), holds_one("x7992\u00a07398.7130--0008")
(False, True)
>>> refuse_in("7992-7398-7130-0008")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: card-number =''
"""

import re
from collections.abc import Callable, Sequence
from unicodedata import decimal, normalize

import phonenumbers
from schwifty.registry import get_countries, get_iban_spec

from monedero.core.errors import FaultCode, refuse
from monedero.core.papers.account_number import clabe_checks

SHORTEST, LONGEST = 13, 19
# Blanks, dashes, dots and strokes, and what cannot be seen; up to three between two digits.
BETWEEN = r"[ \t\u00ad\u200b-\u200d\u2060\ufeff\-\u2010-\u2015\u2212._/\\|*\u00b7\u2022]{0,3}"
RUN = re.compile(rf"\d(?:{BETWEEN}\d){{12,}}")
IBAN = re.compile(r"\b[A-Z]{2}[0-9]{2}(?: ?[A-Z0-9]){11,30}\b", re.ASCII)
PHONE = re.compile(r"\+[1-9](?:[ -]?[0-9]){6,14}(?![0-9])", re.ASCII)
CLABE = re.compile(r"(?<![0-9])[0-9]{18}(?![0-9])", re.ASCII)
MASK = "[a card number was here]"
LETTERS = str.maketrans("0123456789", "ghijklmnop")


def lettered(hexadecimal: str) -> str:
    """A hexadecimal number in letters alone, so that by no chance a run of its digits is taken for a card number.

    >>> lettered("0a9f")
    'gapf'
    """
    return hexadecimal.translate(LETTERS)


def _without_others(text: str) -> str:
    """The text with letters in the place of IBANs and telephone numbers, as long as before."""
    return CLABE.sub(_hide(clabe_checks), PHONE.sub(_hide(_is_phone), IBAN.sub(_hide(_is_iban), text)))


def _hide(is_one: Callable[[str], bool]) -> Callable[[re.Match[str]], str]:
    return lambda found: "X" * len(found.group()) if is_one(found.group()) else found.group()


def _is_iban(text: str) -> bool:
    """Whether a text is built as its country's IBANs are; one with a wrong digit is refused by its own field."""
    plain = text.replace(" ", "")
    return plain[:2] in get_countries() and get_iban_spec(plain[:2]).regex.fullmatch(plain[4:]) is not None


def _is_phone(text: str) -> bool:
    try:
        return phonenumbers.is_valid_number(phonenumbers.parse(text))
    except phonenumbers.NumberParseException:
        return False


def _among(digits: Sequence[int]) -> bool:
    """Whether some 13 to 19 digits in sequence pass the Luhn check; those that are all nothing do not count."""
    doubled = [digit * 2 - 9 * (digit > 4) for digit in digits]
    # Sums up to a place: with the digits at odd places doubled, with those at even places, and of digits alone.
    sums = [(0, 0, 0)]
    for place, (plain, twice) in enumerate(zip(digits, doubled, strict=True)):
        odd, even, alone = sums[-1]
        odd, even = (odd + twice, even + plain) if place % 2 else (odd + plain, even + twice)
        sums.append((odd, even, alone + plain))
    for end in range(SHORTEST, len(digits) + 1):
        kind = (end - 1) % 2  # the last digit is not doubled
        for start in range(max(0, end - LONGEST), end - SHORTEST + 1):
            if (sums[end][kind] - sums[start][kind]) % 10 == 0 and sums[end][2] > sums[start][2]:
                return True
    return False


def _is_one(run: str) -> bool:
    return _among([decimal(character) for character in run if character.isdecimal()])


def holds_one(text: str) -> bool:
    """Whether a card number stands in a text."""
    if sum(map(str.isdecimal, text)) < SHORTEST and text.isascii():
        return False
    return any(_is_one(found.group()) for found in RUN.finditer(_without_others(normalize("NFKC", text))))


def refuse_in(text: str) -> None:
    """Refuse a text with a card number in it; the refusal does not repeat the number."""
    if holds_one(text):
        raise refuse(FaultCode.CARD_NUMBER)


def masked(text: str) -> str:
    """A text in which no card number can be read."""
    if not holds_one(text):
        return text
    plain = normalize("NFKC", text)
    hidden = _without_others(plain)
    parts, end = [], 0
    for found in RUN.finditer(hidden):
        if _is_one(found.group()):
            parts += [plain[end : found.start()], MASK]
            end = found.end()
    return "".join([*parts, plain[end:]])
