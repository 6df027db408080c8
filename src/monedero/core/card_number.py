"""A card number is accepted nowhere: 13 to 19 digits that pass the Luhn check are refused, or masked in a log.

Spaces and hyphens between the digits count as nothing. Digits that continue a word or a number (an IBAN, a telephone
number written with +, a decimal fraction) are something else.

Source: ISO/IEC 7812-1, Annex B (the Luhn check); a length of 13 to 19 is common practice, no source.

>>> masked("paid with 7992 7398 7130 0008, thanks")
'paid with [a card number was here], thanks'
>>> refuse_in("7992-7398-7130-0008")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: card-number =''
"""

import re

from stdnum import luhn

from monedero.core.errors import FaultCode, refuse

SHORTEST, LONGEST = 13, 19
DIGITS = re.compile(r"(?<![\w+.,])[0-9](?:[ -]?[0-9]){12,}(?![\w])", re.ASCII)
MASK = "[a card number was here]"


def _is_one(text: str) -> bool:
    digits = re.sub("[ -]", "", text)
    return SHORTEST <= len(digits) <= LONGEST and luhn.is_valid(digits)


def holds_one(text: str) -> bool:
    """Whether a card number stands in a text."""
    return any(_is_one(found.group()) for found in DIGITS.finditer(text))


def refuse_in(text: str) -> None:
    """Refuse a text with a card number in it; the refusal does not repeat the number."""
    if holds_one(text):
        raise refuse(FaultCode.CARD_NUMBER)


def masked(text: str) -> str:
    """A text in which no card number can be read."""
    return DIGITS.sub(lambda found: MASK if _is_one(found.group()) else found.group(), text)
