"""The orders that each tender gains and loses between two checkouts.

What one offers is held against what the other offers, order by order, over the orders that the one can receive; an
order that the other cannot receive is offered nothing there. Before a change (`changed`) a market is known by its id:
where it has another currency then, it keeps a tender if orders like one are offered that at some amount.

Source: own design.

>>> from datetime import date
>>> from monedero.core.shop import Line, Market
>>> market = Market(id="pt", country="PT", currency="EUR", share="100")
>>> line = Line(id="chart", name="Chart", kind="goods", usual_amount="9 EUR", recurring=False)
>>> from monedero.core.checkout.coverage.space import Space
>>> space = Space.of([market], [line], [], [], [], date(2026, 11, 27))
>>> from monedero.core.account import Mode
>>> from monedero.core.fx import ReferenceRates
>>> from monedero.core.method import Method
>>> from monedero.core.checkout.decision import Decision, Setting
>>> from monedero.core.checkout.model import Tender
>>> class NoTable:
...     days: list[date] = []
>>> traits = Method(id="cash", name="Cash", family="cash", buyer="Pays.", recurring=True, own=True)
>>> setting = Setting("PT", "EUR", Mode.TEST, {"cash": traits}, {}, ReferenceRates(NoTable()))
>>> cash = Tender(id="cash", method="cash", on=True, name="Cash", windows=[{"up_to": "50.00 EUR"}])
>>> always = cash.model_copy(update={"windows": []})
>>> here, there = (Examined(Decision([tender], setting), space) for tender in (always, cash))
>>> [(more.tender, [box.first for _, box in more.boxes]) for more in more_offered(here, there)]
[('cash', [1])]
>>> more_offered(there, here)
[]
"""

from collections.abc import Hashable, Iterator, Sequence
from dataclasses import replace
from typing import NamedTuple

from monedero.core.checkout.coverage.boxes import Box
from monedero.core.checkout.coverage.parts import Examined
from monedero.core.checkout.coverage.reach import Reach, Region, compiled, less
from monedero.core.checkout.coverage.space import NamedLine, Space, sold
from monedero.core.checkout.stretches import begins_of


class MoreOffered(NamedTuple):
    """A tender, by its id, and the boxes of orders that it is offered for here and not there."""

    tender: str
    boxes: Sequence[tuple[Region, Box]]


def more_offered(here: Examined, there: Examined, *, changed: bool = False) -> list[MoreOffered]:
    """Tells what one checkout offers and another does not, tender by tender; those without are left out."""
    here, there = told_apart(here, there)
    others = {tender.id: sifted for tender, sifted in there.decision.tenders}
    found: dict[str, list[tuple[Region, Box]]] = {}
    for region in here.regions(there.decision):
        part = here.part(region)
        received, moved = _received(region, there.space), list(_moved(region, there)) if changed else []
        for at, tender in enumerate(part.tenders):
            rest = [part.compiled[at].reach]
            if tender in others and not rest[0].is_nothing:
                checks = list(filter(there.keep, others[tender].checks))
                offered = [compiled(checks, region).reach.meets(received)]
                offered += [_as_before(compiled(checks, other).reach, region, place) for place, other in moved]
                for reach in offered:
                    rest = [left for each in rest for left in less(each, reach)]
            found.setdefault(tender, []).extend((region, box) for box in part.pieces(rest))
    return [MoreOffered(tender, boxes) for tender, boxes in found.items() if boxes]


def told_apart(*each: Examined) -> list[Examined]:
    """Checkouts that are held against each other: lines are one where all of their shops and checks say the same."""

    def told(line: NamedLine) -> Hashable:
        return tuple(
            (known.lines.get(line.id) and sold(known.lines[line.id]), asked(line)) for known, asked in others
        )

    others = [(one.space, one.told_of_line) for one in each]
    return [replace(one, space=one.space.merged(told)) for one in each]


