"""Largest boxes: products of values that hold no order of some obstacles, and cannot be widened in any fact.

A box is a product of markets, sets of areas, carts, ways of delivery, groups, devices, signed in or not, and one
stretch of amounts. What it names need not go together: a value is in it wherever no order speaks against that. A fact
is widened to every value that no obstacle lets in which meets the box in all other facts. A box only grows, so that
what could not be added to it before cannot be added later: once every fact was widened, none can be.

Source: own design.

>>> from datetime import date
>>> from monedero.core.checkout.coverage.reach import regions
>>> from monedero.core.checkout.coverage.space import Space
>>> from monedero.core.shop import Line, Market
>>> market = Market(id="pt", country="PT", currency="EUR", share="100")
>>> line = Line(id="chart", name="Chart", kind="goods", usual_amount="9 EUR", recurring=False)
>>> space = Space.of([market], [line], [], [], [], date(2026, 11, 27))
>>> [region] = regions(space, {"EUR": {5001}})
>>> boxes = Boxes(region)
>>> up_to_fifty = boxes.everything._replace(amounts=0b01)
>>> [piece] = boxes.pieces(boxes.everything._replace(amounts=0b10, devices=0b01))
>>> boxes.widest(piece, [up_to_fifty])
Box(markets=1, areas=1, carts=1, deliveries=1, groups=1, devices=3, signed_in=3, first=1, last=1)
"""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from math import prod
from typing import NamedTuple

from monedero.core.checkout.coverage.possible import bits_of
from monedero.core.checkout.coverage.reach import Reach, Region, less


class Box(NamedTuple):
    """A product, each part as a number with a bit for every value; amounts from a stretch to another, both included."""

    markets: int
    areas: int
    carts: int
    deliveries: int
    groups: int
    devices: int
    signed_in: int
    first: int
    last: int

    @property
    def size(self) -> int:
        """How many values of all facts it names together, whether they go together or not."""
        return prod(part.bit_count() for part in self[:7]) * (self.last - self.first + 1)

    @property
    def amounts(self) -> int:
        """Its stretches of amounts."""
        return (1 << (self.last + 1)) - (1 << self.first)


PLAIN = ("signed_in", "devices", "groups")


class Boxes:
    """Makes boxes of one region."""

    def __init__(self, region: Region) -> None:
        """Works out once what goes together."""
        self._region, self._possible = region, region.possible
        self.everything = region.everything
        width, count = region.width, len(region.markets)
        self._columns = [sum(1 << (m * width + a) for m in range(count)) for a in range(width)]
        self._row = (1 << width) - 1
        self._places: dict[tuple[int, int], int] = {}
        self._rows: dict[int, list[tuple[int, int]]] = {}
        self._ways: dict[tuple[int, int], list[tuple[int, int]]] = {}

    def places(self, markets: int, areas: int) -> int:
        """The places of some markets with some sets of areas that go together."""
        key = (markets, areas)
        if key not in self._places:
            width = self._region.width
            rows = sum(areas << (market * width) for market in bits_of(markets))
            self._places[key] = rows & self.everything.places
        return self._places[key]

    def reach(self, box: Box) -> Reach:
        """A box as a reach."""
        _, _, carts, deliveries, groups, devices, signed_in, _, _ = box
        places = self.places(box.markets, box.areas)
        return Reach(places, carts, deliveries, groups, devices, signed_in, box.amounts)

    def pieces(self, reach: Reach) -> Iterator[Box]:
        """A reach as boxes in which everything goes together, none of which meets another."""
        for markets, areas in self._rectangles(reach.places):
            for carts, deliveries in self._loads(reach.carts, reach.deliveries):
                for first, last in runs(reach.amounts):
                    yield Box(
                        markets,
                        areas,
                        carts,
                        deliveries,
                        reach.groups,
                        reach.devices,
                        reach.signed_in,
                        first,
                        last,
                    )

    def _rectangles(self, places: int) -> list[tuple[int, int]]:
        """Places as markets with the same sets of areas."""
        if places not in self._rows:
            by_areas: dict[int, int] = {}
            width = self._region.width
            for market in range(len(self._region.markets)):
                areas = places >> (market * width) & self._row
                by_areas[areas] = by_areas.get(areas, 0) | 1 << market
            by_areas.pop(0, None)
            self._rows[places] = [(markets, areas) for areas, markets in by_areas.items()]
        return self._rows[places]

    def _loads(self, carts: int, deliveries: int) -> list[tuple[int, int]]:
        """Carts with the ways by which they can go, of some of both."""
        key = (carts, deliveries)
        if key not in self._ways:
            by_way = {way: self._possible.carts_by[way] & carts for way in bits_of(deliveries)}
            self._ways[key] = by_carts(by_way)
        return self._ways[key]

    def widest(self, box: Box, obstacles: Sequence[Reach]) -> Box:
        """The box, which meets no obstacle, widened in one fact after the other."""
        for part in (*PLAIN, "deliveries", "carts", "areas", "markets"):
            box = box._replace(**{part: self._allowed(part, box, obstacles)})
        return self._along(box, obstacles)

    def _allowed(self, part: str, box: Box, obstacles: Sequence[Reach]) -> int:
        """The values of a part that no obstacle lets in which meets the box in all others."""
        everything, here, amounts = self.everything, self.places(box.markets, box.areas), box.amounts
        width = self._region.width
        if part == "markets":
            every = (1 << len(self._region.markets)) - 1
        else:
            every = self._row if part == "areas" else getattr(everything, part)
        forbidden = 0
        for obstacle in obstacles:
            if not obstacle.amounts & amounts or any(
                not getattr(obstacle, plain) & getattr(box, plain) for plain in PLAIN if plain != part
            ):
                continue
            ways, carts = obstacle.deliveries & box.deliveries, obstacle.carts & box.carts
            if part == "carts":
                found = obstacle.carts & self._possible.carts(ways)
            elif part == "deliveries":
                found = sum(
                    1 << way for way in bits_of(obstacle.deliveries) if self._possible.carts_by[way] & carts
                )
            elif not carts & self._possible.carts(ways):
                continue
            else:
                found = 0
            if part == "areas":
                rows = obstacle.places & self.places(box.markets, self._row)
                found = sum(1 << area for area in range(width) if rows & self._columns[area])
            elif part == "markets":
                cells = obstacle.places & self.places(every, box.areas)
                found = sum(
                    1 << market
                    for market in range(len(self._region.markets))
                    if cells >> market * width & self._row
                )
            elif not obstacle.places & here:
                continue
            elif part in PLAIN:
                found = getattr(obstacle, part)
            forbidden |= found
        return int(every & ~forbidden)

    def _along(self, box: Box, obstacles: Sequence[Reach]) -> Box:
        """The box along the amounts, as far as no obstacle is met."""
        reach = self.reach(box)
        blocked = 0
        for obstacle in obstacles:
            if self._possible.any(obstacle.meets(reach._replace(amounts=obstacle.amounts))):
                blocked |= obstacle.amounts
        first, last, end = box.first, box.last, len(self._region.begins) - 1
        while first > 0 and not blocked >> (first - 1) & 1:
            first -= 1
        while last < end and not blocked >> (last + 1) & 1:
            last += 1
        return box._replace(first=first, last=last)

    def cover(self, pieces: Iterable[Box], obstacles: Sequence[Reach]) -> list[tuple[Box, Box]]:
        """Largest boxes that together hold every piece, each with the piece that it grew from."""
        found: list[tuple[Box, Box]] = []
        for piece in pieces:
            left = [piece]
            for box, _ in found:
                left = [rest for part in left for rest in without(part, box)]
            while left:
                box = self.widest(left[0], obstacles)
                found.append((box, left[0]))
                left = [rest for part in left for rest in without(part, box)]
        return found


