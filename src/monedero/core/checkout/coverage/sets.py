"""Tells which tenders are offered together: every set of them that some order is offered, and where just that one is.

What is let in is looked at fact after fact: values that let in the same tenders are one, so that orders that cannot be
told apart are looked at once.

Source: own design.

>>> from datetime import date
>>> from monedero.core.checkout.coverage.space import Space
>>> from monedero.core.shop import Line, Market
>>> line = Line(id="chart", name="Chart", kind="goods", usual_amount="9 EUR", recurring=False)
>>> everything = Reach(1, 1, 1, 1, 0b11, 0b11, 0b111)
>>> card, cash = everything._replace(amounts=0b011), everything._replace(devices=0b01)
>>> found = sets_of([card, cash], everything, Space.of([], [line], [], [], [], date(2026, 11, 27)).possible)
>>> [(some, [(reach.devices, reach.amounts) for reach in where]) for some, where in sorted(found.items())]
[(0, [(2, 4)]), (1, [(2, 3)]), (2, [(1, 4)]), (3, [(1, 3)])]
"""

from collections import defaultdict
from collections.abc import Iterator, Mapping, Sequence

from monedero.core.checkout.coverage.boxes import by_carts
from monedero.core.checkout.coverage.possible import Possible, bits_of
from monedero.core.checkout.coverage.reach import Reach

Sets = dict[int, list[Reach]]
"""Sets of tenders, as numbers with a bit for each, and where just they are offered."""


def sets_of(reaches: Sequence[Reach], everything: Reach, possible: Possible) -> Sets:
    """Every set of tenders that some order is offered, nothing among them, and where; no two reaches meet."""
    masks = [_masks(reaches, fact, getattr(everything, fact)) for fact in Reach._fields]
    places, carts, deliveries, groups, devices, signed_in, amounts = masks
    loads: dict[int, dict[int, int]] = defaultdict(dict)
    for way, way_mask in enumerate(deliveries):
        for cart in bits_of(possible.carts_by[way]):
            by_cart = loads[way_mask & carts[cart]]
            by_cart[way] = by_cart.get(way, 0) | 1 << cart
    buyers = _buyers(groups, devices, signed_in)
    by_place = _alike(places, everything.places)
    found: Sets = defaultdict(list)
    inner: dict[int, list[tuple[int, int, int]]] = {}
    for load, by_way in loads.items():
        carried = by_carts(by_way)
        for buyer, (some_groups, some_devices, some_signed) in buyers:
            alive = load & buyer
            if alive not in inner:
                inner[alive] = list(_inner(alive, amounts, by_place))
            for some, here, stretch in inner[alive]:
                for carts_there, ways in carried:
                    reach = Reach(here, carts_there, ways, some_groups, some_devices, some_signed, stretch)
                    found[some].append(reach)
    return {some: joined(list_) for some, list_ in found.items()}


def _masks(reaches: Sequence[Reach], fact: str, every: int) -> list[int]:
    """For each value of a fact the tenders that it is let in by."""
    found = [0] * every.bit_length()
    for at, reach in enumerate(reaches):
        for value in bits_of(getattr(reach, fact)):
            found[value] |= 1 << at
    return found


def _alike(masks: Sequence[int], among: int) -> dict[int, int]:
    """Values by the tenders that they are let in by."""
    found: dict[int, int] = {}
    for value in bits_of(among):
        found[masks[value]] = found.get(masks[value], 0) | 1 << value
    return found


def _buyers(
    groups: Sequence[int], devices: Sequence[int], signed_in: Sequence[int]
) -> list[tuple[int, tuple[int, int, int]]]:
    """Products of groups, devices and signed in or not, each with the tenders that it is let in by."""
    found = []
    for group, some_groups in _alike(groups, (1 << len(groups)) - 1).items():
        for device, some_devices in _alike(devices, (1 << len(devices)) - 1).items():
            for signed, some_signed in _alike(signed_in, (1 << len(signed_in)) - 1).items():
                found.append((group & device & signed, (some_groups, some_devices, some_signed)))
    return found


def _inner(alive: int, amounts: Sequence[int], by_place: Mapping[int, int]) -> Iterator[tuple[int, int, int]]:
    """Sets of tenders among some, each with places and stretches of amounts for which just they are left."""
    stretches = _alike([mask & alive for mask in amounts], (1 << len(amounts)) - 1)
    own: dict[int, int] = {}
    for mask, places in by_place.items():
        own[mask & alive] = own.get(mask & alive, 0) | places
    for by_amount, stretch in stretches.items():
        here: dict[int, int] = {}
        for mask, places in own.items():
            here[by_amount & mask] = here.get(by_amount & mask, 0) | places
        for some, places in here.items():
            yield some, places, stretch


def joined(reaches: list[Reach]) -> list[Reach]:
    """The same reaches, those that differ in one fact alone as one."""
    for fact in Reach._fields:
        at = Reach._fields.index(fact)
        rest: dict[tuple[int, ...], int] = {}
        for reach in reaches:
            key = (*reach[:at], *reach[at + 1 :])
            rest[key] = rest.get(key, 0) | reach[at]
        reaches = [Reach._make((*key[:at], bits, *key[at:])) for key, bits in rest.items()]
    return reaches
