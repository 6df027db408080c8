"""A price list as lines of one price each: its tables, tiers and names of plans as plain lines.

A table that is pasted has tabs between its cells: a column for each plan, or one for each part of a price.
Several tiers of one line become a line each. A name on a line of its own above what it costs a month is a plan.

Source: own design.

>>> [line.text for line in unfolded("\\tStarter\\tPro\\nCards\\t1.8 %\\t1.2 %", "EUR")]
['Starter plan', 'Cards 1.8 %', 'Pro plan', 'Cards 1.2 %']
>>> [tuple(line) for line in unfolded("Cards, a month 0-10,000: 1.35 %, over 10,000: 1.1 %", "EUR")]
[(1, 'Cards, a month 0-10,000: 1.35 %'), (1, 'Cards, a month over 10,000: 1.1 %')]
"""

import re
from collections.abc import Sequence
from itertools import pairwise
from typing import NamedTuple

from monedero.formats.price_table import guess, text_of
from monedero.formats.price_text.line import LONGEST
from monedero.formats.price_text.tokens import tidy
from monedero.formats.price_text.vocabulary import folded, signs

TAB = "\t"
AMOUNT = r"[€£$]?\s?\d[\d.,' ]*(?:\s?[€£$]|\s?[A-Z]{3}\b)?"
DASH = r"\s?[-\u2013\u2014]\s?"
END = (
    r"(?:over|above|from|up to|below|under|ab|bis|über|más de|desde|hasta|mais de|acima de|até|oltre|fino a|plus de"
    r"|jusqu'à|boven|tot)"
)
TIER = re.compile(
    rf"(?P<band>{AMOUNT}{DASH}{AMOUNT}|\b{END}\s+{AMOUNT})\s*:?\s*"
    rf"(?P<price>\d[\d.,]*\s?%(?:\s?\+\s?{AMOUNT}(?!{DASH}|\s?[:%\d]))?)",
    re.IGNORECASE,
)
BETWEEN = re.compile(r"[\s,;|/.]*(?:and|then|y|e|und|et|en)?[\s,;|/]*", re.IGNORECASE)
A_MONTH = re.compile(
    r"^\W*(?:[A-Z]{3})?\s*\d[\d.,]*\s*(?:[€£$]|[A-Z]{3})?\s*(?:per month|a month|al mes|por mes|ao m[eê]s|par mois"
    r"|pro monat|im monat|al mese|per maand)\W*$",
    re.IGNORECASE,
)
NOTHING = frozenset(("", "-", "\u2013", "\u2014", "n/a", "✗", "x"))
LONGEST_NAME = 40


class Line(NamedTuple):
    """A line of one price, and the number of the line of the text that it comes of."""

    source: int
    text: str


def unfolded(text: str, currency: str) -> list[Line]:
    """The lines of a text, each of one price; a line that has nothing to unfold stays as it is."""
    lines = text.splitlines()
    found: list[Line] = []
    place = 0
    while place < len(lines):
        rows = _table_at(lines, place)
        if rows:
            said = _table(rows, currency)
        elif len(lines[place]) > LONGEST:
            said = [lines[place]]
        else:
            said = _named(lines, place) or _tiers(lines[place]) or [lines[place]]
        found += [Line(place + 1, line) for line in said]
        place += len(rows) or 1
    return found


def _table_at(lines: Sequence[str], place: int) -> list[list[str]]:
    """The rows of a table that begins at a line: as many cells in each, two rows at the least."""
    width = lines[place].count(TAB)
    rows = []
    for line in lines[place:]:
        if not width or line.count(TAB) != width or len(line) > LONGEST:
            break
        rows.append([cell.strip() for cell in line.split(TAB)])
    # The head of a table has no figures; lines that set their prices apart by tabs are none.
    return rows if len(rows) > 1 and not re.search(r"\d", lines[place]) else []


def _table(rows: Sequence[Sequence[str]], currency: str) -> list[str]:
    header, *body = rows
    columns = guess(list(header), [list(row) for row in body])
    if columns.percent is not None or columns.fixed is not None:
        return text_of(list(header), [list(row) for row in body], columns, currency).splitlines()
    if not all(cell and len(cell) <= LONGEST_NAME for cell in header[1:]):
        return [" ".join(cell for cell in row if cell) for row in rows]
    found = []
    for column, name in enumerate(header[1:], start=1):
        found.append(name if re.search(r"\bplan\b", name, re.IGNORECASE) else f"{name} plan")
        found += [f"{row[0]} {row[column]}" for row in body if row[column] not in NOTHING]
    return found


def _tiers(line: str) -> list[str]:
    """A line for each tier, with what stands before the first and behind the last one; none of fewer than two."""
    matches = list(TIER.finditer(line))
    if len(matches) < 2 or any(sign.name == "in-parts" for sign in signs(_words(line))):
        return []
    gaps = [line[one.end() : other.start()] for one, other in pairwise(matches)]
    if not all(BETWEEN.fullmatch(gap) for gap in gaps):
        return []
    before, behind = line[: matches[0].start()].rstrip(" :"), line[matches[-1].end() :].strip(" .;,")
    return [
        " ".join(part for part in (before, f"{match['band'].strip()}: {match['price']}", behind) if part)
        for match in matches
    ]


def _words(line: str) -> list[str]:
    return [folded(word) for word in re.findall(r"[^\W\d_]+", line)]


def _named(lines: Sequence[str], place: int) -> list[str]:
    """A name that nobody knows, above what it costs a month, is that of a plan."""
    line = lines[place].strip()
    words = _words(line)
    if not 1 <= len(words) <= 3 or re.search(r"[\d:%]", line) or len(line) > LONGEST_NAME:
        return []
    if any(sign.group for sign in signs(words)):
        return []
    below = next((other for other in lines[place + 1 :] if other.strip()), "")
    return [f"{line} plan"] if A_MONTH.match(tidy(below)) else []