def by_carts(by_way: Mapping[int, int]) -> list[tuple[int, int]]:
    """Carts with the ways that all of them go, from the carts of every way.

    >>> by_carts({0: 0b011, 1: 0b110})
    [(1, 1), (2, 3), (4, 2)]
    """
    ways: dict[int, int] = {}
    for way, carts in by_way.items():
        for cart in bits_of(carts):
            ways[cart] = ways.get(cart, 0) | 1 << way
    found: dict[int, int] = {}
    for cart, some in ways.items():
        found[some] = found.get(some, 0) | 1 << cart
    return [(carts, some) for some, carts in found.items()]


FACTS = ("markets", "areas", "carts", "deliveries", "groups", "devices", "signed_in")


def without(box: Box, other: Box) -> list[Box]:
    """Tells what of a box does not lie in another, in boxes that do not meet.

    >>> one = Box(1, 1, 1, 1, 1, 1, 0b11, 0, 9)
    >>> [(rest.signed_in, rest.first, rest.last) for rest in without(one, one._replace(signed_in=1, first=4, last=5))]
    [(2, 0, 9), (1, 0, 3), (1, 6, 9)]
    """
    first, last = max(box.first, other.first), min(box.last, other.last)
    if first > last or any(not getattr(box, fact) & getattr(other, fact) for fact in FACTS):
        return [box]
    rest = []
    for fact in FACTS:
        own, shared = getattr(box, fact), getattr(box, fact) & getattr(other, fact)
        if own != shared:
            rest.append(box._replace(**{fact: own & ~shared}))
            box = box._replace(**{fact: shared})
    if box.first < first:
        rest.append(box._replace(last=first - 1))
    if box.last > last:
        rest.append(box._replace(first=last + 1))
    return rest


def runs(amounts: int) -> Iterator[tuple[int, int]]:
    """The stretches of amounts that lie side by side, each as its first and its last.

    >>> list(runs(0b11011))
    [(0, 1), (3, 4)]
    """
    while amounts:
        first = last = next(bits_of(amounts))
        while amounts >> (last + 1) & 1:
            last += 1
        yield first, last
        amounts &= -1 << (last + 1)


def largest(region: Region, pieces: Sequence[Box]) -> list[Box]:
    """Largest boxes that hold some pieces, in which everything goes together, and no other order; few of them.

    >>> from datetime import date
    >>> from monedero.core.checkout.coverage.reach import regions
    >>> from monedero.core.checkout.coverage.space import Space
    >>> from monedero.core.shop import Line, Market
    >>> market = Market(id="pt", country="PT", currency="EUR", share="100")
    >>> line = Line(id="chart", name="Chart", kind="goods", usual_amount="9 EUR", recurring=False)
    >>> space = Space.of([market], [line], [], [], [], date(2026, 11, 27))
    >>> [region] = regions(space, {"EUR": {5001}})
    >>> [piece] = Boxes(region).pieces(Boxes(region).everything)
    >>> halves = [piece._replace(devices=0b01), piece._replace(devices=0b10)]
    >>> [box.devices for box in largest(region, halves)]
    [3]
    """
    boxes = Boxes(region)
    others = [boxes.everything]
    for piece in pieces:
        reach = boxes.reach(piece)
        others = [rest for other in others for rest in less(other, reach) if region.possible.any(rest)]
    return [box for box, _ in boxes.cover(pieces, others)]
