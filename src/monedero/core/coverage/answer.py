"""What coverage answers: dead ends, single tenders, orders on which every way costs, what nothing reaches, what is
offered where.

Every order is looked at, never one of several: which tenders are let in is worked out for the values that the checks of
the decision tell apart, fact after fact, and what is the same is looked at once.

Source: own design, section by section as in `docs/coverage.md`.
"""

from collections import defaultdict
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import NamedTuple

from monedero.core.coverage.boxes import Box, Boxes, by_carts
from monedero.core.coverage.reach import Compiled, Possible, Reach, Region, bits_of, compiled, regions, shut_out_by
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
        there = sets_of(part, possible)
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


Sets = dict[int, list[Reach]]
"""Sets of tenders, as numbers with a bit for each, and where just they are offered."""


def sets_of(part: Part, possible: Possible) -> Sets:
    """Every set of tenders that some order is offered, nothing among them, and where; no two reaches meet."""
    reaches = [each.reach for each in part.compiled]
    everything = part.boxes.everything
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
