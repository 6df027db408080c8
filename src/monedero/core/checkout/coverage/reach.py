"""Tells where a tender is offered, compiled from the checks of the decision: the values of a fact that each check lets
in.

A check is about one fact, so that what a tender is offered for is a product: values of each fact, in whole numbers that
hold a bit for every value. Markets and areas are one fact here, since an area lies in a country; amounts are cut into
stretches on which no check says anything else, in one currency at a time.

Source: own design.

>>> from monedero.core.reasons import Reason
>>> everything = Reach(0b11, 0b1, 0b1, 0b1, 0b11, 0b11, 0b111)
>>> everything.meets(everything._replace(amounts=0b100)).amounts
4
>>> everything.meets(everything._replace(amounts=0)).is_nothing
True
"""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, field
from functools import cached_property, reduce
from itertools import combinations
from operator import and_
from typing import NamedTuple

from monedero.core.checkout.checks import Check
from monedero.core.checkout.coverage.possible import Possible
from monedero.core.checkout.coverage.space import Space, Values
from monedero.core.order.facts import POSTCODE, Fact, Part
from monedero.core.order.model import Order
from monedero.core.reasons import ReasonCode


class Reach(NamedTuple):
    """A product of values, each as a number with a bit for every one. `places` has one for each market and area."""

    places: int
    carts: int
    deliveries: int
    groups: int
    devices: int
    signed_in: int
    amounts: int

    def meets(self, other: "Reach") -> "Reach":
        """Tells what both hold."""
        return Reach(*map(and_, self, other))

    @property
    def is_nothing(self) -> bool:
        """True if it holds no order, whatever goes together."""
        return not all(self)


def less(own: Reach, other: Reach) -> list[Reach]:
    """Tells what of a reach does not lie in another, in reaches that do not meet.

    >>> whole = Reach(1, 1, 1, 1, 1, 1, 0b111)
    >>> [reach.amounts for reach in less(whole, whole._replace(amounts=0b001))]
    [6]
    """
    if own.is_nothing:
        return []
    if own.meets(other).is_nothing:
        return [own]
    rest = []
    for fact in Reach._fields:
        mine, shared = getattr(own, fact), getattr(own, fact) & getattr(other, fact)
        if mine != shared:
            rest.append(own._replace(**{fact: mine & ~shared}))
            own = own._replace(**{fact: shared})
    return rest


Probes = Sequence[tuple[int, Order]]
"""One order for every value of a part, with the bits that it answers for."""


@dataclass(frozen=True, eq=False)
class Region:
    """The orders of one currency: its markets by their places in the space, and where stretches of amounts begin."""

    space: Space
    currency: str
    markets: tuple[int, ...]
    begins: tuple[int, ...]
    _probes: dict[tuple[Part, bool], Probes] = field(default_factory=dict, repr=False)

    @property
    def width(self) -> int:
        """How many sets of areas there are beside each market."""
        return len(self.space.areas)

    @property
    def possible(self) -> Possible:
        """Tells which values go together."""
        return self.space.possible

    def place(self, market: int, area: int) -> int:
        """The bit of a market, by its place among those of the currency, with a set of areas."""
        return 1 << (market * self.width + area)

    @cached_property
    def everything(self) -> Reach:
        """All that can be ordered in the currency."""
        there = self.space.postcodes
        places = sum(
            self.place(at, area) for at, market in enumerate(self.markets) for m, area in there if m == market
        )
        space = self.space
        counts = (space.carts, space.deliveries, space.groups, space.devices, space.signed_in, self.begins)
        return Reach(places, *((1 << len(values)) - 1 for values in counts))

    def probes(self, part: Part, fact: Fact | None) -> Probes:
        """The orders that a check about a fact is asked for, which every check about it shares."""
        key = (part, fact is POSTCODE)
        if key not in self._probes:
            self._probes[key] = list(_probes(part, fact, self))
        return self._probes[key]


def regions(space: Space, cuts: dict[str, set[int]]) -> Iterator[Region]:
    """The regions of a space, one for each currency, with the amounts at which something may change in it."""
    for currency in dict.fromkeys(market.currency for market in space.markets):
        own = tuple(at for at, market in enumerate(space.markets) if market.currency == currency)
        yield Region(space, currency, own, tuple(sorted(cuts[currency] | {1})))


class Compiled(NamedTuple):
    """Holds where a tender is offered, and for each code of a reason where nothing speaks against it with that code."""

    reach: Reach
    by_code: dict[str, Reach]


def compiled(checks: Iterable[Check], region: Region) -> Compiled:
    """The checks of a tender over a region."""
    everything = region.everything
    by_code: dict[str, Reach] = {}
    for check in checks:
        for code, reach in _against(check, region, everything):
            by_code[code] = by_code.get(code, everything).meets(reach)
    return Compiled(reduce(Reach.meets, by_code.values(), everything), by_code)


def _against(check: Check, region: Region, everything: Reach) -> Iterator[tuple[str, Reach]]:
    """For each code that a check gives, the reach without the values that it is given for."""
    fact = check.fact
    part = fact.part if fact else Part.ONE
    failing: dict[str, int] = {}
    for bit, order in region.probes(part, fact):
        if not check.holds(order):
            for reason in check.reasons(order):
                failing[reason.code.value] = failing.get(reason.code.value, 0) | bit
    for code, bits in failing.items():
        held = Part.AMOUNTS if part is Part.ONE else part
        yield code, everything._replace(**{held.value: getattr(everything, held.value) & ~bits})


PLACE_IN = {
    Part.CARTS: "cart",
    Part.DELIVERIES: "delivery",
    Part.GROUPS: "group",
    Part.DEVICES: "device",
    Part.SIGNED_IN: "signed_in",
}
"""The place of a part in the values of an order of the space."""


def _probes(part: Part, fact: Fact | None, region: Region) -> Iterator[tuple[int, Order]]:
    """One order for every value of a part, with the bits that it answers for."""
    space, first = region.space, Values(market=region.markets[0])
    if part is Part.PLACES:
        for at, market in enumerate(region.markets):
            own = [area for m, area in space.postcodes if m == market]
            if fact is POSTCODE:
                for area in own:
                    yield region.place(at, area), space.order(first._replace(market=market, area=area))
            else:
                yield sum(region.place(at, area) for area in own), space.order(first._replace(market=market))
    elif part is Part.AMOUNTS:
        for at, minor in enumerate(region.begins):
            yield 1 << at, space.order(first._replace(minor=minor))
    elif part is Part.ONE:
        yield (1 << len(region.begins)) - 1, space.order(first)
    else:
        for at in range(len(getattr(space, part.value))):
            yield 1 << at, space.order(first._replace(**{PLACE_IN[part]: at}))


Codes = tuple[dict[str, Reach], Reach]
"""A tender in one region: the reach that every code leaves, and all that can be ordered there."""


def shut_out_by(regions: Sequence[Codes], possible: Possible, most: int = 4) -> Sequence[str]:
    """A smallest set of codes that together leave no order in any region, in the sequence of the reasons.

    All of them where none of at most `most` does it.
    """
    given = {code for by_code, _ in regions for code in by_code}
    codes = [code.value for code in ReasonCode if code.value in given]
    for size in range(most + 1):
        for some in combinations(codes, size):
            if not any(possible.any(_left(some, *region)) for region in regions):
                return some
    return codes


def _left(codes: Iterable[str], by_code: dict[str, Reach], everything: Reach) -> Reach:
    """Tells what some codes leave."""
    return reduce(Reach.meets, (by_code[code] for code in codes if code in by_code), everything)
