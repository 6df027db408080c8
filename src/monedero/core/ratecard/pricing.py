"""The fee of an order on every route of a card: base of the first rate that fits, and every extra that fits.

Base = percent of the amount + fixed, then not under the minimum and not over the maximum; extras lie outside the
limits; the sum is carried exactly and rounded once in the settlement currency. No rate fits: not priced, never
free. An order of zero needs no payment.

Source: own design, `monedero/rate-card/1`.

>>> no_rate(NoReferenceRate("KWD", date(2026, 1, 2))).limit
'KWD'
"""

from collections.abc import Mapping
from datetime import date
from fractions import Fraction
from functools import lru_cache
from types import MappingProxyType
from typing import NamedTuple

from monedero.core.errors import FaultCode, refuse
from monedero.core.fx import NoReferenceRate, ReferenceRates
from monedero.core.money import Money, minor_units
from monedero.core.order.model import Known, Order
from monedero.core.ratecard.fit import OrderTraits, extra_covers, rate_covers
from monedero.core.ratecard.model import Extra, Rate, RateCard, Route
from monedero.core.ratecard.origin import origin_of
from monedero.core.ratecard.priced import NothingToPay, NotPriced, Priced, Pricing
from monedero.core.ratecard.scaled import (
    Factors,
    ScaledEntry,
    find_factors,
    percent_at,
    percent_scale,
    percents,
    scale_entry,
    stands,
)
from monedero.core.ratecard.volume import NOT_KNOWN, Reached, Takings, Volume, ends_of, graduated_ends, reached_by
from monedero.core.reasons import Reason, ReasonCode

NO_EXTRAS: tuple[str, ...] = ()
NO_ASKING: Mapping[str, Volume] = MappingProxyType({})
NO_RATE_FITS = Reason(ReasonCode.NO_RATE_FITS)


class Candidates(NamedTuple):
    """The rates and extras of a route that fit what is known of an order but its amount and volume."""

    route: Route
    rates: tuple[ScaledEntry, ...]
    extras: tuple[ScaledEntry, ...]


class MetTerms(NamedTuple):
    """Holds what of a card an order meets, whatever its amount.

    Factors bring minor units to the settlement currency; `reached` says by plan what the month's volume reaches (one
    that is not there is not known), in which currency it was asked; `percent_over` is what the card's percentages
    are over.
    """

    settlement: str
    candidates: tuple[Candidates, ...]
    factors: Factors
    reached: Mapping[str, Reached]
    asked_in: str
    percent_over: int


