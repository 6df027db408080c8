"""Kinds of buyer, as they are read from a file: a share of a country's buyers, and a ranking of the ways they take.

A country of null stands for every country without kinds of its own. The shares of one country are exactly a hundred.
An entry of a ranking is a family, else a method; `method:card` is the method where a family is called so too.

Source: own design, format `monedero/buyers/1`.

>>> half = {"country": None, "share": "50", "ways": ["card"]}
>>> kinds = Buyers(format="monedero/buyers/1", kinds=[half, {**half, "ways": ["cash", "method:card"]}]).kinds
>>> entry_of(kinds[1].ways[0]), entry_of(kinds[1].ways[1])
(Entry(family=<Family.CASH: 'cash'>, method=None), Entry(family=None, method='card'))
>>> Buyers(format="monedero/buyers/1", kinds=[half])
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Buyers
  shares-total [type=shares-total, input_value={'format': 'monedero/buye..., 'ways': ['card']}]}, input_type=dict]
"""

from collections.abc import Iterable
from fractions import Fraction
from typing import Annotated, Literal, NamedTuple, Self

from pydantic import AfterValidator, model_validator

from monedero.core.errors import FaultCode, Refused
from monedero.core.fields import AnyOf, CountryCode, Share, Strict, broken, identifier
from monedero.core.method import Family

FORMAT = "monedero/buyers/1"
METHOD = "method:"
FAMILIES = frozenset(family.value for family in Family)


class Entry(NamedTuple):
    """A place in a ranking: a family, or a method."""

    family: Family | None
    method: str | None


def entry_of(text: str) -> Entry:
    """Reads an entry of a ranking: a family where one is called so, else a method."""
    if text in FAMILIES:
        return Entry(Family(text), None)
    return Entry(None, text.removeprefix(METHOD))


def _ranked(ways: list[str]) -> list[str]:
    """Refuses an entry that is no id, and one that stands twice, whichever way it is written."""
    seen: set[Entry] = set()
    for text in ways:
        entry = entry_of(text)
        if entry.method is not None:
            try:
                identifier(entry.method)
            except Refused as refused:
                raise broken(refused.faults[0].code, value=text) from refused
        if entry in seen:
            raise broken(FaultCode.DUPLICATE, what="way to pay", value=text)
        seen.add(entry)
    return ways


class Kind(Strict):
    """Buyers of one kind: the percentage of their country's buyers, and the ways that they take, the first before
    all others. Whoever finds none of them does not buy.
    """

    country: CountryCode | None
    share: Share
    ways: Annotated[AnyOf[str], AfterValidator(_ranked)]


class Buyers(Strict):
    """The kinds of buyer of a shop."""

    format: Literal["monedero/buyers/1"]
    kinds: AnyOf[Kind]

    @model_validator(mode="after")
    def _whole(self) -> Self:
        for country, total in totals((kind.country, Fraction(kind.share)) for kind in self.kinds).items():
            if total != 100:
                raise broken(FaultCode.SHARES_TOTAL, value=_percent(total), where=country or "every other country")
        return self


def totals(shares: Iterable[tuple[str | None, Fraction]]) -> dict[str | None, Fraction]:
    """The sums of shares by country."""
    found: dict[str | None, Fraction] = {}
    for country, share in shares:
        found[country] = found.get(country, Fraction(0)) + share
    return found


def _percent(total: Fraction) -> str:
    """A sum of written percentages, with the decimals that it has."""
    digits = 0
    while (total * 10**digits).denominator != 1:
        digits += 1
    text = str(int(total * 10**digits)).rjust(digits + 1, "0")
    return f"{text[:-digits]}.{text[-digits:]}" if digits else text
