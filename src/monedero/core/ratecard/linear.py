"""The fee of a route as a function of the order's amount: straight pieces, with their parts.

Everything about the order but its amount is fixed. A piece ends where a band of amounts ends, where a minimum or a
maximum takes hold, and where the percentage alone reaches the maximum (a refund may return the lesser of the two).
Amounts are in whole units of the order's currency, fees in whole units of the shop's, exact; the rounding of money
charged is not for curves.

Source: own design, `monedero/rate-card/1`.

>>> Linear(Fraction(1, 50), Fraction(1, 4)).at(Fraction(10))
Fraction(9, 20)
"""

from collections.abc import Iterable, Sequence
from fractions import Fraction
from typing import NamedTuple

from monedero.core.fx import NoReferenceRate, ReferenceRates
from monedero.core.money import minor_units
from monedero.core.order.model import Order
from monedero.core.ratecard.model import Band, Route
from monedero.core.ratecard.priced import NotPriced
from monedero.core.ratecard.pricing import Candidates, CardPricer, MetTerms, no_rate
from monedero.core.ratecard.scaled import ScaledEntry, percent_at, stands
from monedero.core.ratecard.volume import Reached, Takings
from monedero.core.reasons import Reason

ZERO = Fraction(0)


class Linear(NamedTuple):
    """`slope * amount + intercept`."""

    slope: Fraction
    intercept: Fraction

    def at(self, amount: Fraction) -> Fraction:
        """The value at an amount."""
        if not self.slope:
            return self.intercept
        # As `slope * amount + intercept`, but brought to lowest terms once: a ranking asks for hundreds of values.
        (up, down), (of, over) = self.slope.as_integer_ratio(), amount.as_integer_ratio()
        fixed, below = self.intercept.as_integer_ratio()
        return Fraction(up * of * below + fixed * down * over, down * over * below)

    def times(self, factor: Fraction) -> "Linear":
        """The same, so many times."""
        return Linear(self.slope * factor, self.intercept * factor)


NOTHING = Linear(ZERO, ZERO)


def total(parts: Iterable[Linear]) -> Linear:
    """The sum of several; what is nothing costs no addition."""
    several = list(parts)
    return Linear(_sum(part.slope for part in several), _sum(part.intercept for part in several))


def _sum(values: Iterable[Fraction]) -> Fraction:
    several = [value for value in values if value]
    return sum(several[1:], several[0]) if several else ZERO


class FeePiece(NamedTuple):
    """The fee on the amounts from `from_` (inclusive) to `below` (exclusive): its parts, by the rate and extras.

    `percentage`, `fixed` and `adjustment` are the rate's; `extras` holds percentage and fixed of each extra.
    """

    from_: Fraction
    below: Fraction | None
    rate: str
    percentage: Linear
    fixed: Linear
    adjustment: Linear
    extras: tuple[tuple[str, Linear, Linear], ...]

    @property
    def base(self) -> Linear:
        """The rate's part of the fee."""
        return total((self.percentage, self.fixed, self.adjustment))

    @property
    def added(self) -> Linear:
        """The extras' part of the fee."""
        return total(part for _, percentage, fixed in self.extras for part in (percentage, fixed))

    @property
    def fee(self) -> Linear:
        """The whole fee."""
        return total((self.base, self.added))

    def returned(self, how: str) -> Linear:
        """Tells what of the fee comes back with a refund: `none`, `percent` or `all`."""
        if how == "all":
            return self.fee
        if how == "none":
            return NOTHING
        middle = (self.from_ + self.below) / 2 if self.below is not None else self.from_ + 1
        lesser = min((self.percentage, self.base), key=lambda part: part.at(middle))
        return total((lesser, *(percentage for _, percentage, _ in self.extras)))


FeeCurve = tuple[FeePiece, ...]


def fee_curves(
    pricer: CardPricer, order: Order, takings: Takings, books: str, rates: ReferenceRates
) -> list[tuple[Route, FeeCurve | NotPriced]]:
    """Every route of a card with its pieces over all amounts above zero, in the shop currency (`books`).

    A route without a price at any amount, or whose fee cannot be brought to the shop currency, has the reason.
    """
    terms = pricer.terms(order, takings)
    if isinstance(terms, Reason):
        return [(route, NotPriced(route, terms)) for route in pricer.routes]
    try:
        to_books = rates.find(terms.settlement, books, order.placed_on).value
    except NoReferenceRate as missing:
        return [(route, NotPriced(route, no_rate(missing))) for route in pricer.routes]
    scale = _Scale(order.amount.currency, terms, to_books)
    return [(entry.route, tuple(_pieces(entry, terms, scale))) for entry in terms.candidates]


