"""How a draft stands: how many dead ends it has, and which of them its last change made."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from monedero.core.checkout.coverage.answer import coverage
from monedero.core.checkout.coverage.boxes import Box
from monedero.core.checkout.coverage.difference import new_dead_ends
from monedero.core.checkout.coverage.parts import Examined
from monedero.core.checkout.coverage.reach import Region
from monedero.core.checkout.model import Checkout
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, setting_of
from monedero.work.checkout.examined import Asked, decided, examined, space_of
from monedero.work.checkout.impact import largest_of
from monedero.work.context import Context

MOST_TOLD = 2


@dataclass(frozen=True, slots=True)
class StateOfCoverage:
    """How many dead ends and single tenders there are, as boxes, and the dead ends that the last change made."""

    dead_ends: int
    singles: int
    made: Sequence[tuple[Region, Box]]
    over: Examined


def coverage_state(context: Context, snapshot: CheckoutSnapshot, day: date) -> StateOfCoverage:
    """How a draft stands with the accounts as they are."""
    over = examined(context, snapshot, Asked(day))
    answer = coverage(over)
    before, _ = context.shop.checkouts.around(snapshot.checkout.storefront)
    made = _made(context, snapshot, over, before, day) if before and answer.dead_ends else []
    return StateOfCoverage(len(answer.dead_ends), len(answer.single_tenders), made, over)


def _made(
    context: Context, snapshot: CheckoutSnapshot, over: Examined, before: Checkout, day: date
) -> list[tuple[Region, Box]]:
    """The dead ends that were none before the last change."""
    was = CheckoutSnapshot(snapshot.shop, before, snapshot.methods, None, None)
    earlier = Examined(decided(before, setting_of(context, was)), space_of(snapshot.shop, day))
    return largest_of(new_dead_ends(earlier, over))[:MOST_TOLD]
