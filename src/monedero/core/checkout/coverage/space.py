"""The orders that a shop can receive, by their facts: every value that each of them can have, and which go together.

Carts are every line alone, and every pair of lines that are equally recurring and can go the same way. Lines that
nothing tells apart can stand as one class (`merged`), so that what is the same of all of them is looked at once; a cart
is then of classes. Postcodes are told apart by the areas in which they lie. The network and the kind of a card are not
known, and neither is a town.

Source: own design.

>>> from datetime import date
>>> from monedero.core.shop import Line, Market
>>> market = Market(id="pt", country="PT", currency="EUR", share="100")
>>> chart = Line(id="chart", name="C", kind="goods", usual_amount="9 EUR", recurring=False, deliveries=["van", "pier"])
>>> lamp = Line(id="lamp", name="L", kind="goods", usual_amount="9 EUR", recurring=False, deliveries=["van"])
>>> islands = Area(id="islands", name="Islands", postcodes={"PT": ["9"]})
>>> space = Space.of([market], [chart, lamp], ["van", "pier"], [], [islands], date(2026, 11, 27))
>>> [(cart.lines, cart.deliveries) for cart in space.carts]
[(('chart',), ('van', 'pier')), (('lamp',), ('van',)), (('chart', 'lamp'), ('van',))]
>>> space.areas, sorted(space.postcodes.values())
([(), ('islands',)], ['0', '9'])
>>> more = Line(id="map", name="M", kind="goods", usual_amount="7 EUR", recurring=False, deliveries=["van"])
>>> merged = Space.of([market], [chart, lamp, more], ["van", "pier"], [], [], space.day).merged(lambda line: 0)
>>> merged.classes, [cart.lines for cart in merged.carts]
((('chart',), ('lamp', 'map')), [('chart',), ('lamp',), ('chart', 'lamp'), ('lamp', 'map')])
"""

from collections.abc import Callable, Hashable, Iterable, Iterator, Sequence
from dataclasses import dataclass, field, replace
from datetime import date
from functools import cached_property
from itertools import combinations_with_replacement
from math import comb
from string import ascii_uppercase, digits
from typing import NamedTuple, Protocol

from monedero.core.checkout.coverage.possible import Possible
from monedero.core.money import Money
from monedero.core.order.area import Area
from monedero.core.order.model import NOT_DELIVERED, Device, Order
from monedero.core.order.of_lines import Sold, with_lines


class SoldTo(Protocol):
    """A market: a country with a currency."""

    @property
    def id(self) -> str:
        """Its id."""
        ...

    @property
    def country(self) -> str:
        """Its country."""
        ...

    @property
    def currency(self) -> str:
        """Its currency."""
        ...


class NamedLine(Sold, Protocol):
    """A line with its id."""

    @property
    def id(self) -> str:
        """Its id."""
        ...


class Cart(NamedTuple):
    """Lines that are ordered together, by their ids, and the ways by which they can go.

    `classes` are the places of the classes of its lines; the lines stand for any others of their classes.
    """

    lines: tuple[str, ...]
    deliveries: tuple[str, ...]
    classes: tuple[int, ...]


class Values(NamedTuple):
    """One value of every fact, each by its place in the space; the amount is in minor units."""

    market: int = 0
    area: int = 0
    cart: int = 0
    delivery: int = 0
    group: int = 0
    device: int = 0
    signed_in: int = 0
    minor: int = 1