class _Scale:
    """Brings whole numbers of a card's terms to whole units of the order's and the shop's currency."""

    def __init__(self, currency: str, terms: MetTerms, to_books: Fraction) -> None:
        units = minor_units(currency)
        self.terms = terms
        self._amount = terms.factors.by_currency[currency] * units
        self._money = to_books / (terms.factors.over * minor_units(terms.settlement))

    def edge(self, whole: int) -> Fraction:
        """An amount of the order from one over the factors' denominator."""
        return Fraction(whole, self._amount)

    def percentage(self, percent: int) -> Linear:
        """A percentage of the order's amount."""
        return Linear(Fraction(percent * self._amount, self.terms.percent_over) * self._money, ZERO)

    def fixed(self, whole: int) -> Linear:
        """A fixed amount from one over the factors' denominator."""
        return Linear(ZERO, whole * self._money)


def _ends(bands: Iterable[Band | None], terms: MetTerms) -> set[int]:
    """The ends of bands that can be brought over, over the factors' denominator."""
    ends = {end for band in bands if band for end in (band.from_, band.below) if end}
    return {terms.factors.whole(end) for end in ends if end.currency in terms.factors.by_currency}


def _pieces(candidates: Candidates, terms: MetTerms, scale: _Scale) -> Iterable[FeePiece]:
    """The pieces of a route between the ends of bands, each cut again where a limit takes hold."""
    bands = [entry.amount for entry in (*candidates.rates, *candidates.extras)]
    starts: list[int] = sorted({0, *_ends(bands, terms)})
    belows: Sequence[int | None] = [*starts[1:], None]
    reached = terms.reached.get(candidates.route.plan)
    for start, below in zip(starts, belows, strict=True):
        rate = _first(candidates.rates, start, reached, terms)
        extras = _all(candidates.extras, start, reached, terms)
        if rate is not None and extras is not None:
            stretch = (scale.edge(start), None if below is None else scale.edge(below))
            percent = percent_at(rate, reached) if rate.graduated else rate.percent
            yield from _limited(rate, percent, _extra_parts(extras, terms, scale), stretch, scale)


def _first(
    rates: Iterable[ScaledEntry], amount: int, reached: Reached | None, terms: MetTerms
) -> ScaledEntry | None:
    """The first rate whose bands hold; None where none does, or where its reference rate is missing."""
    for rate in rates:
        fits = stands(rate, amount, reached, terms.factors)
        if fits is not False:
            return rate if fits else None
    return None


def _all(
    extras: Iterable[ScaledEntry], amount: int, reached: Reached | None, terms: MetTerms
) -> list[ScaledEntry] | None:
    """Every extra whose bands hold; None where the reference rate of one is missing."""
    verdicts = [(extra, stands(extra, amount, reached, terms.factors)) for extra in extras]
    return None if any(fits is None for _, fits in verdicts) else [extra for extra, fits in verdicts if fits]


def _extra_parts(
    extras: Iterable[ScaledEntry], terms: MetTerms, scale: _Scale
) -> tuple[tuple[str, Linear, Linear], ...]:
    return tuple(
        (
            extra.id,
            scale.percentage(extra.percent),
            scale.fixed(terms.factors.whole(extra.fixed) if extra.fixed else 0),
        )
        for extra in extras
    )


def _limited(
    rate: ScaledEntry,
    percent: int,
    extras: tuple[tuple[str, Linear, Linear], ...],
    stretch: tuple[Fraction, Fraction | None],
    scale: _Scale,
) -> Iterable[FeePiece]:
    """A stretch cut where the minimum ends, the maximum begins, and the percentage reaches the maximum."""
    terms = scale.terms
    fixed, minimum, maximum = (
        terms.factors.whole(money) if money else None for money in (rate.fixed, rate.minimum, rate.maximum)
    )
    slope, intercept = scale.percentage(percent), scale.fixed(fixed or 0)
    start, below = stretch
    cuts: set[Fraction] = set()
    if percent:
        reached = [(limit or 0) - part for limit in (minimum, maximum) if limit for part in (fixed or 0, 0)]
        cuts = {scale.edge(whole) * terms.percent_over / percent for whole in reached}
    edges = [start, *sorted(cut for cut in cuts if start < cut and (below is None or cut < below))]
    low, high = (None if limit is None else scale.fixed(limit).intercept for limit in (minimum, maximum))
    for here, end in zip(edges, [*edges[1:], below], strict=True):
        middle = (here + end) / 2 if end is not None else here + 1
        free = slope.at(middle) + intercept.intercept
        limit = low if low is not None and free < low else high if high is not None and free > high else None
        adjustment = NOTHING if limit is None else Linear(-slope.slope, limit - intercept.intercept)
        yield FeePiece(here, end, rate.id, slope, intercept, adjustment, extras)
