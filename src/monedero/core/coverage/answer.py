"""What coverage answers: dead ends, single tenders, orders on which every way costs, what nothing reaches, what is
offered where.

Every order is looked at, never one of several: which tenders are let in is worked out for the values that the checks of
the decision tell apart, fact after fact, and what is the same is looked at once.

Source: own design, as in `docs/coverage.md`.

>>> from datetime import date
>>> from monedero.core.shop import Line, Market
>>> market = Market(id="pt", country="PT", currency="EUR", share="100")
>>> line = Line(id="chart", name="Chart", kind="goods", usual_amount="9 EUR", recurring=False)
>>> space = Space.of([market], [line], [], [], [], date(2026, 11, 27))
>>> from monedero.core.account import Mode
>>> from monedero.core.fx import ReferenceRates
>>> from monedero.core.method import Method
>>> from monedero.core.tender.decision import Setting
>>> from monedero.core.tender.model import Tender
>>> class NoTable:
...     days: list[date] = []
>>> traits = Method(id="cash", name="Cash", family="cash", buyer="Pays.", recurring=True, own=True)
>>> setting = Setting("PT", "EUR", Mode.TEST, {"cash": traits}, {}, ReferenceRates(NoTable()))
>>> cash = Tender(id="cash", method="cash", on=True, name="Cash", windows=[{"up_to": "50.00 EUR"}])
>>> found = coverage(Decision([cash], setting), space)
>>> [(str(end.example.amount), end.box.last) for end in found.dead_ends], [each.tenders for each in found.offered]
([('50.01 EUR', 1)], [('cash',)])
"""

from collections import defaultdict
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import NamedTuple

from monedero.core.coverage.boxes import Box, Boxes
from monedero.core.coverage.reach import Compiled, Possible, Reach, Region, bits_of, compiled, regions, shut_out_by
from monedero.core.coverage.sets import Sets, sets_of
from monedero.core.coverage.space import Space, Values
from monedero.core.order.model import Order
from monedero.core.tender.checks import Check, Never
from monedero.core.tender.decision import Decision
from monedero.core.tender.stretches import begins_of

Kept = Callable[[Check], bool]


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


class Part(NamedTuple):
    """What of a region is offered to, tender by tender: where, and where its fee is above nothing."""

    region: Region
    boxes: Boxes
    tenders: Sequence[str]
    compiled: Sequence[Compiled]
    costs: Sequence[int]


def every_check(check: Check) -> bool:
    """No check is left aside."""
    return True


def accounts_aside(kept: Iterable[str]) -> Kept:
    """Leaves aside how accounts stand, but those of some providers or with some ids.

    >>> from monedero.core.reasons import Reason, ReasonCode
    >>> stands = Never(Reason(ReasonCode.ACCOUNT_STAGE, fields={"provider": "orlenta"}))
    >>> accounts_aside([])(stands), accounts_aside(["orlenta"])(stands)
    (False, True)
    """
    names = frozenset(kept)

    def keep(check: Check) -> bool:
        if not isinstance(check, Never) or not check.reason.code.value.startswith("account-"):
            return True
        return check.reason.fields.get("provider", "") in names

    return keep


def coverage(decision: Decision, space: Space, keep: Kept = every_check) -> Coverage:
    """What a decision offers to every order of a space."""
    possible = Possible(space)
    parts = [part_of(decision, region, possible, keep) for region in regions_of(decision, space)]
    dead: list[Found] = []
    single: list[Found] = []
    costly: list[Found] = []
    offered: dict[int, list[tuple[Region, Box]]] = defaultdict(list)
    for part in parts:
        there = sets_of([each.reach for each in part.compiled], part.boxes.everything, possible)
        boxes, reaches = part.boxes, [each.reach for each in part.compiled]
        ends = boxes.cover(_pieces(boxes, there.pop(0, [])), reaches)
        dead += _found(part, ends)
        for at, tender in enumerate(part.tenders):
            if 1 << at in there:
                obstacles = [*reaches[:at], *reaches[at + 1 :], *_outside(boxes.everything, reaches[at])]
                single += _found(part, boxes.cover(_pieces(boxes, there[1 << at]), obstacles), tender)
        costly += _found(part, boxes.cover(_costly(part, there), _free(part, ends)))
        for some, found in there.items():
            offered[some] += [(part.region, box) for box in _pieces(boxes, found)]
    return Coverage(
        space=space,
        dead_ends=dead,
        single_tenders=single,
        fee_only=costly,
        unreachable=_unreachable(decision, parts, possible),
        offered=[
            OfferedThere(tuple(decision.tenders[at][0].id for at in bits_of(some)), boxes)
            for some, boxes in offered.items()
        ],
    )


