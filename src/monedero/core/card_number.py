"""A card number is accepted nowhere: 13 to 19 digits that pass the Luhn check are refused, or masked in a log.

Whatever stands around them, and whatever separates them: every run of 13 to 19 digits is looked at inside any longer
run of digits and separators. Groups of four digits and more, and single digits, are also looked at where commas, line
breaks, brackets, markup or a letter stand between them. The text is read as a person sees it: other digits as plain
ones (Unicode NFKC), without marks and signs that cannot be seen, with what is percent-encoded or an HTML reference
decoded, and backwards where a sign turns it round. Only what has the shape of an IBAN, and a telephone number written
with +, are something else. One in ten numbers of such a length passes the check by chance, and is refused too.

Source: ISO/IEC 7812-1, Annex B (the Luhn check); ISO 13616-1 (IBAN, lengths by country); ITU-T E.164 (telephone
numbers); Unicode Standard Annex 9 (U+202E turns round what follows); a length of 13 to 19 and groups of four are common
practice, no source.

>>> masked("paid with 7992 7398 7130 0008 12/28, thanks")
'paid with [a card number was here], thanks'
>>> holds_one("PT50 0002 0123 1234 5678 9015 4"), holds_one("x7992\u00a07398.7130--0008")
(False, True)
>>> holds_one("(7992)(7398)(7130)(0008)"), holds_one("7992%207398%207130%200008"), holds_one("10:00, 11:00, 12:00")
(True, True, False)
>>> refuse_in("7992-7398-7130-0008")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: card-number =''
"""

import re
from collections.abc import Callable, Iterator, Sequence
from html import unescape
from unicodedata import category, decimal, normalize
from urllib.parse import unquote

import phonenumbers
from schwifty.registry import get_countries, get_iban_spec

from monedero.core.errors import FaultCode, refuse
from monedero.core.papers.account_number import clabe_checks

SHORTEST, LONGEST = 13, 19
# Blanks, dashes, dots and strokes; up to three between two digits.
BETWEEN = r"[ \t\-\u2010-\u2015\u2212._/\\|*\u00b7\u2022]{0,3}"
RUN = re.compile(rf"\d(?:{BETWEEN}\d){{12,}}")
# Between groups: up to four signs and line breaks, one letter, or markup.
BETWEEN_GROUPS = r"(?:[^\w\d]{1,4}|_|\s?[^\W\d_]\s?|\s?(?:<[/!A-Za-z][^<>]{0,60}>\s?){1,3})"
GROUPS = re.compile(rf"\d+(?:{BETWEEN_GROUPS}\d+)+")
GROUP = re.compile(r"<[/!A-Za-z][^<>]*>|(\d+)")
SHORTEST_GROUP = 4
UNSEEN = ("Mn", "Me", "Cf")
TURNED_ROUND = "\u202e"
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
    """True if a text is built as its country's IBANs are; one with a wrong digit is refused by its own field."""
    plain = text.replace(" ", "")
    return plain[:2] in get_countries() and get_iban_spec(plain[:2]).regex.fullmatch(plain[4:]) is not None


def _is_phone(text: str) -> bool:
    try:
        return phonenumbers.is_valid_number(phonenumbers.parse(text))
    except phonenumbers.NumberParseException:
        return False


def _among(digits: Sequence[int]) -> bool:
    """True if some 13 to 19 digits in sequence pass the Luhn check; those that are all nothing do not count."""
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


def _passes(digits: str) -> bool:
    """True if these digits as they stand pass the Luhn check; those that are all nothing do not."""
    backwards = [decimal(digit) for digit in reversed(digits)]
    doubled = [digit * 2 - 9 * (digit > 4) for digit in backwards[1::2]]
    return any(backwards) and (sum(backwards[::2]) + sum(doubled)) % 10 == 0


def _in_groups(text: str) -> Iterator[tuple[int, int]]:
    """Tells where groups that are one card number begin and end; the last of longer groups may be shorter."""
    for found in GROUPS.finditer(text):
        groups = [
            (found.start() + group.start(), group.group(1))
            for group in GROUP.finditer(found.group())
            if group.group(1)
        ]
        for first, (start, begins) in enumerate(groups):
            digits, sizes = begins, [len(begins)]
            for place, group in groups[first + 1 :]:
                digits += group
                if len(digits) > LONGEST or 1 < sizes[-1] < SHORTEST_GROUP:
                    break
                sizes.append(len(group))
                is_even = min(sizes[:-1]) >= SHORTEST_GROUP or max(sizes) == 1
                if is_even and len(digits) >= SHORTEST and _passes(digits):
                    yield start, place + len(group)


def _spans(plain: str) -> Iterator[tuple[int, int]]:
    """Tells where card numbers stand in a text as it is seen."""
    hidden = _without_others(plain)
    yield from (found.span() for found in RUN.finditer(hidden) if _is_one(found.group()))
    yield from _in_groups(hidden)


def _seen(text: str) -> str:
    """A text as it is seen: plain digits, without marks and without signs that show nothing."""
    if text.isascii():
        return text
    return "".join(sign for sign in normalize("NFKC", text) if category(sign) not in UNSEEN)


def _decoded(text: str) -> str:
    return unescape(unquote(text)) if "%" in text or "&" in text else text


def _first(text: str, turned: bool) -> tuple[str, tuple[int, int]] | None:
    """The text in which a card number can be read, and where it stands in it; none where none can."""
    if text.isascii() and sum(map(str.isdecimal, text)) < SHORTEST:
        return None
    for written in dict.fromkeys((text, _decoded(text))):
        plain = _seen(written)
        if span := next(_spans(plain), None):
            return plain, span
        if turned and (back := next(_spans(plain[::-1]), None)):
            return plain, (len(plain) - back[1], len(plain) - back[0])
    return None


def _is_turned_round(text: str) -> bool:
    return TURNED_ROUND in _decoded(text)


def holds_one(text: str) -> bool:
    """True if a card number stands in a text."""
    return _first(text, _is_turned_round(text)) is not None


def refuse_in(text: str) -> None:
    """Refuse a text with a card number in it; the refusal does not repeat the number."""
    if holds_one(text):
        raise refuse(FaultCode.CARD_NUMBER)


def masked(text: str) -> str:
    """A text in which no card number can be read."""
    turned = _is_turned_round(text)
    while found := _first(text, turned):
        plain, (start, end) = found
        text = f"{plain[:start]}{MASK}{plain[end:]}"
    return text
