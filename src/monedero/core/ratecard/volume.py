"""Tells what an account takes in a month, and which ends of a card's bands of volume that reaches.

Bands in `when` take the volume whole. A graduated rate looks at how far the month has come: over a month every band
is walked, so that the two may differ. An end or a volume without a reference rate leaves open what is reached.

Source: own design, `monedero/rate-card/1`.

>>> two, ten = Money.parse("2000 EUR"), Money.parse("10000 EUR")
>>> held = reached_by({two: Fraction(2000), ten: Fraction(10000)}, Fraction(5000), Fraction(0))
>>> held.whole == {two}, held.graduated == set(), held.unknown == set()
(True, True, True)
>>> reached_by({two: None}, Fraction(5000), Fraction(5000)).unknown == {two}
True
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from fractions import Fraction
from typing import NamedTuple

from monedero.core.money import Money
from monedero.core.ratecard.model import Extra, Rate, RateCard


class Volume(NamedTuple):
    """The takings of an account in a month, in whole units of a currency."""

    amount: Fraction
    currency: str

    @classmethod
    def of(cls, money: Money) -> "Volume":
        """A volume that was typed."""
        return cls(money.exact, money.currency)


def plan_key(provider: str, plan: str) -> str:
    """The name by which figures of a plan are kept, unlike that of any plan of another provider."""
    return f"{provider}/{plan}"


@dataclass(frozen=True, slots=True)
class Takings:
    """Holds what accounts take in a month: each plan (by its `plan_key`) its own, and every other one alike.

    Where neither is given, nothing is known.
    """

    every: Money | None = None
    by_plan: Mapping[str, Volume] = field(default_factory=dict)

    def of(self, card: RateCard) -> Mapping[str, Volume]:
        """Tells what the account takes, by plan of a card; one that is not known is not there."""
        alike = (
            {} if self.every is None else dict.fromkeys((plan.id for plan in card.plans), Volume.of(self.every))
        )
        named = {plan.id: plan_key(card.provider.id, plan.id) for plan in card.plans}
        return alike | {plan: self.by_plan[name] for plan, name in named.items() if name in self.by_plan}


NOT_KNOWN = Takings()


class Reached(NamedTuple):
    """The ends of bands that are reached: by the whole volume, and so far in the month; and those left open."""

    whole: frozenset[Money]
    graduated: frozenset[Money]
    unknown: frozenset[Money]


def ends_of(entry: Rate | Extra) -> frozenset[Money]:
    """The ends of an entry's bands of volume."""
    band = entry.when.monthly_volume
    ends = [band.from_, band.below] if band else []
    if isinstance(entry, Rate):
        ends += [step.below for step in entry.graduated or []]
    return frozenset(end for end in ends if end)


def graduated_ends(entries: Iterable[Rate | Extra]) -> frozenset[Money]:
    """The ends at which the percentage of a graduated rate changes."""
    steps = [step for entry in entries if isinstance(entry, Rate) for step in entry.graduated or []]
    return frozenset(step.below for step in steps if step.below)


def reached_by(ends: Mapping[Money, Fraction | int | None], whole: Fraction, so_far: Fraction) -> Reached:
    """Tells what two volumes reach of ends that were brought to the same currency; None has no reference rate."""
    known = {end: value for end, value in ends.items() if value is not None}
    return Reached(
        frozenset(end for end, value in known.items() if value <= whole),
        frozenset(end for end, value in known.items() if value <= so_far),
        frozenset(ends.keys() - known.keys()),
    )