def regions_of(decision: Decision, space: Space, *others: Decision) -> Iterator[Region]:
    """The regions of a space, cut at every amount at which a decision or a buyer fee may say something else."""
    if not space.carts:
        return iter(())
    currencies = dict.fromkeys(market.currency for market in space.markets)
    cuts = {
        currency: {
            minor
            for each in (decision, *others)
            for minor in begins_of(each, currency, space.day) | each.fee_turns(currency, space.day)
        }
        for currency in currencies
    }
    return regions(space, cuts)


def part_of(decision: Decision, region: Region, possible: Possible, keep: Kept) -> Part:
    """Where every tender of a decision is offered in a region."""
    boxes = Boxes(region, possible)
    found = [compiled(filter(keep, sifted.checks), region) for _, sifted in decision.tenders]
    tenders = [tender.id for tender, _ in decision.tenders]
    first = Values(market=region.markets[0])
    orders = [region.space.order(first._replace(minor=minor)) for minor in region.begins]
    costs = [sum(1 << at for at, order in enumerate(orders) if decision.costs_more(id, order)) for id in tenders]
    return Part(region, boxes, tenders, found, costs)


def _pieces(boxes: Boxes, reaches: Iterable[Reach]) -> list[Box]:
    return [box for reach in reaches for box in boxes.pieces(reach)]


def _outside(everything: Reach, reach: Reach) -> Iterator[Reach]:
    """Everything that a reach does not hold, as reaches."""
    for fact in Reach._fields:
        rest = getattr(everything, fact) & ~getattr(reach, fact)
        if rest:
            yield everything._replace(**{fact: rest})


def _costly(part: Part, there: Sets) -> Iterator[Box]:
    """Where something is offered, and all of it costs more than nothing."""
    for some, reaches in there.items():
        amounts = part.boxes.everything.amounts
        for at in bits_of(some):
            amounts &= part.costs[at]
        for reach in reaches:
            yield from part.boxes.pieces(reach._replace(amounts=reach.amounts & amounts))


def _free(part: Part, ends: Iterable[tuple[Box, Box]]) -> list[Reach]:
    """Where something is offered that costs nothing more, and where nothing is offered."""
    free = [
        each.reach._replace(amounts=each.reach.amounts & ~cost)
        for each, cost in zip(part.compiled, part.costs, strict=True)
    ]
    return [*free, *(part.boxes.reach(box) for box, _ in ends)]


def _found(part: Part, boxes: Iterable[tuple[Box, Box]], tender: str = "") -> list[Found]:
    return [Found(part.region, box, _example(part, piece), tender) for box, piece in boxes]


def _example(part: Part, piece: Box) -> Order:
    """An order of a box in which everything goes together."""
    firsts = {fact: next(bits_of(getattr(piece, fact))) for fact in Box._fields[:7]}
    return part.region.space.order(
        Values(
            market=part.region.markets[firsts["markets"]],
            area=firsts["areas"],
            cart=firsts["carts"],
            delivery=firsts["deliveries"],
            group=firsts["groups"],
            device=firsts["devices"],
            signed_in=firsts["signed_in"],
            minor=part.region.begins[piece.first],
        )
    )


def _unreachable(decision: Decision, parts: Sequence[Part], possible: Possible) -> dict[str, Sequence[str]]:
    """Tenders that no order reaches, with a smallest set of codes by which that is so in every region."""
    found: dict[str, Sequence[str]] = {}
    for at, (tender, _) in enumerate(decision.tenders):
        if any(possible.any(part.compiled[at].reach) for part in parts):
            continue
        by_region = [(part.compiled[at].by_code, part.boxes.everything) for part in parts]
        found[tender.id] = shut_out_by(by_region, possible)
    return found
