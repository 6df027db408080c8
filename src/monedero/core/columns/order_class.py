"""A class of a month's orders: orders of one country that the same routes carry, with what they come to and cost there.

Source: own design.

>>> OrderClass("ES", {}, Fraction(2), Fraction(80), None).fees
{}
"""

from collections.abc import Mapping
from dataclasses import dataclass, field
from fractions import Fraction
from typing import NamedTuple

import polars as pl

from monedero.core.ratecard.volume import Reached

MARGIN_OVER = 10**8
"""The column `margin` of orders counts shares of the amount over this number."""


class Fees(NamedTuple):
    """The fees of orders on a route, and the part that a refund returns where it returns the percentage."""

    fees: Fraction
    returned: Fraction


class At(NamedTuple):
    """A route at what the account's volume reaches; None where nothing depends on a volume."""

    route: str
    reached: Reached | None


CHARGED = "charged "
"""Begins the name of the column of a tender's buyer fee, without its tax, in minor units of the order's currency."""


class Parts(NamedTuple):
    """A month cut into parts, with the buyer fees of tenders.

    `rows` has `row`, the number of its `part`, and a column for the buyer fee of each tender that has one; `long` says
    the same of each long order, with fees in whole units of the shop's currency.
    """

    rows: pl.DataFrame
    long: Mapping[int, tuple[int, Mapping[str, Fraction]]]


@dataclass(slots=True)
class OrderClass:
    """Orders of one country that the same routes carry.

    `days` says by provider in which group of days they lie, where reference rates tell days apart. `amount` and
    `margin` are in whole units of the shop's currency; a margin of None is not known. `fees` are of the routes that
    carry them, in whole units of the shop's currency; `part` is the part of the month in which they lie, where it was
    cut into parts. `surcharges` are the buyer fees, without their tax, by tender.
    """

    country: str
    days: Mapping[str, int]
    orders: Fraction
    amount: Fraction
    margin: Fraction | None
    fees: dict[At, Fees] = field(default_factory=dict)
    part: int = 0
    surcharges: dict[str, Fraction] = field(default_factory=dict)
