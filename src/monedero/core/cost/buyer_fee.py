"""Tells what a buyer fee does to a route's cost: the provider's fee falls on all that is paid, and the fee is taken
off.

A buyer fee is a straight line in the order's amount here, in whole units of the order's currency: what the buyer pays
on top, tax included, and what of it the shop keeps, without the tax. A discount that would leave nothing to pay ends
the curve there.

Source: own design.

>>> card = FeePiece(ZERO, None, "any", Linear(Fraction(2, 100), ZERO), NOTHING, NOTHING, ())
>>> on_top = OnTop(paid=Linear(Fraction(1, 100), Fraction(1, 10)), kept=Linear(Fraction(1, 100), Fraction(1, 10)))
>>> falls_on((card,), on_top)[0].fee.at(Fraction(100)), Fraction(2, 100) * Fraction("101.10")
(Fraction(1011, 500), Fraction(1011, 500))
>>> [(str(stretch.from_), stretch.below) for stretch in over_cost((card,), on_top, Fraction(1))]
[('0', Fraction(490, 51))]
>>> falls_on((card,), OnTop(Linear(Fraction(-1), ZERO), NOTHING))
()
"""

from collections.abc import Iterable
from fractions import Fraction
from math import floor
from typing import NamedTuple

from monedero.core.checkout.fee import BuyerFee
from monedero.core.cost.assumed import ZERO
from monedero.core.money import Money, minor_units, round_half_up
from monedero.core.ratecard.linear import NOTHING, FeeCurve, FeePiece, Linear

ONE = Fraction(1)


class OnTop(NamedTuple):
    """Holds what a buyer pays on top of an order, and what of it the shop keeps, as lines in the order's amount."""

    paid: Linear
    kept: Linear


NOTHING_ON_TOP = OnTop(NOTHING, NOTHING)


class Amounts(NamedTuple):
    """Amounts from one on and below another (None: without an end), in whole units; `after`: the first is not in it."""

    from_: Fraction
    below: Fraction | None
    after: bool = False


def on_top_of(fee: BuyerFee, to_order: Fraction) -> OnTop:
    """A fee for an unknown card network, unrounded; `to_order` brings its fixed part to the order's currency."""
    fixed = fee.fixed.exact * to_order if fee.fixed is not None else ZERO
    kept = Linear(Fraction(fee.percent or 0) / 100, fixed)
    return OnTop(kept.times(1 + Fraction(fee.tax_percent or 0) / 100), kept)


def falls_on(pieces: Iterable[FeePiece], on_top: OnTop) -> FeeCurve:
    """A provider's fee by the order's amount, where it falls on that and on what is paid on top."""
    if on_top.paid == NOTHING:
        return tuple(pieces)
    share, fixed = 1 + on_top.paid.slope, on_top.paid.intercept
    if share <= 0:
        return ()
    least = max(ZERO, -fixed / share)
    found = []
    for piece in pieces:
        start = max((piece.from_ - fixed) / share, least)
        below = None if piece.below is None else (piece.below - fixed) / share
        if below is None or start < below:
            found.append(_by_order(piece, start, below, on_top.paid))
    return tuple(found)


def _by_order(piece: FeePiece, start: Fraction, below: Fraction | None, paid: Linear) -> FeePiece:
    def line(part: Linear) -> Linear:
        return Linear(part.slope * (1 + paid.slope), part.at(paid.intercept))

    extras = tuple((label, line(percentage), line(flat)) for label, percentage, flat in piece.extras)
    parts = (line(piece.percentage), line(piece.fixed), line(piece.adjustment))
    return FeePiece(start, below, piece.rate, *parts, extras)


def over_cost(pieces: Iterable[FeePiece], on_top: OnTop, to_books: Fraction) -> list[Amounts]:
    """The amounts above zero at which the shop keeps more of a buyer fee than the provider's fee on it all.

    `to_books` brings the order's currency to the shop's, in which the provider's fee is.
    """
    found: list[Amounts] = []
    kept = on_top.kept.times(to_books)
    for piece in falls_on(pieces, on_top):
        more = Linear(kept.slope - piece.fee.slope, kept.intercept - piece.fee.intercept)
        stretch = _above_nothing(more, piece.from_, piece.below)
        if stretch is None:
            continue
        if found and found[-1].below == stretch.from_ and not stretch.after:
            found[-1] = found[-1]._replace(below=stretch.below)
        else:
            found.append(stretch)
    return found


def _above_nothing(line: Linear, start: Fraction, below: Fraction | None) -> Amounts | None:
    """Tells where a line is above nothing between two amounts; where it leaves nothing it is not above yet."""
    if not line.slope:
        return Amounts(start, below) if line.intercept > 0 else None
    root, rises = -line.intercept / line.slope, line.slope > 0
    if not rises:
        below = root if below is None else min(below, root)
    found = Amounts(max(start, root), below, after=root >= start) if rises else Amounts(start, below)
    return found if below is None or found.from_ < below else None


def netting(pieces: Iterable[FeePiece], price: Money, tax: Fraction = ZERO) -> int | None:
    """The smallest fee, in minor units and without its tax, with which the shop keeps its price.

    The provider's fee, in the currency of the price, falls on the price, the fee and its tax; it is rounded, and so is
    the tax. None where no fee does it, or there is no price.

    >>> card = FeePiece(ZERO, None, "any", Linear(Fraction(14, 1000), ZERO), Linear(ZERO, Fraction(1, 4)), NOTHING, ())
    >>> netting([card], Money(10000, "EUR"))
    167
    """
    units = minor_units(price.currency)
    found = (_netting(piece, price.minor, units, tax) for piece in pieces)
    return next((fee for fee in found if fee is not None), None)


def _netting(piece: FeePiece, price: int, units: int, tax: Fraction) -> int | None:
    """The same on one piece of the provider's fee, searched upward from just under what the formula says."""
    slope, fixed = piece.fee.slope, piece.fee.intercept * units
    share = 1 - slope * (1 + tax)
    if share <= 0:
        return None
    begins, ends = piece.from_ * units, None if piece.below is None else piece.below * units
    fee = max(0, floor((begins - price) / (1 + tax)) - 1, floor((slope * price + fixed) / share) - 2)
    while True:
        paid = price + fee + _rounded(fee * tax)
        if ends is not None and paid >= ends:
            return None
        if paid >= begins and fee >= _rounded(slope * paid + fixed):
            return fee
        fee += 1


def _rounded(value: Fraction) -> int:
    return round_half_up(value.numerator, value.denominator)
