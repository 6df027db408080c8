"""Undo and redo: the last change of a draft taken back, and made again."""

from collections.abc import Sequence
from typing import Literal, NamedTuple

from monedero.core.checkout.difference import Change, changes
from monedero.core.checkout.model import Checkout
from monedero.store.documents import Versioned
from monedero.work.checkout.checkout_snapshot import draft
from monedero.work.checkout.dangling import refuse_dangling
from monedero.work.context import Context
from monedero.work.shop.lookups import described_shop

Way = Literal["back", "again"]


class Steps(NamedTuple):
    """The changes that the last step made, and those that are made again by the one after; none where there is none."""

    back: Sequence[Change]
    again: Sequence[Change]


def steps_of(context: Context) -> Steps:
    """Tells what could be taken back and made again."""
    now = draft(context).value
    before, after = context.shop.checkouts.around(now.storefront)
    return Steps(changes(before, now) if before else [], changes(now, after) if after else [])


def take_step(context: Context, way: Way, version: int) -> Versioned[Checkout]:
    """Take the last change back, or make one again.

    Refuses an older version, where there is no such change, and where the draft would name what the shop has no more.
    """
    with context.shop.together():
        stepped = context.shop.checkouts.step(context.storefront, -1 if way == "back" else 1, version)
        refuse_dangling(described_shop(context.shop).value, stepped.value)
    return stepped
