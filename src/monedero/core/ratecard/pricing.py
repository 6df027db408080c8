"""The fee of an order on every route of a card: base of the first rate that fits, and every extra that fits.

Base = percent of the amount + fixed, then not under the minimum and not over the maximum; extras lie outside the
limits; the sum is carried exactly and rounded once in the settlement currency. No rate fits: not priced, never
free. An order of zero needs no payment.

Source: own design, `monedero/rate-card/1`.

>>> fee = Priced(None, "card-any", "EUR", 1000, (2465, 250, 0), ())
>>> fee.exact, fee.charged
(Fraction(543, 20000), Money(minor=3, currency='EUR'))
>>> no_rate(NoReferenceRate("KWD", date(2026, 1, 2))).limit
'KWD'
"""

from datetime import date
from fractions import Fraction
from functools import lru_cache
from typing import NamedTuple

from monedero.core.fx import NoReferenceRate, ReferenceRates
from monedero.core.money import Money, minor_units, round_half_up, split
from monedero.core.ratecard.context import Known, OrderContext, origin_of
from monedero.core.ratecard.fit import Asked, extra_covers, rate_covers
from monedero.core.ratecard.model import RateCard, Route
from monedero.core.ratecard.scaled import (
    Factors,
    ScaledEntry,
    find_factors,
    holds,
    percent_scale,
    percents,
    scale_entry,
)
from monedero.core.reasons import Reason, ReasonCode

NO_EXTRAS: tuple[str, ...] = ()
NO_RATE_FITS = Reason(ReasonCode.NO_RATE_FITS)
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


class Candidates(NamedTuple):
    """The rates and extras of a route that fit what is known of an order but its amount and volume."""

    route: Route
    rates: tuple[ScaledEntry, ...]
    extras: tuple[ScaledEntry, ...]


class Terms(NamedTuple):
    """What of a card an order meets, whatever its amount.

    Factors bring minor units to the settlement currency; `volume` is over the factors' denominator; `percent_over`
    is what the card's percentages are over.
    """

    settlement: str
    candidates: list[Candidates]
    factors: Factors
    volume: int | None
    percent_over: int


class CardPricer:
    """Prices orders by one card for a shop in one country; keeps what does not change from order to order."""

    def __init__(self, card: RateCard, shop_country: str, rates: ReferenceRates) -> None:
        """Prepare a card. The caches are bounded: memory does not grow with the orders."""
        self.card = card
        self.routes = card.routes
        self._shop_country = shop_country
        self._reference = rates
        self._region = frozenset(card.provider.region)
        self._settles_in = frozenset(card.provider.settles_in)
        self.percent_over = percent_scale(
            percent
            for entry in (*card.rates, *card.extras)
            for percent in percents(entry)  # type: ignore[arg-type]
        )
        self._rates = [(rate, scale_entry(rate, self.percent_over)) for rate in card.rates]
        self._extras = [(extra, scale_entry(extra, self.percent_over)) for extra in card.extras]
        scaled = [entry for _, entry in self._rates] + [entry for _, entry in self._extras]
        self.monies = [money for entry in scaled for money in entry.monies]
        self.currencies = frozenset().union(*(entry.currencies for entry in scaled))
        self.open = shop_country in card.provider.countries
        self.prepared = lru_cache(maxsize=1024)(self._prepare)
        self._factors = lru_cache(maxsize=4096)(self._find_factors)

    def settlement(self, currency: str) -> str:
        """The currency in which the provider pays out an order of this currency."""
        return currency if currency in self._settles_in else self.card.provider.settles_in[0]

    def terms(self, order: OrderContext) -> Terms | Reason:
        """What of the card an order meets, whatever its amount; or why none of the card's routes has a price."""
        if not self.open:
            open_to = ", ".join(self.card.provider.countries)
            return Reason(ReasonCode.SHOP_COUNTRY, limit=open_to, own=self._shop_country)
        currency, volume = order.amount.currency, order.monthly_volume
        settlement, candidates = self.prepared(order.known)
        factors = self._factors(currency, volume.currency if volume else currency, settlement, order.placed_on)
        if currency in factors.missing:
            return no_rate(factors.missing[currency])
        reached = volume is not None and volume.currency in factors.by_currency
        held = factors.whole(volume) if volume and reached else None
        return Terms(settlement, candidates, factors, held, self.percent_over)

    def price(self, order: OrderContext) -> list[Pricing]:
        """The fee on every route of the card, in the card's sequence of routes."""
        if order.amount.minor == 0:
            return [NothingToPay(route) for route in self.routes]
        terms = self.terms(order)
        if isinstance(terms, Reason):
            return [NotPriced(route, terms) for route in self.routes]
        amount = terms.factors.whole(order.amount)
        denominator = terms.percent_over * terms.factors.over
        return [_price_route(entry, amount, terms, denominator) for entry in terms.candidates]

    def _find_factors(self, currency: str, volume_currency: str, settlement: str, day: date) -> Factors:
        currencies = self.currencies | {currency, volume_currency}
        return find_factors(self._reference, sorted(currencies), settlement, day)

    def _prepare(self, known: Known) -> tuple[str, list[Candidates]]:
        """What does not depend on amount, volume and day: settlement currency, and the entries that may fit."""
        settlement = self.settlement(known.currency)
        asked = Asked(
            known,
            origin_of(self._shop_country, known.buyer_country, self._region),
            conversion=settlement != known.currency,
        )
        return settlement, [
            Candidates(
                route,
                tuple(entry for rate, entry in self._rates if rate_covers(rate, route, asked)),
                tuple(entry for extra, entry in self._extras if extra_covers(extra, route, asked)),
            )
            for route in self.routes
        ]


