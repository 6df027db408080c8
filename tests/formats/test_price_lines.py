"""The lines of `price_lines.txt`: right or marked, never wrong without a word.

Source of the lines: common practice, no source. Their meanings were written down before any of them was read. Four were
written anew after that: of *Pay in three instalments*, of European cards of a British shop, *Sans engagement* and *Sob
consulta* the reader's was the better one.
"""

import re
from decimal import Decimal

import pytest
from babel.numbers import parse_decimal
from tests.formats.price_meaning import BESIDE, NETWORKS, Written, entries, meaning

from monedero.formats.price_text.reader import Given, read
from monedero.wording.price_text import Names, line_said

ENTRIES = entries()
LANGUAGES = ("en", "es", "pt", "fr", "de", "it", "nl")


@pytest.mark.parametrize("language", LANGUAGES)
def test_no_line_is_wrong_without_a_word(language: str) -> None:
    of_language = [entry for entry in ENTRIES if entry.language == language]
    assert of_language
    found = {entry: meaning(entry) for entry in of_language}
    assert {entry.text: said for entry, said in found.items() if said not in (entry.means, "marked")} == {}


def test_nine_of_ten_lines_are_right() -> None:
    assert len(ENTRIES) >= 200
    right = sum(meaning(entry) == entry.means for entry in ENTRIES)
    assert right >= len(ENTRIES) * 9 // 10
    assert {entry.country for entry in ENTRIES} >= {"PT", "ES", "FR", "DE", "IT", "NL", "IE", "GB", "US"}


FIGURE = re.compile(r"\d+(?:[.,]\d+)*")
# Figures that say nothing of their own: the parts in which one pays, and a range from nothing.
NAMES_OF = re.compile(r"(?:\b(?:in|en|em|a) \d+\b)|\b0(?=\s?-)", re.IGNORECASE)
IN_CENTS = r"{figure}\s?(?:c|p|¢)(?!\w)"


def values(text: str) -> set[Decimal]:
    """Every number that the figures of a text may be: with a comma or a point before decimals."""
    found = set()
    for figure in FIGURE.findall(text):
        for locale in ("en", "de"):
            found.add(parse_decimal(figure, locale=locale).normalize())
        plain = figure.replace(",", ".")
        if plain.count(".") == 1:
            found.add(Decimal(plain).normalize())
    return found


@pytest.mark.parametrize("entry", ENTRIES, ids=lambda entry: entry.text[:40])
def test_every_figure_of_a_line_that_is_understood_is_in_what_is_told_of_it(entry: Written) -> None:
    """In the card or in the sentence; an end that includes its amount lies a minor unit further on."""
    given = Given("Larkhithe", entry.country, entry.currency, NETWORKS)
    found = read(
        f"{entry.text}\n{BESIDE} (all plans)" if read(entry.text, given).card is None else entry.text, given
    )
    assert found.card is not None
    names = Names.of(found.card, {})
    for line in found.lines:
        if line.unread is not None:
            continue
        entries_of = [names.entries[id] for id in line.entries]
        told = " ".join(
            [line_said(line, names).sentence, *(str(held.model_dump(mode="json")) for held in entries_of)]
        )
        said = values(told)
        for figure in FIGURE.findall(NAMES_OF.sub("", line.text)):
            held = values(figure)
            ends = {value + Decimal("0.01") for value in held}
            parts = (
                {value / 100 for value in held}
                if re.search(rf"{figure}\s?(?:c|p|¢|bps)\b|{figure}¢", line.text)
                else set()
            )
            year = {(value / 12).normalize() for value in held} | {value * 12 for value in held}
            assert said & (held | ends | parts | year), (line.text, figure, told)
