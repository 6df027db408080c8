"""Placeholders in a text: a name in braces that is filled with a part of the order, such as {number}.

A text names only placeholders that are known where it is read, and has no other braces, so that no buyer ever reads
one. What is filled in is never read as a placeholder again.

Source: own design.

>>> filled("Order {number} of {shop}", {"number": "1001", "shop": "Cabo {Noite}"})
'Order 1001 of Cabo {Noite}'
>>> text_for(IN_ADVANCE)("Quote {reference}")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: placeholder-unknown ='{reference}'
>>> text_for(AFTERWARDS)("Quote {reference")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: brace-alone ='Quote {reference'
"""

import re
from collections.abc import Callable, Mapping
from enum import StrEnum
from html import unescape
from urllib.parse import unquote

from monedero.core import card_number
from monedero.core.errors import FaultCode, refuse

LONGEST = 2000
PLACEHOLDER = re.compile(r"\{([a-z-]{1,20})\}", re.ASCII)
ANY = re.compile(r"\{[^{}]{0,40}\}")


# An address that leads to another site, with the buyer's personal link in it.
LINK_ELSEWHERE = re.compile(r"(?:[a-z][a-z0-9+.-]*:|//|www\.)\S*\{link\}", re.ASCII | re.IGNORECASE)
# A picture in Markdown, with its address; of one that is named elsewhere in the text the address is empty.
PICTURE = re.compile(r"!\[[^\]]*\]\(\s*<?([^)\s>]*)|!\[[^\]]*\]()")
KEPT_HERE = re.compile(r"/api/pictures/[a-p]{32}", re.ASCII)


class Placeholder(StrEnum):
    """Names what a text can be filled with; `UNTIL` is the day by which it is to be paid, `LINK` the page of the
    order.
    """

    LINE = "line"
    SHOP = "shop"
    AMOUNT = "amount"
    TENDER = "way"
    NUMBER = "number"
    REFERENCE = "reference"
    UNTIL = "until"
    LINK = "link"


IN_ADVANCE = (Placeholder.LINE, Placeholder.SHOP, Placeholder.AMOUNT, Placeholder.TENDER)
"""These are known before there is an order."""
AFTERWARDS = tuple(Placeholder)


def filled(text: str, values: Mapping[str, str]) -> str:
    """A text with its placeholders filled; one without a value reads as nothing."""
    return PLACEHOLDER.sub(lambda found: values.get(found.group(1), ""), text)


SENTENCE_END = re.compile(r"(?<=[.!?])[ \t]+")


def without_unsaid(text: str, values: Mapping[str, str]) -> str:
    """A text without the sentences whose placeholders stand for nothing now, such as a day that is over.

    >>> told = "Your seat is held until {until}. Bring warm clothes."
    >>> without_unsaid(told, {"until": ""}), without_unsaid(told, {"until": "5 Dec"}) == told
    ('Bring warm clothes.', True)
    """

    def is_said(sentence: str) -> bool:
        return all(values.get(name) != "" for name in PLACEHOLDER.findall(sentence))

    lines = []
    for line in text.split("\n"):
        said = [sentence for sentence in SENTENCE_END.split(line) if is_said(sentence)]
        if said or not line:
            lines.append(" ".join(said))
    return "\n".join(lines)


def text_for(known: tuple[Placeholder, ...]) -> Callable[[str], str]:
    """A reader of a text that may be empty, of 2,000 characters at the most, with known placeholders alone."""
    names = [one.value for one in known]
    told = ", ".join(f"{{{name}}}" for name in names)

    def read(value: str) -> str:
        text = value.strip()
        card_number.refuse_in(text)
        if len(text) > LONGEST:
            raise refuse(FaultCode.TOO_LONG, value=value, longest=LONGEST, length=len(text))
        for found in ANY.finditer(text):
            name = PLACEHOLDER.fullmatch(found.group())
            if name is None or name.group(1) not in names:
                raise refuse(
                    FaultCode.PLACEHOLDER_UNKNOWN, value=found.group(), placeholder=found.group(), known=told
                )
        rest = ANY.sub("", text)
        alone = re.search(r"[{}]", rest)
        if alone is not None:
            near = rest[max(alone.start() - 20, 0) : alone.start() + 20]
            raise refuse(FaultCode.BRACE_ALONE, value=near, near=near, known=told)
        return text

    return read


def refuse_elsewhere(text: str) -> None:
    """Refuse a personal link in the address of another site, and a picture that is not kept by the shop.

    >>> refuse_elsewhere("[Look](https://maps.example/?back={link})")
    Traceback (most recent call last):
    ...
    monedero.core.errors.InvalidInput: link-elsewhere ='https://maps.example/?back={link}'
    >>> refuse_elsewhere("[Your order]({link}), ![a boat](https://boats.example/1.png)")
    Traceback (most recent call last):
    ...
    monedero.core.errors.InvalidInput: picture-elsewhere ='https://boats.example/1.png'
    """
    if found := LINK_ELSEWHERE.search(unquote(unescape(text))):
        raise refuse(FaultCode.LINK_ELSEWHERE, value=found.group()[:80])
    for picture in PICTURE.finditer(text):
        if not KEPT_HERE.fullmatch(picture.group(1) or ""):
            raise refuse(FaultCode.PICTURE_ELSEWHERE, value=(picture.group(1) or picture.group())[:80])
