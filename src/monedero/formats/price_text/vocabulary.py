"""The words of the trade that a price list is written in, in seven languages.

A phrase stands for one thing, whatever the language; the longest phrase is taken first. Accents and capitals do not
count.

Source: common practice, no source; the names of countries are those of CLDR.

>>> [(sign.group, sign.name) for sign in signs(["tarjetas", "de", "debito", "nacionales"])]
[('methods', 'card'), ('card_kinds', 'consumer-debit'), ('origins', 'domestic')]
>>> signs(["moonbeams"])
[Sign(group='', name='', said='moonbeams', words=1)]
"""

import json
import unicodedata
from collections.abc import Iterator, Mapping, Sequence
from functools import cache
from importlib.resources import files
from typing import NamedTuple

import pycountry
from babel import Locale

LANGUAGES = ("en", "es", "pt", "fr", "de", "it", "nl")
PASSED_OVER = "passed_over"


class Sign(NamedTuple):
    """A phrase that is known: its group and its name in it, as it was said, in how many words; without, a word."""

    group: str
    name: str
    said: str
    words: int


def folded(text: str) -> str:
    """A word as it is looked up: small letters without accents.

    >>> folded("Mínimo"), folded("prestações")
    ('minimo', 'prestacoes')
    """
    plain = unicodedata.normalize("NFKD", text.casefold())
    return "".join(letter for letter in plain if not unicodedata.combining(letter))


@cache
def table() -> Mapping[str, Mapping[str, Mapping[str, Sequence[str]]]]:
    """The phrases by group, name and language."""
    text = files("monedero.formats.price_text").joinpath("words.json").read_text("utf-8")
    read = json.loads(text)
    return {**read, PASSED_OVER: {"": read[PASSED_OVER]}}


@cache
def _phrases() -> Mapping[str, tuple[str, str]]:
    known: dict[str, tuple[str, str]] = dict(_countries())
    for group, named in table().items():
        for name, languages in named.items():
            known |= {phrase: (group, name) for phrases in languages.values() for phrase in phrases}
    return known


def _countries() -> Iterator[tuple[str, tuple[str, str]]]:
    for language in LANGUAGES:
        names = Locale(language).territories
        for country in pycountry.countries:
            name = folded(str(names.get(country.alpha_2, country.name))).replace("-", " ")
            yield name, ("countries", country.alpha_2)


@cache
def _longest() -> Mapping[str, int]:
    """By the first word of phrases, how many words the longest of them has."""
    longest: dict[str, int] = {}
    for phrase in _phrases():
        words = phrase.split()
        longest[words[0]] = max(longest.get(words[0], 0), len(words))
    return longest


def signs(words: Sequence[str], more: Mapping[str, tuple[str, str]] | None = None) -> list[Sign]:
    """Folded words that follow one another as signs, what is passed over left out; `more` are phrases of this text."""
    found: list[Sign] = []
    place = 0
    while place < len(words):
        sign = _at(words, place, more or {})
        place += sign.words
        if sign.group != PASSED_OVER:
            found.append(sign)
    return found


def _at(words: Sequence[str], place: int, more: Mapping[str, tuple[str, str]]) -> Sign:
    longest = max(_longest().get(words[place], 0), *(len(phrase.split()) for phrase in more), 1)
    for length in range(min(longest, len(words) - place), 0, -1):
        said = " ".join(words[place : place + length])
        known = more.get(said) or _phrases().get(said)
        if known:
            return Sign(*known, said, length)
    return Sign("", "", words[place], 1)
