"""Days as people type them, read into the one way in which they are kept, year first.

Understood are the year first (`2026-11-24`, `2026/11/24`), the day first with points, hyphens or blanks (`12.03.1980`),
and the month by its name or its beginning in the languages of buyers and owners (`12 March 1980`, `March 12, 1980`,
`12. März 1980`, `12 de marzo de 1980`). With strokes it depends on the country which number is the month: it is asked
where both could be. A year has four digits.

Source: CLDR (names of months, package `babel`); ISO 8601-1:2019 (the year first); what is ambiguous is own design.

>>> day_text("12.03.1980"), day_text("12 March 1980"), day_text("march 12, 1980"), day_text("25/12/2026")
('1980-03-12', '1980-03-12', '1980-03-12', '2026-12-25')
>>> day_text("03/12/2026")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: date-ambiguous ='03/12/2026'
"""

import re
import unicodedata
from datetime import date
from functools import cache

from babel import Locale

from monedero.core.errors import FaultCode, refuse

LANGUAGES = ("en", "de", "es", "fr", "pt", "it", "nl")
YEAR_FIRST = re.compile(r"([0-9]{4})[-/. ]([0-9]{1,2})[-/. ]([0-9]{1,2})\.?", re.ASCII)
IN_FIGURES = re.compile(r"([0-9]{1,2})([-/. ])\s?([0-9]{1,2})\2\s?([0-9]{4})\.?", re.ASCII)
DAY_THEN_NAME = re.compile(
    r"([0-9]{1,2})(?:st|nd|rd|th|er|º|\.)?[ -]?(?:de |of )?([^\W\d_]+)\.?,?[ -](?:de )?([0-9]{4})"
)
NAME_THEN_DAY = re.compile(r"([^\W\d_]+)\.? ([0-9]{1,2})(?:st|nd|rd|th)?,? ([0-9]{4})")
SHORTEST_NAME, LONGEST = 3, 40


def _plain(text: str) -> str:
    """Small letters without accents, and single blanks."""
    letters = unicodedata.normalize("NFKD", text.strip().casefold())
    return " ".join("".join(each for each in letters if not unicodedata.combining(each)).split())


@cache
def _months() -> dict[str, int]:
    """The numbers of months by their names; a beginning that two months share names none."""
    named: dict[str, set[int]] = {}
    for language in LANGUAGES:
        for number, name in Locale(language).months["format"]["wide"].items():
            plain = _plain(name)
            for end in range(SHORTEST_NAME, len(plain) + 1):
                named.setdefault(plain[:end], set()).add(number)
    return {name: numbers.pop() for name, numbers in named.items() if len(numbers) == 1}


def day_text(text: str) -> str:
    """A day as it is kept, from one as it was typed; what is none stays as it is, to be refused where it is read."""
    plain = _plain(text) if len(text) <= LONGEST else ""
    found = _in_figures(plain, text) or _by_name(plain)
    if found is None:
        return text
    try:
        return date(*found).isoformat()
    except ValueError:
        return text


def _in_figures(plain: str, text: str) -> tuple[int, int, int] | None:
    """Year, month and day of a day in figures."""
    if first := YEAR_FIRST.fullmatch(plain):
        return int(first[1]), int(first[2]), int(first[3])
    found = IN_FIGURES.fullmatch(plain)
    if found is None:
        return None
    one, other, year = int(found[1]), int(found[3]), int(found[4])
    if found[2] == "/" and one != other and max(one, other) <= 12:
        raise refuse(
            FaultCode.DATE_AMBIGUOUS,
            value=text,
            one=f"{year}-{other:02}-{one:02}",
            other=f"{year}-{one:02}-{other:02}",
        )
    return (year, one, other) if found[2] == "/" and other > 12 else (year, other, one)


def _by_name(plain: str) -> tuple[int, int, int] | None:
    """Year, month and day of a day whose month is named."""
    if found := DAY_THEN_NAME.fullmatch(plain):
        day, name, year = found[1], found[2], found[3]
    elif found := NAME_THEN_DAY.fullmatch(plain):
        name, day, year = found[1], found[2], found[3]
    else:
        return None
    month = _months().get(name)
    return (int(year), month, int(day)) if month else None
