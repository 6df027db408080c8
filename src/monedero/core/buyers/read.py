"""Shares of buyers by family, read from past orders: how those orders were paid.

A country has shares of its own where so many of its orders say how they were paid that a share means something; every
other one has those of all orders together. They say what buyers chose among what was offered then. How many would take
another way is in no file: it comes from a first guess.

Source: own design.

>>> paid = [PaidCount("ES", Family.CARD, 45), PaidCount("ES", Family.CASH, 15), PaidCount("PT", Family.CASH, 20)]
>>> read = read_shares(paid, lambda country: [FamilyShare(family="card", share="100", stay="75")])
>>> [(entry.family.value, str(entry.share), str(entry.stay)) for entry in read["ES"].families]
[('card', '75', '75'), ('cash', '25', '80')]
>>> [(entry.family.value, str(entry.share)) for entry in read[None].families], read[None].orders, "PT" in read
([('card', '56.3'), ('cash', '43.7')], 80, False)
"""

from collections.abc import Callable, Iterable, Sequence
from decimal import Decimal
from fractions import Fraction
from typing import NamedTuple

from monedero.core.buyers.typed import SHOWN, STAY, FamilyShare
from monedero.core.method import Family
from monedero.core.money import split

ENOUGH = 30
"""From so many orders on a country has shares of its own: a single one then moves a share by three points at most."""


class PaidCount(NamedTuple):
    """So many orders from a country that were paid by a family."""

    country: str
    family: Family
    orders: int


class ReadShares(NamedTuple):
    """The shares of a country's buyers, and how many orders say so."""

    families: list[FamilyShare]
    orders: int


def read_shares(
    paid: Iterable[PaidCount], guess: Callable[[str | None], Sequence[FamilyShare]]
) -> dict[str | None, ReadShares]:
    """The shares of each country with enough orders, and of all orders under None; nothing where there are too few.

    `guess` tells a country's first guesses, which say how many would take another way.
    """
    by_country: dict[str | None, dict[Family, int]] = {}
    for country, family, orders in paid:
        for group in (country, None):
            counted = by_country.setdefault(group, {})
            counted[family] = counted.get(family, 0) + orders
    return {
        country: ReadShares(_shares(counted, guess(country)), total)
        for country, counted in by_country.items()
        if (total := sum(counted.values())) >= ENOUGH
    }


def _shares(counted: dict[Family, int], guessed: Sequence[FamilyShare]) -> list[FamilyShare]:
    """The shares of the families, the largest first, in tenths of a percent that add up."""
    stays = {entry.family: str(entry.stay) for entry in guessed}
    order = list(Family)
    families = sorted(counted, key=lambda family: (-counted[family], order.index(family)))
    total = sum(counted.values())
    tenths = split([Fraction(counted[family] * 100 * SHOWN, total) for family in families], 100 * SHOWN)
    return [
        FamilyShare(family=family, share=str(Decimal(part) / SHOWN), stay=stays.get(family, STAY))
        for family, part in zip(families, tenths, strict=True)
    ]
