"""The figures of a rate card as whole numbers over common denominators, for one settlement currency and day.

Percentages become whole numbers over one power of ten; fixed amounts, limits and bands become minor units of
the settlement currency over one denominator. Integers give the same answer as fractions, ten times faster.

Source: own design.

>>> percent_scale([Decimal("2.9"), Decimal("0.25")])
10000
>>> ScaledBand(None, 500).holds(499), ScaledBand(None, 500).holds(500)
(True, False)
>>> ScaledBand(None, 500).holds(None)
False
"""

from collections.abc import Callable, Iterable
from dataclasses import dataclass
from decimal import Decimal
from fractions import Fraction
from math import lcm

from monedero.core.fx import NoReferenceRate
from monedero.core.money import Money
from monedero.core.ratecard.model import Band, Extra, Rate


@dataclass(frozen=True, slots=True)
class ScaledBand:
    """A band in whole numbers, both ends over the same denominator."""

    low: int | None
    below: int | None

    def holds(self, value: int | Fraction | None) -> bool:
        """Whether a value (over the band's denominator) lies in the band; an unknown one does not."""
        return (
            value is not None
            and (self.low is None or value >= self.low)
            and (self.below is None or value < self.below)
        )


@dataclass(frozen=True, slots=True)
class ScaledEntry:
    """A rate or an extra in whole numbers. `missing` says which reference rate its own figures lack."""

    id: str
    percent: int
    fixed: int
    minimum: int | None
    maximum: int | None
    amount: ScaledBand | None
    volume: ScaledBand | None
    graduated: tuple[tuple[int | None, int], ...]
    missing: NoReferenceRate | None


def percent_scale(percents: Iterable[Decimal]) -> int:
    """The power of ten over which every percentage, divided by a hundred, is whole."""
    places = [-int(percent.as_tuple().exponent) for percent in percents]
    return int(10 ** (2 + max([0, *places])))


def monies(entry: Rate | Extra) -> list[Money]:
    """Every amount that an entry carries: fixed, limits, and the ends of its bands."""
    bands = [entry.when.amount, entry.when.monthly_volume]
    own = [entry.fixed, *(end for band in bands if band for end in (band.from_, band.below))]
    if isinstance(entry, Rate):
        own += [entry.minimum, entry.maximum, *(band.below for band in entry.graduated or [])]
    return [money for money in own if money is not None]


def percents(entry: Rate | Extra) -> list[Decimal]:
    """Every percentage that an entry carries."""
    own = [entry.percent] if entry.percent is not None else []
    if isinstance(entry, Rate):
        own += [band.percent for band in entry.graduated or []]
    return own


def common_denominator(entries: Iterable[Rate | Extra], in_minor: Callable[[Money], Fraction]) -> int:
    """One denominator for every amount in the entries; amounts without a reference rate do not count."""
    denominator = 1
    for entry in entries:
        for money in monies(entry):
            try:
                denominator = lcm(denominator, in_minor(money).denominator)
            except NoReferenceRate:
                continue
    return denominator


def scale_entry(
    entry: Rate | Extra, percent_over: int, money_over: int, in_minor: Callable[[Money], Fraction]
) -> ScaledEntry:
    """One rate or extra in whole numbers: percentages over `percent_over`, amounts over `money_over`."""

    def whole(money: Money | None) -> int | None:
        return None if money is None else int(in_minor(money) * money_over)

    def share(percent: Decimal | None) -> int:
        return 0 if percent is None else int(percent * percent_over / 100)

    def band(ends: Band | None) -> ScaledBand | None:
        return None if ends is None else ScaledBand(whole(ends.from_), whole(ends.below))

    graduated: tuple[tuple[int | None, int], ...] = ()
    minimum = maximum = None
    try:
        if isinstance(entry, Rate):
            graduated = tuple((whole(step.below), share(step.percent)) for step in entry.graduated or [])
            minimum, maximum = whole(entry.minimum), whole(entry.maximum)
        return ScaledEntry(
            id=entry.id,
            percent=share(entry.percent),
            fixed=whole(entry.fixed) or 0,
            minimum=minimum,
            maximum=maximum,
            amount=band(entry.when.amount),
            volume=band(entry.when.monthly_volume),
            graduated=graduated,
            missing=None,
        )
    except NoReferenceRate as missing:
        return ScaledEntry(entry.id, 0, 0, None, None, None, None, (), missing)
