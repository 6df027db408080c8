"""Shares of buyers as an owner types them: one for each family, and how many would take another way.

A family with share w and stay s is two kinds of buyer: w x s take the family first and then others (those that are
written, else all others by falling share, of equal ones in the sequence of the families), w x (1 - s) take it alone.

Source: own design.

>>> card = {"family": "card", "share": "70", "stay": "80"}
>>> both = BuyersOf(country=None, families=[card, {"family": "cash", "share": "30", "stay": "0"}])
>>> for share, ways in kinds_of(both.families): print(share, *ways)
14/25 card cash
7/50 card
3/10 cash
>>> BuyersOf(country=None, families=[card])
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for BuyersOf
  shares-total [type=shares-total, input_value={'country': None, 'famili...': '70', 'stay': '80'}]}, input_type=dict]
"""

from collections.abc import Sequence
from decimal import Decimal
from fractions import Fraction
from typing import NamedTuple, Self

from pydantic import model_validator

from monedero.core.errors import FaultCode, refuse
from monedero.core.fields import AnyOf, CountryCode, Share, Strict, broken, once
from monedero.core.method import Family
from monedero.core.money import split

SHOWN = 10
"""Shares that follow are cut to tenths of a percent."""
STAY = "80"
"""How many would take another way, in percent, where nobody has said it of a family that is added."""


class FamilyShare(Strict):
    """The buyers who would pay by a family first: their share, and how many of them would take another way where it is
    missing, both in percent; and which way, where that is known.
    """

    family: Family
    share: Share
    stay: Share
    instead: list[Family] = []


class BuyersOf(Strict):
    """The shares of a country's buyers; with None those of every country without shares of its own."""

    country: CountryCode | None
    families: AnyOf[FamilyShare]

    @model_validator(mode="after")
    def _whole(self) -> Self:
        once((entry.family for entry in self.families), "family")
        for entry in self.families:
            once((entry.family, *entry.instead), "family")
        total = sum(entry.share for entry in self.families)
        if total != 100:
            raise broken(FaultCode.SHARES_TOTAL, value=total, where=self.country or "every other country")
        return self


class FamilyKind(NamedTuple):
    """Buyers of one kind: their share (of one), and the families that they take, the first before all others."""

    share: Fraction
    families: tuple[Family, ...]


def kinds_of(families: Sequence[FamilyShare]) -> list[FamilyKind]:
    """The kinds of buyer that shares of families are; one that nobody is of is left out."""
    order = list(Family)
    falling = sorted(families, key=lambda entry: (-entry.share, order.index(entry.family)))
    kinds = []
    for entry in families:
        others = entry.instead or [other.family for other in falling if other is not entry and other.share]
        share, stay = Fraction(entry.share) / 100, Fraction(entry.stay) / 100
        kinds.append(FamilyKind(share * stay, (entry.family, *others)))
        kinds.append(FamilyKind(share * (1 - stay), (entry.family,)))
    return [kind for kind in kinds if kind.share]


def with_share(families: Sequence[FamilyShare], family: Family, share: Decimal) -> list[FamilyShare]:
    """The shares with one of them typed anew; the others follow, each by its part of them, so that all are a hundred.

    >>> half = [FamilyShare(family=name, share=part, stay="80") for name, part in (("card", "60"), ("cash", "40"))]
    >>> [str(entry.share) for entry in with_share(half, Family.CARD, Decimal("75.5"))]
    ['75.5', '24.5']
    >>> [entry.family.value for entry in with_share(half, Family.INVOICE, Decimal(10))]
    ['card', 'cash', 'invoice']
    """
    held = list(families)
    if all(entry.family is not family for entry in held):
        held.append(FamilyShare(family=family, share="0", stay=STAY))
    others = [entry for entry in held if entry.family is not family]
    together = sum(entry.share for entry in others)
    rest = Fraction(100 - share) * SHOWN
    if not others and rest:
        raise refuse(FaultCode.SHARES_TOTAL, "share", share, where="the only way to pay")
    parts = [
        rest * Fraction(entry.share) / Fraction(together) if together else rest / len(others) for entry in others
    ]
    # The typed share may have more decimals than the others are cut to; the last of them takes the rest.
    whole = split(parts, int(rest)) if others else []
    shares = dict(zip([entry.family for entry in others], whole, strict=True))
    left = Fraction(100 - share) - Fraction(sum(whole), SHOWN)
    made = []
    for entry in held:
        value = share if entry.family is family else Decimal(shares[entry.family]) / SHOWN
        if others and entry is others[-1]:
            value += Decimal(left.numerator) / left.denominator
        made.append(entry.model_copy(update={"share": value}))
    return made
