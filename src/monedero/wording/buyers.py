"""Tells what buyers read: catalogues of their own, and the language of the buyer who reads now.

A desk may be worded in one language while it shows what a buyer reads in another; so the two are apart. Every language
here is complete. A shop may sell in a language for which there is no wording: its own texts are in that language, the
words around them in English.

Source: Project Fluent syntax 1.0; RFC 5646 and RFC 4647 section 3.4 (which language serves a wish); CLDR (locales).

>>> with to_buyer("pt-BR"):
...     (tell("pay", amount="R$ 5,00"), tag(), str(locale()))
('Pagar R$ 5,00', 'pt-BR', 'pt_BR')
>>> with to_buyer("nl"):
...     (tell("pay", amount="5"), tag(), str(locale()))
('Pay 5', 'nl', 'en_001')
>>> with to_buyer("pt", "PT"):
...     str(locale())
'pt_PT'
>>> best_of("de-AT, en;q=0.8", ["en", "pt", "de"]), best_of("fi", ["en", "pt"])
('de', 'en')
"""

from collections.abc import Iterator, Mapping, Sequence
from contextlib import contextmanager
from contextvars import ContextVar
from functools import cache, lru_cache

from babel import Locale, UnknownLocaleError

from monedero.wording.catalogue import FALLBACK, FOLDER, Messages, wishes

HERE = FOLDER / "to_buyers"
BUYER_LANGUAGES = tuple(sorted(path.name for path in HERE.iterdir() if path.is_dir()))
# As the world writes English: days before months, no comma before the last of a list.
WORLD_ENGLISH = "en_001"

_tag: ContextVar[str] = ContextVar("buyers_language", default=FALLBACK)
_country: ContextVar[str] = ContextVar("buyers_country", default="")


def tag() -> str:
    """The language of the buyer who reads now (BCP 47)."""
    return _tag.get()


def called(name: str, names: Mapping[str, str]) -> str:
    """A name as the buyer reads it: in the buyer's language, else as it is called in the first."""
    return names.get(tag(), name)


@contextmanager
def to_buyer(language: str, country: str = "") -> Iterator[None]:
    """Word what is worded within for a buyer who reads a language.

    `country` is that of the shop: where a language is written in several ways and does not say which, it is its own.
    """
    tokens = _tag.set(language), _country.set(country)
    try:
        yield
    finally:
        _tag.reset(tokens[0])
        _country.reset(tokens[1])


def wording_language() -> str:
    """The language of the words around a shop's own texts."""
    return worded_in(tag())


def worded_in(language: str) -> str:
    """The language of the wording that serves a tag."""
    own = language.partition("-")[0]
    return own if own in BUYER_LANGUAGES else FALLBACK


def locale() -> Locale:
    """How numbers, money and days are written for the buyer who reads now."""
    return _locale(tag(), _country.get())


@lru_cache(maxsize=256)
def _locale(language: str, country: str) -> Locale:
    own = worded_in(language)
    wished = [WORLD_ENGLISH] if own == FALLBACK else [f"{own}_{country}", own]
    if "-" in language and own == language.partition("-")[0]:
        wished.insert(0, language.replace("-", "_"))
    for name in wished:
        try:
            return Locale.parse(name)
        except (UnknownLocaleError, ValueError):
            continue
    raise UnknownLocaleError(language)


@cache
def catalogue(language: str) -> Messages:
    """The messages for buyers who read a language."""
    return Messages(language, HERE)


def tell(message: str, /, **fields: str | int) -> str:
    """A message for the buyer who reads now. Raises KeyError for one that is in no catalogue."""
    own = catalogue(wording_language())
    return (own if message in own.fields else catalogue(FALLBACK)).said(message, fields)


def best_of(wished: str, languages: Sequence[str]) -> str:
    """The language of a shop that fits a wish best, written as `Accept-Language` is; else the first of the shop's."""
    for tag in wishes(wished):
        parts = tag.lower().split("-")
        # A wish is served by the language that is left when it is cut at its end, part by part (RFC 4647, 3.4).
        for end in range(len(parts), 0, -1):
            cut = "-".join(parts[:end])
            found = next((one for one in languages if one.lower() == cut), None)
            if found is not None:
                return found
        found = next((one for one in languages if one.lower().split("-")[0] == parts[0]), None)
        if found is not None:
            return found
    return languages[0]
