"""Languages and texts in several of them.

A language is a well-formed tag, written as the standard recommends: the language in small letters, a script with one
capital, a region in capitals; a tag that was replaced by another one is read as that. Text in several languages has one
for each tag.

Source: RFC 5646 (BCP 47) sections 2.1, 2.1.1 and 4.5, by package `langcodes`; regions by ISO 3166-1 and UN M49.

>>> language("pt"), language("PT-br"), language("zh-hant-TW"), language("iw"), language("zh_cmn_hans")
('pt', 'pt-BR', 'zh-Hant-TW', 'he', 'zh-Hans')
>>> language("portuguese")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: language-tag ='portuguese'
"""

from typing import Annotated

from babel import Locale
from langcodes import Language as Tag
from langcodes import standardize_tag, tag_is_valid
from pydantic import AfterValidator, PlainValidator, WithJsonSchema

from monedero.core.errors import FaultCode, refuse
from monedero.core.fields import Name, broken, checked


def language(text: str) -> str:
    """The tag of a language that is known, as the standard recommends to write it."""
    try:
        tag = standardize_tag(text.strip())
        found = Tag.get(tag)
    except ValueError:
        raise refuse(FaultCode.LANGUAGE_TAG, value=text) from None
    known = Locale("en")
    region = found.territory is None or found.territory in known.territories
    if not tag_is_valid(tag) or found.extlangs or found.language not in known.languages or not region:
        raise refuse(FaultCode.LANGUAGE_TAG, value=text)
    return tag


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


OtherNames = dict[Language, Name]
"""Names besides the one in the first language of a shop, by language."""


def in_language(names: dict[str, str], wished: str) -> str:
    """A name in the language that is wished for, else in the first that there is.

    >>> in_language({"en": "Card", "pt": "Cartão"}, "pt"), in_language({"en": "Card"}, "pt")
    ('Cartão', 'Card')
    """
    return names.get(wished) or next(iter(names.values()))
