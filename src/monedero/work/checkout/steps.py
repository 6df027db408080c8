"""Undo and redo: the last change of a draft taken back, and made again."""

from collections.abc import Sequence
from typing import Literal, NamedTuple

from monedero.core.tender.difference import Change, changes
from monedero.core.tender.model import Checkout
from monedero.store import Store
from monedero.store.documents import Versioned
from monedero.work.checkout.composed import draft
from monedero.work.checkout.dangling import refuse_dangling
from monedero.work.shop.lookups import described_shop

Way = Literal["back", "again"]


class Steps(NamedTuple):
    """The changes that the last step made, and those that are made again by the one after; none where there is none."""

    back: Sequence[Change]
    again: Sequence[Change]


def steps_of(store: Store, storefront: str) -> Steps:
    """What could be taken back and made again."""
    now = draft(store, storefront).value
    before, after = store.checkouts.around(now.storefront)
    return Steps(changes(before, now) if before else [], changes(now, after) if after else [])


def take_step(store: Store, storefront: str, way: Way, version: int) -> Versioned[Checkout]:
    """Take the last change back, or make one again.

    Refuses an older version, where there is no such change, and where the draft would name what the shop has no more.
    """
    with store.together():
        stepped = store.checkouts.step(storefront, -1 if way == "back" else 1, version)
        refuse_dangling(described_shop(store).value, stepped.value)
    return stepped
