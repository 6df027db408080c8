"""The texts of a tender by language: what its owner wrote, and which of it a buyer reads.

A text that was not written follows the settings: it is ready-made, in the buyer's language where the wording ships in
it. What was written in the first language of the shop stands for every language that lacks it, so that no buyer reads a
ready-made text that may say something else. An empty text is written too: nothing is said.

Source: own design; tags by RFC 5646.

>>> written = {"en": Texts(before="Sign **here**."), "pt": Texts(after="")}
>>> own_text(written, TextKind.BEFORE, "pt", ["en", "pt"]), own_text(written, TextKind.AFTER, "pt", ["en", "pt"])
(Own(text='Sign **here**.', language='en'), Own(text='', language='pt'))
>>> own_text(written, TextKind.AFTER, "en", ["en", "pt"]) is None
True
>>> own_text(written, TextKind.PAID, "pt", ["en", "pt"]) is None
True
"""

from collections.abc import Mapping, Sequence
from enum import StrEnum
from typing import Annotated, NamedTuple

from pydantic import PlainValidator, WithJsonSchema

from monedero.core.fields import Description, Strict, checked
from monedero.core.words.placeholders import AFTERWARDS, IN_ADVANCE, LONGEST, text_for


def _schema(about: str) -> WithJsonSchema:
    return WithJsonSchema({"type": "string", "maxLength": LONGEST, "description": about})


BeforeText = Annotated[str, PlainValidator(checked(text_for(IN_ADVANCE))), _schema("Markdown, with placeholders")]
AfterText = Annotated[str, PlainValidator(checked(text_for(AFTERWARDS))), _schema("Markdown, with placeholders")]


class TextKind(StrEnum):
    """The texts of a tender: under its name, before and after the order, and what follows a payment or a failure."""

    DESCRIPTION = "description"
    BEFORE = "before"
    AFTER = "after"
    PAID = "paid"
    FAILED = "failed"


class Texts(Strict):
    """The texts of a tender in one language. None: not written, so that the ready-made text stands."""

    description: Description | None = None
    before: BeforeText | None = None
    after: AfterText | None = None
    paid: AfterText | None = None
    failed: AfterText | None = None


class Own(NamedTuple):
    """A text that the owner wrote, and the language in which it is."""

    text: str
    language: str


def own_text(texts: Mapping[str, Texts], kind: TextKind, wished: str, languages: Sequence[str]) -> Own | None:
    """Tells what the owner wrote, in the language that is wished for, else in the first of the shop's.

    None: it is written in neither. What is written in another language stands for no reader of a third one.
    """
    for tag in dict.fromkeys((wished, *languages[:1])):
        text: str | None = getattr(texts[tag], kind.value) if tag in texts else None
        if text is not None:
            return Own(text, tag)
    return None
