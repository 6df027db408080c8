"""What a tender asks of its buyer on top of the order, or takes off it: a percentage, a fixed amount, or both.

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
>>> charge(fee, None, order, rates)
Charged(amount=Money(minor=103, currency='EUR'), up_to=True)
>>> charge(BuyerFee(percent="-1"), None, order, rates)
Charged(amount=Money(minor=-42, currency='EUR'), up_to=False)
>>> BuyerFee(percent="much")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for BuyerFee
percent
  percent-text [type=percent-text, input_value='much', input_type=str]
"""

from collections.abc import Collection
from decimal import Decimal
from fractions import Fraction
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
    """What a buyer pays on top, tax included (below zero: less); None where a reference rate for it is missing.

    `up_to`: it depends on the card network, which is not known yet.
    """

    amount: Money | None
    up_to: bool


def charge(fee: BuyerFee, taken: Collection[str] | None, order: Order, rates: ReferenceRates) -> Charged:
    """The fee for an order; `taken` are the card networks that the tender takes (None: any)."""
    minor, currency = order.amount
    network = order.card_network
    if network is not None or not fee.networks:
        parts: list[FeePart] = [fee.networks.get(network, fee) if network else fee]
    else:
        parts = [fee, *(part for name, part in fee.networks.items() if taken is None or name in taken)]
    try:
        amounts = [_with_tax(part, fee.tax_percent, order, rates) for part in parts]
    except NoReferenceRate:
        return Charged(None, up_to=False)
    return Charged(Money(max(-minor, *amounts), currency), bool(fee.networks) and network is None)


def _with_tax(part: FeePart, tax: Decimal | None, order: Order, rates: ReferenceRates) -> int:
    """One price for an order with its tax, in minor units of the order's currency."""
    minor, currency = order.amount
    above, under = 0, 1
    if part.percent is not None:
        of_one, whole = part.percent.as_integer_ratio()
        above, under = minor * of_one, whole * 100
    if part.fixed is not None:
        fixed = Fraction(part.fixed.minor)
        if part.fixed.currency != currency:
            fixed *= rates.per_minor(part.fixed.currency, currency, order.placed_on)
        above, under = above * fixed.denominator + fixed.numerator * under, under * fixed.denominator
    fee = round_half_up(above, under)
    if tax is None:
        return fee
    of_one, whole = tax.as_integer_ratio()
    return fee + round_half_up(fee * of_one, whole * 100)
