"""An answer of coverage as JSON: boxes by ids, amounts as money, examples as orders of a file.

Source: own design.
"""

from collections.abc import Callable, Iterable, Sequence
from typing import Any, TypeVar

from monedero.core.checkout.coverage.answer import Coverage, Found
from monedero.core.checkout.coverage.boxes import Box
from monedero.core.checkout.coverage.difference import MoreOffered
from monedero.core.checkout.coverage.possible import bits_of
from monedero.core.checkout.coverage.reach import Region
from monedero.core.money import Money
from monedero.core.order.facts import FACTS
from monedero.core.order.model import Order

T = TypeVar("T")
CARTS_OF = 2
"""The most lines of a cart that is examined."""
MOST_BOXES = 500
"""How many boxes of each list are written; of more the largest are, and the others are counted."""


def answer_of(found: Coverage) -> dict[str, Any]:
    """The answer; `left_out` counts the boxes of each list that are not written, where there are any."""
    offered = [(each.tenders, *there) for each in found.offered for there in each.boxes]
    lists = {
        "dead_ends": found.dead_ends,
        "single_tenders": found.single_tenders,
        "fee_only": found.fee_only,
        "offered": offered,
    }
    left_out = {name: len(boxes) - MOST_BOXES for name, boxes in lists.items() if len(boxes) > MOST_BOXES}
    return {
        "on": found.space.day.isoformat(),
        "carts_of": CARTS_OF,
        "dead_ends": [_found(each) for each in _largest(found.dead_ends, lambda each: each.box)],
        "single_tenders": [
            {"box": box_of(each.region, each.box), "tender": each.tender, "example": example_of(each.example)}
            for each in _largest(found.single_tenders, lambda each: each.box)
        ],
        "fee_only": [_found(each) for each in _largest(found.fee_only, lambda each: each.box)],
        "unreachable": [{"tender": tender, "by": list(codes)} for tender, codes in found.unreachable.items()],
        "offered": _by_set(_largest(offered, lambda each: each[2])),
        "left_out": left_out,
    }


def _largest(found: Sequence[T], box_in: Callable[[T], Box]) -> list[T]:
    """Those with the largest boxes, as many as are written, in their own sequence."""
    if len(found) <= MOST_BOXES:
        return list(found)
    by_size = sorted(range(len(found)), key=lambda at: -box_in(found[at]).size)
    return [found[at] for at in sorted(by_size[:MOST_BOXES])]


def _by_set(offered: Iterable[tuple[tuple[str, ...], Region, Box]]) -> list[dict[str, Any]]:
    """Sets of tenders, each with its boxes."""
    by_set: dict[tuple[str, ...], list[dict[str, Any]]] = {}
    for tenders, region, box in offered:
        by_set.setdefault(tenders, []).append(box_of(region, box))
    return [{"tenders": list(tenders), "boxes": boxes} for tenders, boxes in by_set.items()]


def more_of(found: Iterable[MoreOffered]) -> list[dict[str, Any]]:
    """Tells what one checkout offers and another does not; of a tender with very many boxes the largest."""
    return [
        {
            "tender": each.tender,
            "boxes": [box_of(*there) for there in _largest(each.boxes, lambda there: there[1])],
            "left_out": max(len(each.boxes) - MOST_BOXES, 0),
        }
        for each in found
    ]


def _found(found: Found) -> dict[str, Any]:
    return {"box": box_of(found.region, found.box), "example": example_of(found.example)}


def box_of(region: Region, box: Box) -> dict[str, Any]:
    """A box by the ids of what it holds; the amount is from `from` on and below `below` (null: without an end)."""
    space, begins = region.space, region.begins
    below = None if box.last + 1 == len(begins) else str(Money(begins[box.last + 1], region.currency))
    return {
        "markets": [space.markets[region.markets[at]].id for at in bits_of(box.markets)],
        "areas": [list(space.areas[at]) for at in bits_of(box.areas)],
        "carts": [[list(space.classes[place]) for place in space.carts[at].classes] for at in bits_of(box.carts)],
        "deliveries": [space.deliveries[at] for at in bits_of(box.deliveries)],
        "groups": [group for at in bits_of(box.groups) if (group := space.groups[at]) is not None],
        "devices": [space.devices[at].value for at in bits_of(box.devices)],
        "signed_in": [space.signed_in[at] for at in bits_of(box.signed_in)],
        "amount": {"from": str(Money(begins[box.first], region.currency)), "below": below},
    }


def example_of(order: Order) -> dict[str, str]:
    """An order by the columns of a file of orders; what is not known is left out."""
    texts = {fact.column: fact.text(order) for fact in FACTS}
    return {"id": "example", **{name: text for name, text in texts.items() if text}, "amount": order.amount.amount}
