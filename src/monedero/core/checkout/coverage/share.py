"""How many of a shop's orders of a month lie in some boxes.

The month tells of its orders the market, the amount, and the line or what is sold. It does not tell how they go, who
the buyer is or the device, so that orders may lie in a box or not: such a number is the most that it can be.

Orders that no box of a region can tell apart but by their amount are added up once, for each region. A month of 100,000
orders is then a few hundred groups, however many boxes are held against it.

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
>>> share_of([(region, above)], PlacedMonth(month))
Share(orders=Fraction(3, 1), exactly=True)
>>> [on_a_phone] = Boxes(region).pieces(everything._replace(amounts=0b10, devices=0b01))
>>> share_of([(region, on_a_phone)], PlacedMonth(month)).exactly
False
"""

from collections import defaultdict
from collections.abc import Iterator, Sequence
from fractions import Fraction
from itertools import zip_longest
from typing import NamedTuple
from weakref import WeakKeyDictionary

from monedero.core.checkout.coverage.boxes import Box
from monedero.core.checkout.coverage.possible import Possible
from monedero.core.checkout.coverage.reach import Region
from monedero.core.checkout.limit_cost import SameOrders
from monedero.core.checkout.month_sums import Sums, added_up
from monedero.core.order.model import Order


class Share(NamedTuple):
    """Orders a month; `exactly`: all of them are sure to be meant, else they are the most that there can be."""

    orders: Fraction
    exactly: bool


class Placed(NamedTuple):
    """Orders of one market of a region that can be of the same carts; they differ for a box by their amount alone.

    `market` is its place among those of the region, `areas` the bits of the sets of areas there; `carts` are the carts
    that they can be of, each with the bits of the ways by which it can go.
    """

    market: int
    areas: int
    carts: Sequence[tuple[int, int]]
    sums: Sums
    orders: Sequence[SameOrders]


class PlacedMonth:
    """Holds the orders of a month, placed among the values of the regions that are asked for."""

    def __init__(self, month: Sequence[SameOrders]) -> None:
        """The orders, in groups that differ in their amount alone."""
        self._month = month
        self._by_region: WeakKeyDictionary[Region, list[Placed]] = WeakKeyDictionary()

    def __bool__(self) -> bool:
        """True if there are orders."""
        return bool(self._month)

    def within(self, region: Region) -> list[Placed]:
        """The orders of the markets of a region; those of no cart of the shop are left out."""
        if region not in self._by_region:
            self._by_region[region] = list(self._placed(region))
        return self._by_region[region]

    def _placed(self, region: Region) -> Iterator[Placed]:
        space = region.space
        markets: dict[str, int] = {}
        for at, market in enumerate(region.markets):
            markets.setdefault(space.markets[market].country, at)
        groups: dict[tuple[int, tuple[int, ...]], list[SameOrders]] = defaultdict(list)
        for same in self._month:
            at_market = markets.get(same.order.country)
            if at_market is not None and same.order.amount.currency == region.currency:
                groups[at_market, tuple(_carts(region, same.order))].append(same)
        for (at, carts), orders in groups.items():
            if carts:
                areas = sum(1 << area for m, area in space.postcodes if m == region.markets[at])
                ways = [(cart, _ways(region.possible, cart)) for cart in carts]
                yield Placed(at, areas, ways, added_up([same.sums for same in orders]), orders)


def share_of(boxes: Sequence[tuple[Region, Box]], month: PlacedMonth) -> Share:
    """How many orders of a month lie in one of some boxes; each is counted once."""
    total, exactly = Fraction(0), True
    for placed, stretch, surely in orders_in(boxes, month):
        orders, _ = placed.sums.between(*stretch)
        total += orders
        exactly = exactly and (surely or not orders)
    return Share(total, exactly)


Stretch = tuple[int, int | None]
"""Amounts in minor units, from one on and below another (None: without an end)."""


def orders_in(boxes: Sequence[tuple[Region, Box]], month: PlacedMonth) -> Iterator[tuple[Placed, Stretch, bool]]:
    """The orders of a month that may lie in one of some boxes: which, of which amounts, and whether surely.

    No two stretches of amounts of the same orders meet.
    """
    by_region: dict[Region, list[Box]] = defaultdict(list)
    for region, box in boxes:
        by_region[region].append(box)
    for region, own in by_region.items():
        told = [(box, _amounts(region, box), _is_whole(region, box)) for box in own]
        for placed in month.within(region):
            lies = [
                (stretch, surely)
                for box, stretch, whole in told
                if (surely := _lies(placed, box, whole=whole)) is not None
            ]
            ends = sorted({end for stretch, _ in lies for end in stretch if end is not None})
            for first, below in zip_longest(ends, ends[1:]):
                here = [surely for stretch, surely in lies if _holds(stretch, first)]
                if here:
                    yield placed, (first, below), any(here)


def _holds(stretch: Stretch, minor: int) -> bool:
    first, below = stretch
    return first <= minor and (below is None or minor < below)


def _amounts(region: Region, box: Box) -> Stretch:
    """The amounts of a box."""
    begins = region.begins
    return begins[box.first], begins[box.last + 1] if box.last + 1 < len(begins) else None


def _is_whole(region: Region, box: Box) -> bool:
    """True if a box holds every value of the facts that a month does not tell."""
    space = region.space
    return all(
        values == (1 << len(every)) - 1
        for values, every in (
            (box.groups, space.groups),
            (box.devices, space.devices),
            (box.signed_in, space.signed_in),
        )
    )


def _lies(placed: Placed, box: Box, *, whole: bool) -> bool | None:
    """True if orders lie in a box by all but their amount: surely, perhaps (False), or not (None)."""
    if not box.markets >> placed.market & 1 or not placed.areas & box.areas:
        return None
    inside = [ways for cart, ways in placed.carts if box.carts >> cart & 1 and ways & box.deliveries]
    if not inside:
        return None
    every_way = len(inside) == len(placed.carts) and not any(ways & ~box.deliveries for ways in inside)
    return whole and every_way and not placed.areas & ~box.areas


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
