"""The orders that a shop can receive, by their facts: every value that each of them can have, and which go together.

Carts are every line alone, and every pair of lines that are equally recurring and can go the same way. Postcodes are
told apart by the areas in which they lie. The network and the kind of a card are not known, and neither is a town.

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
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field
from datetime import date
from itertools import combinations
from string import ascii_uppercase, digits
from typing import NamedTuple, Protocol

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
    """Lines that are ordered together, by their ids, and the ways by which they can go."""

    lines: tuple[str, ...]
    deliveries: tuple[str, ...]


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
    """The values of each fact. `postcodes` holds one for each market and set of areas that go together."""

    markets: Sequence[SoldTo]
    areas: Sequence[tuple[str, ...]]
    postcodes: dict[tuple[int, int], str | None]
    carts: Sequence[Cart]
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
        carts = list(_carts_of(lines))
        ways = [*deliveries, NOT_DELIVERED]
        used = {way for cart in carts for way in cart.deliveries}
        return cls(
            markets=markets,
            areas=list(sets),
            postcodes=postcodes,
            carts=carts,
            deliveries=[way for way in ways if way in used or way != NOT_DELIVERED],
            groups=[*groups] or [None],
            day=day,
            lines={line.id: line for line in lines},
        )

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


def _carts_of(lines: Sequence[NamedLine]) -> Iterable[Cart]:
    """Every line alone, then every pair that can be ordered together."""
    for line in lines:
        yield Cart((line.id,), tuple(line.deliveries) if line.deliveries is not None else (NOT_DELIVERED,))
    for one, other in combinations(lines, 2):
        if one.recurring is other.recurring and (ways := _together(one.deliveries, other.deliveries)):
            yield Cart((one.id, other.id), ways)


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
