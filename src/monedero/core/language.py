"""Languages and texts in several of them.

A language is a well-formed tag, written as the standard recommends: the language in small letters, a script with one
capital, a region in capitals; a tag that was replaced by another one is read as that. Text in several languages has one
for each tag.

Source: RFC 5646 (BCP 47) sections 2.1 and 2.1.1, by package `babel` for the languages and regions that there are.

>>> language("pt"), language("PT-br"), language("zh-hant-TW"), language("iw"), language("en-BU")
('pt', 'pt-BR', 'zh-Hant-TW', 'he', 'en-MM')
>>> language("portuguese")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: language-tag ='portuguese'
"""

import re
from typing import Annotated

from babel import Locale
from babel.core import get_global
from pydantic import AfterValidator, PlainValidator, WithJsonSchema

from monedero.core.errors import FaultCode, refuse
from monedero.core.fields import Name, broken, checked

TAG = re.compile(r"([a-z]{2,3})(?:-([a-z]{4}))?(?:-([a-z]{2}|[0-9]{3}))?", re.ASCII)


def language(text: str) -> str:
    """The tag of a language that is known, as the standard recommends to write it."""
    parts = TAG.fullmatch(text.strip().replace("_", "-").lower())
    if parts is None:
        raise refuse(FaultCode.LANGUAGE_TAG, value=text)
    name, script, region = parts[1], (parts[2] or "").title(), (parts[3] or "").upper()
    name = get_global("language_aliases").get(name, name)
    region = next(iter(get_global("territory_aliases").get(region, [])), region)
    known = Locale("en")
    for part, names in ((name, known.languages), (script, known.scripts), (region, known.territories)):
        if part and part not in names:
            raise refuse(FaultCode.LANGUAGE_TAG, value=text)
    return "-".join(filter(None, (name, script, region)))


def _some(texts: dict[str, str]) -> dict[str, str]:
    if not texts:
        raise broken(FaultCode.LIST_EMPTY)
    return texts


Language = Annotated[
    str,
    PlainValidator(checked(language)),
    WithJsonSchema({"type": "string", "description": "A BCP 47 language tag, such as pt-BR"}),
]
Names = Annotated[dict[Language, Name], AfterValidator(_some)]
"""A name in one language or several, by their tags."""


def in_language(names: dict[str, str], wished: str) -> str:
    """A name in the language that is wished for, else in the first that there is.

    >>> in_language({"en": "Card", "pt": "Cartão"}, "pt"), in_language({"en": "Card"}, "pt")
    ('Cartão', 'Card')
    """
    return names.get(wished) or next(iter(names.values()))
