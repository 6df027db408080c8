"""Tells what coverage answers: dead ends, single tenders, orders on which every way costs, what nothing reaches, what
is offered where.

Every order is looked at, never one of several: which tenders are let in is worked out for the values that the checks of
the decision tell apart, fact after fact, and what is the same is looked at once.

Source: own design, as in `docs/coverage.md`.

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
>>> found = coverage(Examined(Decision([cash], setting), space))
>>> [(str(end.example.amount), end.box.last) for end in found.dead_ends], [each.tenders for each in found.offered]
([('50.01 EUR', 1)], [('cash',)])
"""

from collections import defaultdict
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import NamedTuple

from monedero.core.checkout.coverage.boxes import Box
from monedero.core.checkout.coverage.parts import Examined, Part
from monedero.core.checkout.coverage.possible import bits_of
from monedero.core.checkout.coverage.reach import Reach, Region, shut_out_by
from monedero.core.checkout.coverage.space import Space
from monedero.core.order.model import Order


class Found(NamedTuple):
    """A box of a region with one order that lies in it; `tender` is the only one there, where it is one."""

    region: Region
    box: Box
    example: Order
    tender: str = ""


class OfferedThere(NamedTuple):
    """A set of tenders, by their ids in the sequence of the checkout, and the boxes in which just they are offered."""

    tenders: tuple[str, ...]
    boxes: Sequence[tuple[Region, Box]]


@dataclass(frozen=True, slots=True)
class Coverage:
    """The answer. `unreachable` holds tenders that no order reaches, with the codes that shut them out."""

    space: Space
    dead_ends: Sequence[Found]
    single_tenders: Sequence[Found]
    fee_only: Sequence[Found]
    unreachable: Mapping[str, Sequence[str]]
    offered: Sequence[OfferedThere]


def coverage(examined: Examined) -> Coverage:
    """Tells what a checkout offers to every order that its shop can receive."""
    dead: list[Found] = []
    single: list[Found] = []
    costly: list[Found] = []
    offered: dict[int, list[tuple[Region, Box]]] = defaultdict(list)
    for part in examined.parts:
        boxes, reaches = part.boxes, [each.reach for each in part.compiled]
        ends = boxes.cover(part.pieces(part.nobody), reaches)
        dead += _found(part, ends)
        for at, tender in enumerate(part.tenders):
            if only := part.only(at):
                obstacles = [*reaches[:at], *reaches[at + 1 :], *_outside(boxes.everything, reaches[at])]
                single += _found(part, boxes.cover(part.pieces(only), obstacles), tender)
        costly += _found(part, boxes.cover(part.pieces(part.costly), _free(part, ends)))
        for some, found in part.where.items():
            if some:
                offered[some] += [(part.region, box) for box in part.pieces(found)]
    tenders = [tender.id for tender, _ in examined.decision.tenders]
    return Coverage(
        space=examined.space,
        dead_ends=dead,
        single_tenders=single,
        fee_only=costly,
        unreachable=unreachable(examined),
        offered=[
            OfferedThere(tuple(tenders[at] for at in bits_of(some)), boxes) for some, boxes in offered.items()
        ],
    )


def _outside(everything: Reach, reach: Reach) -> Iterator[Reach]:
    """Everything that a reach does not hold, as reaches."""
    for fact in Reach._fields:
        rest = getattr(everything, fact) & ~getattr(reach, fact)
        if rest:
            yield everything._replace(**{fact: rest})


def _free(part: Part, ends: Iterable[tuple[Box, Box]]) -> list[Reach]:
    """Tells where something is offered that costs nothing more, and where nothing is offered."""
    free = [
        each.reach._replace(amounts=each.reach.amounts & ~cost)
        for each, cost in zip(part.compiled, part.costs, strict=True)
    ]
    return [*free, *(part.boxes.reach(box) for box, _ in ends)]


def _found(part: Part, boxes: Iterable[tuple[Box, Box]], tender: str = "") -> list[Found]:
    return [Found(part.region, box, part.example(piece), tender) for box, piece in boxes]


def unreachable(examined: Examined) -> dict[str, Sequence[str]]:
    """Tenders that no order reaches, with a smallest set of codes by which that is so in every region."""
    found: dict[str, Sequence[str]] = {}
    possible, parts = examined.space.possible, examined.parts
    for at, (tender, _) in enumerate(examined.decision.tenders):
        if any(possible.any(part.compiled[at].reach) for part in parts):
            continue
        by_region = [(part.compiled[at].by_code, part.boxes.everything) for part in parts]
        found[tender.id] = shut_out_by(by_region, possible)
    return found
