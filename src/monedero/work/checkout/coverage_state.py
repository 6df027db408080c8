"""How a draft stands: how many dead ends it has, and which of them its last change made."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from monedero.core.coverage.answer import coverage
from monedero.core.coverage.boxes import Box
from monedero.core.coverage.difference import new_dead_ends
from monedero.core.coverage.parts import Examined
from monedero.core.coverage.reach import Region
from monedero.core.tender.model import Checkout
from monedero.work.checkout.composed import Composed, setting_of
from monedero.work.checkout.examined import Asked, decided, examined, space_of
from monedero.work.checkout.moves import largest_of
from monedero.work.context import Context

MOST_TOLD = 2


@dataclass(frozen=True, slots=True)
class StateOfCoverage:
    """How many dead ends and single tenders there are, as boxes, and the dead ends that the last change made."""

    dead_ends: int
    singles: int
    made: Sequence[tuple[Region, Box]]
    over: Examined


def coverage_state(context: Context, composed: Composed, day: date) -> StateOfCoverage:
    """How a draft stands with the accounts as they are."""
    over = examined(context, composed, Asked(day))
    answer = coverage(over)
    before, _ = context.shop.checkouts.around(composed.checkout.storefront)
    made = _made(context, composed, over, before, day) if before and answer.dead_ends else []
    return StateOfCoverage(len(answer.dead_ends), len(answer.single_tenders), made, over)


def _made(
    context: Context, composed: Composed, over: Examined, before: Checkout, day: date
) -> list[tuple[Region, Box]]:
    """The dead ends that were none before the last change."""
    was = Composed(composed.shop, before, composed.methods, None, None)
    earlier = Examined(decided(before, setting_of(context, was)), space_of(composed.shop, day))
    return largest_of(new_dead_ends(earlier, over), over.possible)[:MOST_TOLD]