def _price_route(candidates: Candidates, amount: int, terms: Terms, denominator: int) -> Pricing:
    """The fee on one route: the first rate whose bands hold, its limits, and every extra whose bands hold.

    `amount` is in the settlement currency, over the factors' denominator; fees are over `denominator`.
    """
    currency, _, factors, volume, percent_over = terms
    route, rates, extras = candidates
    missing = factors.missing
    for entry in rates:
        if missing and not missing.keys().isdisjoint(entry.currencies):
            return NotPriced(route, lacking(entry, factors))
        if entry.bare or (holds(entry.amount, amount, factors) and holds(entry.volume, volume, factors)):
            break
    else:
        return NotPriced(route, NO_RATE_FITS)
    percentage = amount * (percent_at(entry, volume, factors) if entry.graduated else entry.percent)
    fixed = factors.whole(entry.fixed) * percent_over if entry.fixed else 0
    adjustment = 0
    if entry.limited:
        adjustment = _limited(entry, percentage + fixed, factors, percent_over) - percentage - fixed
    numerators: tuple[int, ...] = (percentage, fixed, adjustment)
    added = NO_EXTRAS
    for extra in extras:
        if missing and not missing.keys().isdisjoint(extra.currencies):
            return NotPriced(route, lacking(extra, factors))
        if extra.bare or (holds(extra.amount, amount, factors) and holds(extra.volume, volume, factors)):
            more = factors.whole(extra.fixed) * percent_over if extra.fixed else 0
            numerators += (extra.percent * amount, more)
            added += (extra.id,)
    return Priced(route, entry.id, currency, denominator, numerators, added)


def _limited(entry: ScaledEntry, base: int, factors: Factors, percent_over: int) -> int:
    """A base that is not under the minimum and not over the maximum."""
    if entry.minimum:
        base = max(base, factors.whole(entry.minimum) * percent_over)
    if entry.maximum:
        base = min(base, factors.whole(entry.maximum) * percent_over)
    return base


def no_rate(missing: NoReferenceRate) -> Reason:
    """The reason for a route whose reference rate is missing."""
    return Reason(ReasonCode.NO_REFERENCE_RATE, limit=missing.currency, own=missing.day.isoformat())


def lacking(entry: ScaledEntry, factors: Factors) -> Reason:
    """The reason for a rate or an extra whose reference rate is missing."""
    currency = min(entry.currencies & factors.missing.keys())
    return no_rate(factors.missing[currency])


def percent_at(entry: ScaledEntry, volume: int | None, factors: Factors) -> int:
    """The percentage at the band that the month's volume has reached; a month begins in the first band."""
    for below, percent in entry.graduated[:-1]:
        if volume is None or below is None or volume < factors.whole(below):
            return percent
    return entry.graduated[-1][1]
