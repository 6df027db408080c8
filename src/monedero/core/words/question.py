"""A question to the catalogue as far as it was understood, as data.

Rule: every word of a question is part of a facet, or unknown and shown.

Source: own design.

>>> Question([Facet("currency", "EUR", "euro")], ["balloon"]).facets[0].value
'EUR'
>>> Facet("currency")
Traceback (most recent call last):
...
TypeError: Facet.__new__() missing 2 required positional arguments: 'value' and 'words'
"""

from typing import NamedTuple


class Facet(NamedTuple):
    """One thing that was understood: its kind, its value, and the words it was said in."""

    kind: str
    value: str
    words: str


class Question(NamedTuple):
    """Holds what was understood, in the sequence in which it was said, and the words that were not."""

    facets: list[Facet]
    unknown: list[str]