@dataclass(frozen=True)
class Space:
    """The values of each fact. `postcodes` holds one for each market and set of areas that go together.

    `classes` are the lines, by their ids, that are looked at as one; the first carts are those of one line of each.
    """

    markets: Sequence[SoldTo]
    areas: Sequence[tuple[str, ...]]
    postcodes: dict[tuple[int, int], str | None]
    classes: tuple[tuple[str, ...], ...]
    deliveries: Sequence[str]
    groups: Sequence[str | None]
    day: date
    lines: dict[str, NamedLine]
    devices: Sequence[Device] = tuple(Device)
    signed_in: Sequence[bool] = (False, True)
    _carts: dict[int, Order] = field(default_factory=dict, compare=False, repr=False)

    @classmethod
    def of(  # noqa: PLR0913, PLR0917 - a part of the shop each
        cls,
        markets: Sequence[SoldTo],
        lines: Sequence[NamedLine],
        deliveries: Sequence[str],
        groups: Sequence[str],
        areas: Sequence[Area],
        day: date,
    ) -> "Space":
        """The space of a shop on a day."""
        sets: dict[tuple[str, ...], int] = {(): 0}
        postcodes: dict[tuple[int, int], str | None] = {}
        classes = {market.country: _classes(market.country, areas) for market in markets}
        for place, market in enumerate(markets):
            for inside, postcode in classes[market.country].items():
                postcodes[place, sets.setdefault(inside, len(sets))] = postcode
        ways = [*deliveries, NOT_DELIVERED]
        used = {way for line in lines for way in _ways(line)}
        return cls(
            markets=markets,
            areas=list(sets),
            postcodes=postcodes,
            classes=tuple((line.id,) for line in lines),
            deliveries=[way for way in ways if way in used or way != NOT_DELIVERED],
            groups=[*groups] or [None],
            day=day,
            lines={line.id: line for line in lines},
        )

    def merged(self, told: Callable[[NamedLine], Hashable]) -> "Space":
        """The same orders, with lines as one that are of one kind, equally recurring, go the same ways, and of which
        the same is told.
        """
        found: dict[Hashable, list[str]] = {}
        for line in self.lines.values():
            key = (sold(line), told(line))
            found.setdefault(key, []).append(line.id)
        return replace(self, classes=tuple(map(tuple, found.values())), _carts={})

    @cached_property
    def carts(self) -> Sequence[Cart]:
        """Every class of lines alone, then every pair that can be ordered together."""
        return list(self._carts_of())

    @cached_property
    def possible(self) -> Possible:
        """Tells which values go together."""
        return Possible([cart.deliveries for cart in self.carts], self.deliveries)

    @cached_property
    def _places(self) -> dict[tuple[int, ...], int]:
        return {cart.classes: place for place, cart in enumerate(self.carts)}

    @cached_property
    def _class_of(self) -> dict[str, int]:
        return {line: place for place, lines in enumerate(self.classes) for line in lines}

    def cart_of(self, lines: Sequence[str]) -> int | None:
        """The place of the cart that some lines are; None where they cannot be ordered together.

        The same line twice is no cart of two lines.
        """
        if len(set(lines)) < len(lines) or not all(line in self._class_of for line in lines):
            return None
        return self._places.get(tuple(sorted(self._class_of[line] for line in lines)))

    def with_each_line(self, order: Order, carts: Iterable[int]) -> Iterator[Order]:
        """Orders like one, of some carts, in which every line of their classes stands once at least."""
        seen: set[str] = set()
        for cart in map(self.carts.__getitem__, carts):
            told = with_lines(replace(order, lines=cart.lines, kinds=frozenset(), recurring=None), self.lines)
            for at, place in enumerate(cart.classes):
                for line in self.classes[place]:
                    lines = (*cart.lines[:at], line, *cart.lines[at + 1 :])
                    if line not in seen and len(set(lines)) == len(lines):
                        seen.update(lines)
                        yield replace(told, lines=lines)

    def count(self, cart: Cart) -> int:
        """How many carts of lines a cart of classes is."""
        [first, *others] = (len(self.classes[place]) for place in cart.classes)
        if not others:
            return first
        return comb(first, 2) if len(set(cart.classes)) == 1 else first * others[0]

    def _carts_of(self) -> Iterator[Cart]:
        firsts = [self.lines[lines[0]] for lines in self.classes]
        for place, line in enumerate(firsts):
            yield Cart((line.id,), _ways(line), (place,))
        for (at, one), (beside, other) in combinations_with_replacement(enumerate(firsts), 2):
            if at == beside and len(self.classes[at]) == 1:
                continue
            second = self.classes[at][1] if at == beside else other.id
            if one.recurring is other.recurring and (ways := _together(one.deliveries, other.deliveries)):
                yield Cart((one.id, second), ways, (at, beside))

    def order(self, values: Values) -> Order:
        """The order that has some values; whether they go together is not asked."""
        market, cart = self.markets[values.market], self.carts[values.cart]
        told = self._of_cart(values.cart, cart)
        return Order(
            Money(values.minor, market.currency),
            market.country,
            self.day,
            told.kinds,
            told.recurring,
            lines=cart.lines,
            postcode=self.postcodes.get((values.market, values.area)),
            delivery=self.deliveries[values.delivery],
            customer_group=self.groups[values.group],
            device=self.devices[values.device],
            signed_in=self.signed_in[values.signed_in],
        )

    def _of_cart(self, place: int, cart: Cart) -> Order:
        """Tells what the lines of a cart say of any order; worked out once."""
        if place not in self._carts:
            nothing = Order(Money(1, "EUR"), "PT", self.day, lines=cart.lines)
            self._carts[place] = with_lines(nothing, self.lines)
        return self._carts[place]


def sold(line: Sold) -> Hashable:
    """Everything that a line says of the orders that it is in."""
    return line.kind, line.recurring, line.deliveries is None, frozenset(_ways(line))


def _ways(line: Sold) -> tuple[str, ...]:
    """The ways by which a line can go."""
    return (NOT_DELIVERED,) if line.deliveries is None else tuple(line.deliveries)


def _together(one: list[str] | None, other: list[str] | None) -> tuple[str, ...]:
    """The ways by which two lines can go together; a line that is not delivered goes with any."""
    if one is None and other is None:
        return (NOT_DELIVERED,)
    if one is None or other is None:
        return tuple(one or other or ())
    return tuple(way for way in one if way in other)


def _classes(country: str, areas: Iterable[Area]) -> dict[tuple[str, ...], str | None]:
    """The sets of areas in which postcodes of a country can lie, each with a postcode that does.

    Where no area tells its postcodes apart there is one, and no postcode is needed.
    """
    told = [area for area in areas if country in area.postcodes]
    prefixes = list(dict.fromkeys(prefix for area in told for prefix in area.postcodes[country]))
    if not prefixes:
        return {(): None}
    outside = next((letter for letter in digits + ascii_uppercase if letter not in prefixes), None)
    found: dict[tuple[str, ...], str | None] = {} if outside is None else {(): outside}
    for prefix in prefixes:
        inside = tuple(area.id for area in told if prefix.startswith(tuple(area.postcodes[country])))
        found.setdefault(inside, prefix)
    return found