class CardPricer:
    """Prices orders by one card for a shop in one country; keeps what does not change from order to order."""

    def __init__(self, card: RateCard, shop_country: str, rates: ReferenceRates) -> None:
        """Prepare a card, whose rates are those with the costs of the card networks in them.

        The caches are bounded: memory does not grow with the orders.
        """
        if any(rate.adds for rate in card.rates):
            raise ValueError(f"rates of {card.provider.id} without what they add")
        self.card = card
        self.routes = card.routes
        self._shop_country = shop_country
        self._reference = rates
        self._region = frozenset(card.provider.region)
        self._settles_in = frozenset(card.provider.settles_in)
        entries: list[Rate | Extra] = [*card.rates, *card.extras]
        self.percent_over = percent_scale(percent for entry in entries for percent in percents(entry))
        self.volume_ends = frozenset().union(*(ends_of(entry) for entry in entries))
        self.graduated_ends = graduated_ends(entries)
        bands = [entry.when.monthly_volume for entry in entries]
        self.whole_ends = frozenset(end for band in bands if band for end in (band.from_, band.below) if end)
        self._rates = [(rate, scale_entry(rate, self.percent_over)) for rate in card.rates]
        self._extras = [(extra, scale_entry(extra, self.percent_over)) for extra in card.extras]
        scaled = [entry for _, entry in self._rates] + [entry for _, entry in self._extras]
        self.amounts = [money for entry in scaled for money in entry.amounts]
        percentages = [entry.percent for entry in scaled] + [
            step for entry in scaled for _, step in entry.graduated
        ]
        # No fee is more than this many times the largest figure in it, over `percent_over`.
        self.most = sum(percentages) + self.percent_over * (len(self.amounts) + 1)
        self.currencies = frozenset().union(*(entry.currencies for entry in scaled))
        self.open = shop_country in card.provider.countries
        self.prepared = lru_cache(maxsize=1024)(self._prepare)
        self._factors = lru_cache(maxsize=4096)(self._find_factors)
        self._terms = lru_cache(maxsize=1024)(self._find_terms)

    def settlement(self, currency: str) -> str:
        """The currency in which the provider pays out an order of this currency."""
        return currency if currency in self._settles_in else self.card.provider.settles_in[0]

    def ends_in(self, currency: str, day: date) -> dict[Money, Fraction | None]:
        """The ends of the card's bands of volume in whole units of a currency; None has no reference rate."""
        return {end: self.brought(Volume.of(end), currency, day) for end in self.volume_ends}

    def brought(self, volume: Volume, currency: str, day: date) -> Fraction | None:
        """A month's volume in whole units of a currency; None where there is no reference rate."""
        try:
            return volume.amount * self._reference.find(volume.currency, currency, day).value
        except NoReferenceRate:
            return None

    def terms(self, order: Order, takings: Takings = NOT_KNOWN) -> MetTerms | Reason:
        """Tells what of the card an order meets, whatever its amount; or why none of the card's routes has a price."""
        if not self.open:
            return Reason(
                ReasonCode.SHOP_COUNTRY, limit=tuple(self.card.provider.countries), own=self._shop_country
            )
        asking = takings.of(self.card) if self.volume_ends else NO_ASKING
        return self._terms(order.known, order.placed_on, tuple(asking.items()))

    def _find_terms(self, known: Known, day: date, asking: tuple[tuple[str, Volume], ...]) -> MetTerms | Reason:
        currency = known.currency
        settlement, candidates = self.prepared(known)
        other = next((volume.currency for _, volume in asking), currency)
        factors = self._factors(currency, other, settlement, day)
        if currency in factors.missing:
            return no_rate(factors.missing[currency])
        reached = {plan: self._reached(volume, factors) for plan, volume in asking}
        return MetTerms(settlement, candidates, factors, reached, other, self.percent_over)

    def _reached(self, volume: Volume, factors: Factors) -> Reached:
        """Tells what a volume reaches of the card's ends; all is left open where it has no reference rate."""
        if volume.currency not in factors.by_currency:
            return Reached(frozenset(), frozenset(), self.volume_ends)
        known = factors.by_currency
        ends = {end: factors.whole(end) if end.currency in known else None for end in self.volume_ends}
        value = volume.amount * minor_units(volume.currency) * known[volume.currency]
        return reached_by(ends, value, value)

    def price(
        self, order: Order, takings: Takings = NOT_KNOWN, reached: Mapping[str, Reached] | None = None
    ) -> list[Pricing]:
        """The fee on every route of the card, in the card's sequence of routes; refuses an amount below zero.

        What the month's volume reaches may be given by plan; else it is what the takings say.
        """
        if order.amount.minor < 0:
            raise refuse(FaultCode.AMOUNT_NEGATIVE, "amount", order.amount)
        if order.amount.minor == 0:
            return [NothingToPay(route) for route in self.routes]
        terms = self.terms(order, takings)
        if isinstance(terms, Reason):
            return [NotPriced(route, terms) for route in self.routes]
        if reached is not None:
            terms = terms._replace(reached=reached)
        amount = terms.factors.whole(order.amount)
        denominator = terms.percent_over * terms.factors.over
        return [_price_route(entry, amount, terms, denominator) for entry in terms.candidates]

    def _find_factors(self, currency: str, volume_currency: str, settlement: str, day: date) -> Factors:
        currencies = self.currencies | {currency, volume_currency}
        return find_factors(self._reference, sorted(currencies), settlement, day)

    def _prepare(self, known: Known) -> tuple[str, tuple[Candidates, ...]]:
        """Tells what does not depend on amount, volume and day: settlement currency, and the entries that may fit.

        It can be a key: orders for which it is the same have the same fees, whatever else is known of them.
        """
        settlement = self.settlement(known.currency)
        asked = OrderTraits(
            known,
            origin_of(self._shop_country, known.country, self._region),
            conversion=settlement != known.currency,
        )
        return settlement, tuple(
            Candidates(
                route,
                tuple(entry for rate, entry in self._rates if rate_covers(rate, route, asked)),
                tuple(entry for extra, entry in self._extras if extra_covers(extra, route, asked)),
            )
            for route in self.routes
        )


def _price_route(candidates: Candidates, amount: int, terms: MetTerms, denominator: int) -> Pricing:
    """The fee on one route: the first rate whose bands hold, its limits, and every extra whose bands hold.

    `amount` is in the settlement currency, over the factors' denominator; fees are over `denominator`.
    """
    currency, factors, percent_over = terms.settlement, terms.factors, terms.percent_over
    route, rates, extras = candidates
    missing = factors.missing
    reached = terms.reached.get(route.plan)
    for entry in rates:
        fits = True if entry.bare and not missing else stands(entry, amount, reached, factors)
        if fits is None:
            return NotPriced(route, lacking(entry, terms))
        if fits:
            break
    else:
        return NotPriced(route, NO_RATE_FITS)
    percentage = amount * (percent_at(entry, reached) if entry.graduated else entry.percent)
    fixed = factors.whole(entry.fixed) * percent_over if entry.fixed else 0
    adjustment = 0
    if entry.limited:
        adjustment = _limited(entry, percentage + fixed, factors, percent_over) - percentage - fixed
    numerators: tuple[int, ...] = (percentage, fixed, adjustment)
    added = NO_EXTRAS
    for extra in extras:
        fits = True if extra.bare and not missing else stands(extra, amount, reached, factors)
        if fits is None:
            return NotPriced(route, lacking(extra, terms))
        if fits:
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
    return Reason(ReasonCode.NO_REFERENCE_RATE, limit=missing.currency, own=missing.day)


def lacking(entry: ScaledEntry, terms: MetTerms) -> Reason:
    """The reason for a rate or an extra that needs a missing reference rate, of a figure or of the month's volume."""
    missing = terms.factors.missing
    return no_rate(missing[min((entry.currencies | {terms.asked_in}) & missing.keys())])
