"""The fee of an order on every route of a card: base of the first rate that fits, and every extra that fits.

Base = percent of the amount + fixed, then not under the minimum and not over the maximum; extras lie outside the
limits; the sum is carried exactly and rounded once in the settlement currency. No rate fits: not priced, never
free. An order of zero needs no payment.

Source: own design, `monedero/rate-card/1`.

>>> parts = (Part("percentage", "card-any", 2465), Part("fixed", "card-any", 250))
>>> fee = Priced(None, "card-any", "EUR", 1000, parts)
>>> fee.exact, fee.charged
(Fraction(543, 20000), Money(minor=3, currency='EUR'))
>>> no_rate(NoReferenceRate("KWD", date(2026, 1, 2)))
Reason(code=<ReasonCode.NO_REFERENCE_RATE: 'no-reference-rate'>, limit='KWD', own='2026-01-02', fields={})
"""

from datetime import date
from fractions import Fraction
from functools import lru_cache
from typing import NamedTuple

from monedero.core.fx import NoReferenceRate, ReferenceRates
from monedero.core.money import Money, minor_units, round_half_up, split
from monedero.core.ratecard.context import OrderContext, origin_of
from monedero.core.ratecard.fit import Known, extra_covers, rate_covers
from monedero.core.ratecard.model import Extra, Rate, RateCard, Route
from monedero.core.ratecard.scaled import (
    ScaledEntry,
    common_denominator,
    monies,
    percent_scale,
    percents,
    scale_entry,
)
from monedero.core.reasons import Reason, ReasonCode


class Part(NamedTuple):
    """One part of a fee, `percentage`, `fixed` or `adjustment`, of a rate or extra, over the fee's denominator."""

    kind: str
    entry: str
    numerator: int


class Priced(NamedTuple):
    """An exact fee: parts in minor units of the settlement currency over one denominator."""

    route: Route
    rate: str
    currency: str
    denominator: int
    parts: tuple[Part, ...]

    @property
    def exact(self) -> Fraction:
        """The fee in whole units of the settlement currency, not rounded."""
        total = sum(part.numerator for part in self.parts)
        return Fraction(total, self.denominator * minor_units(self.currency))

    @property
    def charged(self) -> Money:
        """The fee, rounded once, half up."""
        total = sum(part.numerator for part in self.parts)
        return Money(round_half_up(total, self.denominator), self.currency)

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


class _Scaled(NamedTuple):
    """A card's entries in whole numbers for one settlement currency and day."""

    percent_over: int
    money_over: int
    rates: tuple[ScaledEntry, ...]
    extras: tuple[ScaledEntry, ...]


