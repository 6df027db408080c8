"""Tells what a way of delivery costs the buyer of an order, and how much of the order's amount is the goods.

The amount of an order is all that its buyer pays but the buyer fee, delivery included. The first price that holds the
address is the price; where it cannot be known whether one holds it, neither can the price be. Delivery is free where
the goods come to the amount from which it is free. A fee in another currency is brought over at the reference rate and
rounded, halves up; the amount from which it is free is compared unrounded.

Source: own design.

>>> from monedero.core.delivery.model import Delivery
>>> class NoTable:
...     days: list[date] = []
>>> van = Delivery(id="van", name="Van", prices=[{"fee": "4.00 EUR", "free_from": "60.00 EUR"}])
>>> there = Destination("PT", date(2026, 11, 27), "EUR")
>>> price = price_of(van, there, {}, ReferenceRates(NoTable()))
>>> [(price.to_pay(goods), price.goods(price.to_pay(goods))) for goods in (3800, 6000)]
[(4200, 3800), (6000, 6000)]
>>> only_islands = Delivery(id="boat", name="Boat", prices=[{"areas": ["islands"]}])
>>> islands = Area(id="islands", name="Islands", postcodes={"PT": ["9"]})
>>> price_of(only_islands, there, {"islands": islands}, ReferenceRates(NoTable()))
<NoPrice.ADDRESS_UNKNOWN: 'delivery-address-unknown'>
>>> price_of(only_islands, Destination("PT", there.day, "EUR", "1000"), {"islands": islands}, ReferenceRates(NoTable()))
<NoPrice.OUTSIDE: 'delivery-outside'>
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from enum import StrEnum
from fractions import Fraction

from monedero.core.delivery.model import Delivery, DeliveryPrice
from monedero.core.fx import NoReferenceRate, ReferenceRates
from monedero.core.money import Money, round_half_up
from monedero.core.order.area import Area


class NoPrice(StrEnum):
    """Why a way of delivery has no price for an order."""

    OUTSIDE = "delivery-outside"
    ADDRESS_UNKNOWN = "delivery-address-unknown"
    TOO_HEAVY = "delivery-too-heavy"
    WEIGHT_UNKNOWN = "delivery-weight-unknown"
    NO_RATE = "delivery-no-rate"
    OVER_AMOUNT = "delivery-over-amount"
    """The order comes to less than its delivery."""


@dataclass(frozen=True, slots=True)
class Destination:
    """Holds where an order goes, on which day it was placed, in which currency it is paid, and what it weighs in
    grams.
    """

    country: str
    day: date
    currency: str
    postcode: str | None = None
    town: str | None = None
    grams: int | None = None


@dataclass(frozen=True, slots=True)
class DeliveryFee:
    """A fee in minor units of the order's currency, and the goods from which on there is none (None: always)."""

    minor: int
    free_from: Fraction | None

    def to_pay(self, goods: int) -> int:
        """The amount of an order with goods of an amount, in minor units."""
        return goods if self._free(goods) else goods + self.minor

    def goods(self, amount: int, usual: int | None = None) -> int | None:
        """The goods of an order of an amount; None where the amount is less than the fee.

        Just above the amount from which delivery is free, two answers may fit: goods that come free, and fewer of them
        with the fee. It is the second where those are the `usual` goods.
        """
        less = amount - self.minor
        fits = less >= 0 and not self._free(less)
        if fits and (less == usual or not self._free(amount)):
            return less
        return amount if self._free(amount) else None

    def _free(self, goods: int) -> bool:
        return self.minor == 0 or (self.free_from is not None and goods >= self.free_from)


def price_of(
    way: Delivery, there: Destination, areas: Mapping[str, Area], rates: ReferenceRates
) -> DeliveryFee | NoPrice:
    """Tells what it costs its buyer to have goods brought somewhere, or why that cannot be said."""
    found = _price_there(way.prices, there, areas) if way.prices else DeliveryPrice()
    if isinstance(found, NoPrice):
        return found
    fee: Money | NoPrice | None = found.fee
    if found.by_weight:
        fee = _by_weight(found, there.grams)
    if isinstance(fee, NoPrice):
        return fee
    try:
        return DeliveryFee(_brought(fee, there, rates), _limit(found.free_from, there, rates))
    except NoReferenceRate:
        return NoPrice.NO_RATE


def _price_there(
    prices: Sequence[DeliveryPrice], there: Destination, areas: Mapping[str, Area]
) -> DeliveryPrice | NoPrice:
    for price in prices:
        if price.areas is None:
            return price
        held = [areas[id].holds(there.country, there.postcode, there.town) for id in price.areas]
        if True in held:
            return price
        if None in held:
            return NoPrice.ADDRESS_UNKNOWN
    return NoPrice.OUTSIDE


def _by_weight(price: DeliveryPrice, grams: int | None) -> Money | NoPrice:
    if grams is None:
        return NoPrice.WEIGHT_UNKNOWN
    for band in price.by_weight:
        if band.up_to_grams is None or grams <= band.up_to_grams:
            return band.fee
    return NoPrice.TOO_HEAVY


def _brought(fee: Money | None, there: Destination, rates: ReferenceRates) -> int:
    if fee is None:
        return 0
    exact = rates.per_minor(fee.currency, there.currency, there.day) * fee.minor
    return round_half_up(exact.numerator, exact.denominator)


def _limit(limit: Money | None, there: Destination, rates: ReferenceRates) -> Fraction | None:
    if limit is None:
        return None
    return rates.per_minor(limit.currency, there.currency, there.day) * limit.minor