def new_dead_ends(before: Examined, after: Examined) -> list[tuple[Region, Box]]:
    """The orders that are offered nothing after a change, but were offered something before.

    In a market that had another currency before they are those that were offered something then at every amount.
    """
    found = []
    before, after = told_apart(before, after)
    for region in after.regions(before.decision):
        part = after.part(region)
        received = _received(region, before.space)
        offered = _offered(before, region)
        moved = list(_moved(region, before))
        were = [rest for place, other in moved for rest in _dead_before(before, region, place, other)]
        for reach in part.nobody:
            new, old = [reach.meets(_in_market(region, place)) for place, _ in moved], [reach.meets(received)]
            for dead in were:
                new = [left for rest in new for left in less(rest, dead)]
            for each in offered:
                new += [meets for left in old if part.possible.any(meets := left.meets(each))]
                old = [left for rest in old for left in less(rest, each)]
            found += [(region, box) for box in part.pieces(new)]
    return found


def _offered(examined: Examined, region: Region) -> list[Reach]:
    """Tells what each tender of a checkout is offered for in a region."""
    return [
        compiled(filter(examined.keep, sifted.checks), region).reach for _, sifted in examined.decision.tenders
    ]


def _in_market(region: Region, place: int) -> Reach:
    """All that can be ordered in a market of a region."""
    row = ((1 << region.width) - 1) << place * region.width
    return region.everything._replace(places=region.everything.places & row)


def _dead_before(before: Examined, region: Region, place: int, other: Region) -> Iterator[Reach]:
    """The orders of a market that was in another currency that were offered nothing there at some amount."""
    dead = [other.everything]
    for reach in _offered(before, other):
        dead = [left for rest in dead for left in less(rest, reach)]
    return (_as_before(reach, region, place) for reach in dead)


def _moved(region: Region, there: Examined) -> Iterator[tuple[int, Region]]:
    """The markets of a region that have another currency in another shop, by their places, as regions of that."""
    space, day = region.space, region.space.day
    others = {market.id: market for market in there.space.markets}
    for place, at in enumerate(region.markets):
        other = others.get(space.markets[at].id)
        if other is None or other.currency == region.currency or other.country != space.markets[at].country:
            continue
        markets = [*space.markets[:at], other, *space.markets[at + 1 :]]
        begins = tuple(sorted(begins_of(there.decision, other.currency, day)))
        yield place, Region(replace(space, markets=markets), other.currency, (at,), begins)


def _as_before(reach: Reach, region: Region, place: int) -> Reach:
    """Tells what a tender is offered for in a market that has another currency, as orders of a region, at any
    amount.
    """
    amounts = (1 << len(region.begins)) - 1 if reach.amounts else 0
    return reach._replace(places=reach.places << place * region.width, amounts=amounts)


def _received(region: Region, other: Space) -> Reach:
    """Tells what of a region another shop can receive too."""
    space, everything = region.space, region.everything
    markets = {(market.country, market.currency) for market in other.markets}
    width = (1 << region.width) - 1
    places = 0
    for at, market in enumerate(region.markets):
        if (space.markets[market].country, space.markets[market].currency) in markets:
            places |= width << at * region.width
    return everything._replace(
        places=everything.places & places,
        carts=sum(1 << at for at, cart in enumerate(space.carts) if other.cart_of(cart.lines) is not None),
        deliveries=sum(1 << at for at, way in enumerate(space.deliveries) if way in other.deliveries),
        groups=sum(1 << at for at, group in enumerate(space.groups) if _same_buyers(group, other.groups)),
    )


def _same_buyers(group: str | None, others: Sequence[str | None]) -> bool:
    """True if buyers of a group buy in another shop too; a shop without groups (None) sells to all of them.

    >>> _same_buyers("retail", [None]), _same_buyers(None, ["retail"]), _same_buyers("retail", ["wholesale"])
    (True, True, False)
    """
    return group in others or group is None or None in others