class _Sum(NamedTuple):
    """An order's amount in minor units of its settlement currency, over `over * money_over`, and the volume."""

    amount: int
    over: int
    currency: str
    volume: Fraction | None


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
        self._entries: list[Rate | Extra] = [*card.rates, *card.extras]
        self._currencies = {money.currency for entry in self._entries for money in monies(entry)}
        self._candidates = lru_cache(maxsize=1024)(self._find_candidates)
        self._scaled = lru_cache(maxsize=1024)(self._scale)

    def settlement(self, currency: str) -> str:
        """The currency in which the provider pays out an order of this currency."""
        return currency if currency in self._settles_in else self.card.provider.settles_in[0]

    def price(self, order: OrderContext) -> list[Pricing]:
        """The fee on every route of the card, in the card's sequence of routes."""
        if order.amount.minor == 0:
            return [NothingToPay(route) for route in self.routes]
        if self._shop_country not in self.card.provider.countries:
            open_to = ", ".join(self.card.provider.countries)
            shut = Reason(ReasonCode.SHOP_COUNTRY, limit=open_to, own=self._shop_country)
            return [NotPriced(route, shut) for route in self.routes]
        settlement = self.settlement(order.amount.currency)
        try:
            conversion = self._reference.find(order.amount.currency, settlement, order.placed_on).value
        except NoReferenceRate as missing:
            return [NotPriced(route, no_rate(missing)) for route in self.routes]
        conversion *= Fraction(minor_units(settlement), minor_units(order.amount.currency))
        foreign = self._currencies - {settlement}
        scaled = self._scaled(settlement, order.placed_on if foreign else date.max)
        total = _Sum(
            order.amount.minor * conversion.numerator * scaled.money_over,
            conversion.denominator,
            settlement,
            self._volume(order, settlement, scaled.money_over),
        )
        known = Known.of(
            order,
            origin_of(self._shop_country, order.buyer_country, self._region),
            conversion=settlement != order.amount.currency,
        )
        return [
            _price_route(route, rates, extras, scaled, total) for route, rates, extras in self._candidates(known)
        ]

    def _volume(self, order: OrderContext, settlement: str, money_over: int) -> Fraction | None:
        if order.monthly_volume is None:
            return None
        try:
            volume = self._reference.in_minor(order.monthly_volume, settlement, order.placed_on)
        except NoReferenceRate:
            return None
        return volume * money_over

    def _find_candidates(self, known: Known) -> list[tuple[Route, tuple[int, ...], tuple[int, ...]]]:
        return [
            (
                route,
                tuple(
                    index
                    for index, rate in enumerate(self.card.rates)
                    if rate_covers(rate, route.method, route.plan, known)
                ),
                tuple(
                    index
                    for index, extra in enumerate(self.card.extras)
                    if extra_covers(extra, route.method, route.plan, known)
                ),
            )
            for route in self.routes
        ]

    def _scale(self, settlement: str, day: date) -> _Scaled:
        entries = self._entries
        percent_over = percent_scale(percent for entry in entries for percent in percents(entry))

        def in_minor(money: Money) -> Fraction:
            return self._reference.in_minor(money, settlement, day)

        money_over = common_denominator(entries, in_minor)
        scaled = [scale_entry(entry, percent_over, money_over, in_minor) for entry in entries]
        count = len(self.card.rates)
        return _Scaled(percent_over, money_over, tuple(scaled[:count]), tuple(scaled[count:]))


def _price_route(
    route: Route, rates: tuple[int, ...], extras: tuple[int, ...], scaled: _Scaled, total: _Sum
) -> Pricing:
    """The fee on one route: the first rate whose bands hold, its limits, and every extra whose bands hold."""
    amount, unit = total.amount, scaled.percent_over * total.over
    for index in rates:
        entry = scaled.rates[index]
        if entry.missing is not None:
            return NotPriced(route, no_rate(entry.missing))
        if _within(entry, total):
            break
    else:
        return NotPriced(route, Reason(ReasonCode.NO_RATE_FITS))
    percentage = _percent_at(entry, total.volume) * amount
    fixed = entry.fixed * unit
    base = limited = percentage + fixed
    if entry.minimum is not None:
        limited = max(limited, entry.minimum * unit)
    if entry.maximum is not None:
        limited = min(limited, entry.maximum * unit)
    parts = [
        Part("percentage", entry.id, percentage),
        Part("fixed", entry.id, fixed),
        Part("adjustment", entry.id, limited - base),
    ]
    for index in extras:
        extra = scaled.extras[index]
        if extra.missing is not None:
            return NotPriced(route, no_rate(extra.missing))
        if _within(extra, total):
            parts.append(Part("percentage", extra.id, extra.percent * amount))
            parts.append(Part("fixed", extra.id, extra.fixed * unit))
    return Priced(route, entry.id, total.currency, unit * scaled.money_over, tuple(parts))


def no_rate(missing: NoReferenceRate) -> Reason:
    """The reason for a route whose reference rate is missing."""
    return Reason(ReasonCode.NO_REFERENCE_RATE, limit=missing.currency, own=missing.day.isoformat())


def _within(entry: ScaledEntry, total: _Sum) -> bool:
    """Whether the amount and the volume lie in the entry's bands."""
    if entry.amount is not None:
        low, below = entry.amount.low, entry.amount.below
        if (low is not None and total.amount < low * total.over) or (
            below is not None and total.amount >= below * total.over
        ):
            return False
    return entry.volume is None or entry.volume.holds(total.volume)


def _percent_at(entry: ScaledEntry, reached: Fraction | None) -> int:
    """The percentage at the band that the month's volume has reached; a month begins in the first band."""
    for below, percent in entry.graduated:
        if below is None or reached is None or reached < below:
            return percent
    return entry.percent
