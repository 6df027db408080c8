"""Tells what pricing a route answers: an exact fee with its parts, or the reason why there is none.

A fee is carried exactly and rounded once, half up; its parts are shown so that they add up to what is charged.

Source: own design, `monedero/rate-card/1`.

>>> fee = Priced(None, "card-any", "EUR", 1000, (2465, 250, 0), ())
>>> fee.exact, fee.charged
(Fraction(543, 20000), Money(minor=3, currency='EUR'))
"""

from fractions import Fraction
from typing import NamedTuple

from monedero.core.money import Money, minor_units, round_half_up, split
from monedero.core.ratecard.model import Route
from monedero.core.reasons import Reason

KINDS = ("percentage", "fixed", "adjustment")


class Part(NamedTuple):
    """One part of a fee, `percentage`, `fixed` or `adjustment`, of a rate or extra, over the fee's denominator."""

    kind: str
    entry: str
    numerator: int


class Priced(NamedTuple):
    """An exact fee in minor units of the settlement currency, as numerators over one denominator.

    They are percentage, fixed and adjustment to a limit of the rate, then percentage and fixed of each extra.
    """

    route: Route
    rate: str
    currency: str
    denominator: int
    numerators: tuple[int, ...]
    extras: tuple[str, ...]

    @property
    def parts(self) -> list[Part]:
        """Every part with its name."""
        names = [(kind, self.rate) for kind in KINDS]
        names += [(kind, extra) for extra in self.extras for kind in KINDS[:2]]
        return [Part(*name, numerator) for name, numerator in zip(names, self.numerators, strict=True)]

    @property
    def returned(self) -> Fraction:
        """Tells what a refund brings back where it brings back the percentage, in whole units, not rounded.

        >>> Priced(None, "any", "EUR", 1000, (2465, 250, 0, 100, 5), ("abroad",)).returned
        Fraction(513, 20000)
        """
        lesser = min(self.numerators[0], sum(self.numerators[:3]))
        return Fraction(lesser + sum(self.numerators[3::2]), self.denominator * minor_units(self.currency))

    @property
    def exact(self) -> Fraction:
        """The fee in whole units of the settlement currency, not rounded."""
        return Fraction(sum(self.numerators), self.denominator * minor_units(self.currency))

    @property
    def charged(self) -> Money:
        """The fee, rounded once, half up."""
        return Money(round_half_up(sum(self.numerators), self.denominator), self.currency)

    @property
    def shown(self) -> list[tuple[Part, Money]]:
        """The parts that are not nothing, in whole minor units that add up to the charged fee."""
        parts = [part for part in self.parts if part.numerator]
        exact = [Fraction(part.numerator, self.denominator) for part in parts]
        shares = split(exact, self.charged.minor)
        return [(part, Money(share, self.currency)) for part, share in zip(parts, shares, strict=True)]


class NotPriced(NamedTuple):
    """A route that has no price for this order, and why."""

    route: Route
    reason: Reason


class NothingToPay(NamedTuple):
    """A route of an order of zero."""

    route: Route


Pricing = Priced | NotPriced | NothingToPay
