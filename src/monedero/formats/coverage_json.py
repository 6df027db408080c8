"""An answer of coverage as JSON: boxes by ids, amounts as money, examples as orders of a file.

Source: own design.
"""

from collections.abc import Iterable
from typing import Any

from monedero.core.checkout.coverage.answer import Coverage, Found
from monedero.core.checkout.coverage.boxes import Box
from monedero.core.checkout.coverage.difference import MoreOffered
from monedero.core.checkout.coverage.possible import bits_of
from monedero.core.checkout.coverage.reach import Region
from monedero.core.money import Money
from monedero.core.order.facts import FACTS
from monedero.core.order.model import Order

CARTS_OF = 2
"""The most lines of a cart that is examined."""


def answer_of(found: Coverage) -> dict[str, Any]:
    """The answer."""
    return {
        "on": found.space.day.isoformat(),
        "carts_of": CARTS_OF,
        "dead_ends": [_found(each) for each in found.dead_ends],
        "single_tenders": [
            {"box": box_of(each.region, each.box), "tender": each.tender, "example": example_of(each.example)}
            for each in found.single_tenders
        ],
        "fee_only": [_found(each) for each in found.fee_only],
        "unreachable": [{"tender": tender, "by": list(codes)} for tender, codes in found.unreachable.items()],
        "offered": [
            {"tenders": list(each.tenders), "boxes": [box_of(*there) for there in each.boxes]}
            for each in found.offered
        ],
    }


def more_of(found: Iterable[MoreOffered]) -> list[dict[str, Any]]:
    """Tells what one checkout offers and another does not."""
    return [{"tender": each.tender, "boxes": [box_of(*there) for there in each.boxes]} for each in found]


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
