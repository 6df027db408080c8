"""How many of a shop's orders of a month lie in some boxes.

The month tells of its orders the market, the amount, and the line or what is sold. It does not tell how they go, who
the buyer is or the device, so that orders may lie in a box or not: such a number is the most that it can be.

Source: own design.

>>> from datetime import date
>>> from monedero.core.checkout.coverage.boxes import Boxes
>>> from monedero.core.checkout.coverage.reach import regions
>>> from monedero.core.checkout.coverage.space import Space
>>> from monedero.core.money import Money
>>> from monedero.core.shop import Line, Market
>>> market = Market(id="pt", country="PT", currency="EUR", share="100")
>>> line = Line(id="chart", name="Chart", kind="goods", usual_amount="9 EUR", recurring=False)
>>> space = Space.of([market], [line], [], [], [], date(2026, 11, 27))
>>> [region] = regions(space, {"EUR": {5001}})
>>> everything = Boxes(region).everything
>>> [above] = Boxes(region).pieces(everything._replace(amounts=0b10))
>>> order = Order(Money(1, "EUR"), "PT", date(2026, 11, 27), lines=("chart",))
>>> month = [SameOrders(order, {900: Fraction(40), 6000: Fraction(3)})]
>>> share_of([(region, above)], month)
Share(orders=Fraction(3, 1), exactly=True)
>>> [on_a_phone] = Boxes(region).pieces(everything._replace(amounts=0b10, devices=0b01))
>>> share_of([(region, on_a_phone)], month).exactly
False
"""

from collections.abc import Iterable, Iterator, Sequence
from fractions import Fraction
from itertools import zip_longest
from typing import NamedTuple

from monedero.core.checkout.coverage.boxes import Box
from monedero.core.checkout.coverage.possible import Possible
from monedero.core.checkout.coverage.reach import Region
from monedero.core.checkout.limit_cost import SameOrders
from monedero.core.order.model import Order


class Share(NamedTuple):
    """Orders a month; `exactly`: all of them are sure to be meant, else they are the most that there can be."""

    orders: Fraction
    exactly: bool


def share_of(boxes: Sequence[tuple[Region, Box]], month: Iterable[SameOrders]) -> Share:
    """How many orders of a month lie in one of some boxes; each is counted once."""
    total, exactly = Fraction(0), True
    for same, stretch, surely in orders_in(boxes, month):
        orders, _ = same.sums.between(*stretch)
        total += orders
        exactly = exactly and (surely or not orders)
    return Share(total, exactly)


Stretch = tuple[int, int | None]
"""Amounts in minor units, from one on and below another (None: without an end)."""


def orders_in(
    boxes: Sequence[tuple[Region, Box]], month: Iterable[SameOrders]
) -> Iterator[tuple[SameOrders, Stretch, bool]]:
    """The orders of a month that may lie in one of some boxes: which, of which amounts, and whether surely.

    No two stretches of amounts of the same orders meet.
    """
    for same in month:
        lies = [
            (_amounts(region, box), surely)
            for region, box in boxes
            if region.currency == same.order.amount.currency
            and (surely := _lies(region, box, same.order)) is not None
        ]
        ends = sorted({end for stretch, _ in lies for end in stretch if end is not None})
        for first, below in zip_longest(ends, ends[1:]):
            here = [surely for stretch, surely in lies if _holds(stretch, first)]
            if here:
                yield same, (first, below), any(here)


def _holds(stretch: Stretch, minor: int) -> bool:
    first, below = stretch
    return first <= minor and (below is None or minor < below)


def _amounts(region: Region, box: Box) -> Stretch:
    """The amounts of a box."""
    begins = region.begins
    return begins[box.first], begins[box.last + 1] if box.last + 1 < len(begins) else None


def _lies(region: Region, box: Box, order: Order) -> bool | None:
    """True if an order lies in a box by all but its amount: surely, perhaps (False), or not (None)."""
    space = region.space
    market = next((at for at, m in enumerate(region.markets) if space.markets[m].country == order.country), None)
    if market is None or not box.markets >> market & 1:
        return None
    areas = sum(1 << area for m, area in space.postcodes if m == region.markets[market])
    if not areas & box.areas:
        return None
    carts = list(_carts(region, order))
    ways = {cart: _ways(region.possible, cart) for cart in carts}
    inside = [cart for cart in carts if box.carts >> cart & 1 and ways[cart] & box.deliveries]
    if not inside:
        return None
    whole = all(
        values == (1 << len(every)) - 1
        for values, every in (
            (box.groups, space.groups),
            (box.devices, space.devices),
            (box.signed_in, space.signed_in),
        )
    )
    every_way = len(inside) == len(carts) and not any(ways[cart] & ~box.deliveries for cart in carts)
    return whole and every_way and not areas & ~box.areas


def _ways(possible: Possible, cart: int) -> int:
    """The ways by which a cart can go."""
    return sum(1 << way for way, carts in enumerate(possible.carts_by) if carts >> cart & 1)


def _carts(region: Region, order: Order) -> Iterator[int]:
    """The carts that an order can be of: its lines', or those of one line that sell what it does."""
    space = region.space
    if order.lines:
        cart = space.cart_of(order.lines)
        if cart is not None:
            yield cart
        return
    for place, lines in enumerate(space.classes):
        line = space.lines[lines[0]]
        kind = not order.kinds or {line.kind} == order.kinds
        if kind and order.recurring in (None, line.recurring):
            yield place
