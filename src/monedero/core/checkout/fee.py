"""Tells what a tender asks of its buyer on top of the order, or takes off it: a percentage, a fixed amount, or both.

The percentage and the fixed amount are added exactly (a fixed part in another currency at the reference rate) and
rounded, halves away from zero; then tax on what was rounded, rounded likewise. A price for a card network replaces the
general one. While the network is not known, the fee is the highest of the general one and of those for the networks
that the tender takes. A discount, its tax included, is never more than the order. Where a reference rate is missing,
the fee is unknown.

Source: own design.

>>> from datetime import date
>>> class NoTable:
...     days: list[date] = []
>>> fee = BuyerFee(percent="1.5", fixed="0.10 EUR", tax_percent="23", networks={"borealis": {"percent": "2"}})
>>> order = Order(Money(4200, "EUR"), "PT", date(2026, 11, 24))
>>> rates = ReferenceRates(NoTable())
>>> Charge(fee).of(order, rates)
Charged(amount=Money(minor=103, currency='EUR'), up_to=True, kept=Money(minor=84, currency='EUR'))
>>> Charge(BuyerFee(percent="-1")).of(order, rates)
Charged(amount=Money(minor=-42, currency='EUR'), up_to=False, kept=Money(minor=-42, currency='EUR'))
>>> BuyerFee(percent="much")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for BuyerFee
percent
  percent-text [type=percent-text, input_value='much', input_type=str]
"""

from collections.abc import Collection
from datetime import date
from fractions import Fraction
from math import ceil, floor
from typing import NamedTuple

from monedero.core.fields import Identifier, Percent, SignedMoney, SignedPercent, Strict
from monedero.core.fx import NoReferenceRate, ReferenceRates
from monedero.core.language import Names
from monedero.core.money import Money, round_half_up
from monedero.core.order.model import Order


class FeePart(Strict):
    """A percentage of the order and a fixed amount; either may be below zero, or left out."""

    percent: SignedPercent | None = None
    fixed: SignedMoney | None = None


class BuyerFee(FeePart):
    """A fee or a discount with the tax on it, what buyers read of it, and what it is on some card networks instead."""

    tax_percent: Percent | None = None
    label: Names | None = None
    networks: dict[Identifier, FeePart] = {}


class Charged(NamedTuple):
    """Holds what a buyer pays on top, tax included (below zero: less); None where a reference rate for it is missing.

    `up_to`: it depends on the card network, which is not known yet. `kept` is what of it is not tax.
    """

    amount: Money | None
    up_to: bool
    kept: Money | None = None


class _Price(NamedTuple):
    """A part of a fee in whole numbers: a share of the amount, and a fixed amount with its currency."""

    above: int
    under: int
    fixed: int
    currency: str


def _price(part: FeePart) -> _Price:
    above, under = part.percent.as_integer_ratio() if part.percent is not None else (0, 1)
    fixed = part.fixed if part.fixed is not None else Money(0, "")
    return _Price(above, under * 100, fixed.minor, fixed.currency)


class Charge:
    """A fee, made ready for many orders; `taken` are the card networks that the tender takes (None: any)."""

    def __init__(self, fee: BuyerFee, taken: Collection[str] | None = None) -> None:
        """Its percentages become whole numbers once."""
        self._general = _price(fee)
        self._networks = {name: _price(part) for name, part in fee.networks.items()}
        taken_too = [price for name, price in self._networks.items() if taken is None or name in taken]
        self._unknown = [self._general, *taken_too]
        above, under = fee.tax_percent.as_integer_ratio() if fee.tax_percent is not None else (0, 1)
        self._tax, self._of = above, under * 100

    def of(self, order: Order, rates: ReferenceRates) -> Charged:
        """Tells what it is for an order."""
        network = order.card_network
        prices = self._unknown if network is None else [self._networks.get(network, self._general)]
        try:
            amounts = [self._with_tax(price, order, rates) for price in prices]
        except NoReferenceRate:
            return Charged(None, up_to=False)
        minor, currency = order.amount
        charged, kept = max(amounts)
        if charged < -minor:
            # A discount that is cut off loses its tax as well.
            charged, kept = -minor, -round_half_up(minor * -kept, -charged)
        up_to = network is None and bool(self._networks)
        return Charged(Money(charged, currency), up_to, Money(kept, currency))

    def turns(self, currency: str, day: date, rates: ReferenceRates) -> set[int]:
        """The amounts of a currency on a day, in minor units, from which on it may cost something, or nothing any more.

        It costs something from a half of a minor unit on, which is rounded up. None where a reference rate is missing.

        >>> class NoTable:
        ...     days: list[date] = []
        >>> Charge(BuyerFee(percent="1.5")).turns("EUR", date(2026, 11, 27), ReferenceRates(NoTable()))
        {34}
        """
        found: set[int] = set()
        for above, under, fixed, fixed_in in self._unknown:
            try:
                brought = rates.per_minor(fixed_in, currency, day) * fixed if fixed_in else Fraction(fixed)
            except NoReferenceRate:
                return set()
            if above:
                reached = (Fraction(1, 2) - brought) * under / above
                found.add(ceil(reached) if above > 0 else floor(reached) + 1)
        return {minor for minor in found if minor > 0}

    def _with_tax(self, price: _Price, order: Order, rates: ReferenceRates) -> tuple[int, int]:
        """One price for an order with its tax and without, in minor units of the order's currency."""
        minor, currency = order.amount
        above, under, fixed, fixed_in = price
        above *= minor
        if fixed_in in (currency, ""):
            above += fixed * under
        else:
            brought = fixed * rates.per_minor(fixed_in, currency, order.placed_on)
            above, under = above * brought.denominator + brought.numerator * under, under * brought.denominator
        fee = round_half_up(above, under)
        return (fee + round_half_up(fee * self._tax, self._of), fee) if self._tax else (fee, fee)
