"""Tells what a route charges as straight lines over the amount.

Most routes are of this kind: the figures of a rate and its extras are in one currency, and no extra asks for the
amount. A fee is then a few multiplications and one division of whole numbers, which `monedero.core.columns.straight`
does for many orders at once. It is the fee of `monedero.core.ratecard.pricing`, and a test holds the two together.

Source: own design; integer arithmetic, rounded once, half up.

>>> entry = ScaledEntry("card", 15, Money(25, "EUR"), None, None, None, None, (), (), frozenset(), True, False)
>>> route = Route(provider="orlenta", plan="start", method="card")
>>> [line] = lines_of(Candidates(route, (entry,), ()), "EUR", 1000) or []
>>> line.rate, line.percent, line.fixed, line.holds(8500, 1)
('card', 15, 25, True)
"""

from collections.abc import Sequence
from typing import NamedTuple

from monedero.core.money import Money
from monedero.core.ratecard.model import Route
from monedero.core.ratecard.pricing import Candidates
from monedero.core.ratecard.scaled import ScaledEntry, percent_at, volume_holds
from monedero.core.ratecard.volume import Reached

__all__ = ["Candidates", "FeeLine", "Money", "Route", "lines_of"]


class FeeLine(NamedTuple):
    """A rate with its extras, for amounts from `start` and below `end` (None: without an end).

    Percentages are over the card's scale, figures in minor units of `currency`; a `bare` line has none. `low` and
    `high` hold the rate between its limits; what extras add stands apart from it.
    """

    rate: str
    currency: str
    bare: bool
    start: int | None
    end: int | None
    percent: int
    fixed: int
    low: int
    high: int | None
    more_percent: int
    more_fixed: int
    over: int

    def holds(self, amount: int, figure: int) -> bool:
        """True if an amount lies between its ends; figures are multiplied by `figure`."""
        return (self.start is None or amount >= self.start * figure) and (
            self.end is None or amount < self.end * figure
        )


def lines_of(
    entry: Candidates, settlement: str, over: int, reached: Reached | None = None
) -> list[FeeLine] | None:
    """The lines of a route, of which the first that holds counts; none of them: no rate fits. None: it has no lines.

    `over` is what the card's percentages are over; `reached` what the month's volume reaches, None where it is not
    known.
    """
    if reached is not None and reached.unknown:
        return None
    rates, extras = _at_volume(entry.rates, reached), _at_volume(entry.extras, reached)
    figures = {money.currency for entry in (*rates, *extras) for money in entry.amounts}
    if len(figures) > 1 or any(extra.amount is not None for extra in extras):
        return None
    currency = next(iter(figures), settlement)
    more = sum(extra.percent for extra in extras), sum(extra.fixed.minor for extra in extras if extra.fixed)
    return [
        FeeLine(
            rate=rate.id,
            currency=currency,
            bare=not figures,
            start=rate.amount.from_.minor if rate.amount and rate.amount.from_ else None,
            end=rate.amount.below.minor if rate.amount and rate.amount.below else None,
            percent=percent_at(rate, reached) if rate.graduated else rate.percent,
            fixed=rate.fixed.minor if rate.fixed else 0,
            low=rate.minimum.minor if rate.minimum else 0,
            high=rate.maximum.minor if rate.maximum else None,
            more_percent=more[0],
            more_fixed=more[1],
            over=over,
        )
        for rate in rates
    ]


def _at_volume(entries: Sequence[ScaledEntry], reached: Reached | None) -> list[ScaledEntry]:
    """The entries whose band of volume holds; a volume that is not known lies in none."""
    return [entry for entry in entries if volume_holds(entry.volume, reached)]
