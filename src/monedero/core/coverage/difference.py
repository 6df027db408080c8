"""The orders that each tender gains and loses between two checkouts.

What one offers is held against what the other offers, order by order, over the orders that the one can receive; an
order that the other cannot receive is offered nothing there.

Source: own design.

>>> from datetime import date
>>> from monedero.core.shop import Line, Market
>>> market = Market(id="pt", country="PT", currency="EUR", share="100")
>>> line = Line(id="chart", name="Chart", kind="goods", usual_amount="9 EUR", recurring=False)
>>> from monedero.core.coverage.space import Space
>>> space = Space.of([market], [line], [], [], [], date(2026, 11, 27))
>>> from monedero.core.account import Mode
>>> from monedero.core.fx import ReferenceRates
>>> from monedero.core.method import Method
>>> from monedero.core.tender.decision import Decision, Setting
>>> from monedero.core.tender.model import Tender
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

from collections.abc import Sequence
from typing import NamedTuple

from monedero.core.coverage.boxes import Box
from monedero.core.coverage.parts import Examined
from monedero.core.coverage.reach import Reach, Region, compiled, less
from monedero.core.coverage.space import Space


class MoreOffered(NamedTuple):
    """A tender, by its id, and the boxes of orders that it is offered for here and not there."""

    tender: str
    boxes: Sequence[tuple[Region, Box]]


def more_offered(here: Examined, there: Examined) -> list[MoreOffered]:
    """What one checkout offers and another does not, tender by tender; those without are left out."""
    others = {tender.id: sifted for tender, sifted in there.decision.tenders}
    found: dict[str, list[tuple[Region, Box]]] = {}
    for region in here.regions(there.decision):
        part = here.part(region)
        both = _received(region, there.space)
        for at, tender in enumerate(part.tenders):
            own = part.compiled[at].reach
            if tender in others:
                checks = filter(there.keep, others[tender].checks)
                lets_in = compiled(checks, region).reach.meets(both)
            else:
                lets_in = own._replace(places=0)
            boxes = part.pieces(less(own, lets_in))
            found.setdefault(tender, []).extend((region, box) for box in boxes)
    return [MoreOffered(tender, boxes) for tender, boxes in found.items() if boxes]


def _received(region: Region, other: Space) -> Reach:
    """What of a region another shop can receive too."""
    space, everything = region.space, region.everything
    markets = {(market.country, market.currency) for market in other.markets}
    carts = {frozenset(cart.lines) for cart in other.carts}
    width = (1 << region.width) - 1
    places = 0
    for at, market in enumerate(region.markets):
        if (space.markets[market].country, space.markets[market].currency) in markets:
            places |= width << at * region.width
    return everything._replace(
        places=everything.places & places,
        carts=sum(1 << at for at, cart in enumerate(space.carts) if frozenset(cart.lines) in carts),
        deliveries=sum(1 << at for at, way in enumerate(space.deliveries) if way in other.deliveries),
        groups=sum(1 << at for at, group in enumerate(space.groups) if group in other.groups),
    )
