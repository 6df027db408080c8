"""Prices that end or begin after the day of the order in hand, and whether another route comes first from then on."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date

from monedero.store import Store
from monedero.work.compare.ranking import RankedRoute, compare
from monedero.work.shop.order_in_hand import OrderInHand

# So many days of change are looked at.
MOST = 4


@dataclass(frozen=True, slots=True)
class PriceChange:
    """From a day on cards of some providers begin, and the first of the ranking is another one than before."""

    day: date
    providers: Sequence[str]
    before: RankedRoute
    after: RankedRoute


def price_changes(store: Store, hand: OrderInHand) -> list[PriceChange]:
    """Every day after the order's on which a newer card moves the first place, for the order as it is."""
    today = hand.order.placed_on
    begins: dict[date, list[str]] = {}
    for card in store.rate_cards.all():
        if card.valid_from and card.valid_from > today:
            begins.setdefault(card.valid_from, []).append(card.provider.name)
    found: list[PriceChange] = []
    first = _first(store, hand, today) if begins else None
    for day in sorted(begins)[:MOST]:
        after = _first(store, hand, day)
        if first and after and after.candidate.key != first.candidate.key:
            found.append(PriceChange(day, begins[day], first, after))
        first = after
    return found


def _first(store: Store, hand: OrderInHand, day: date) -> RankedRoute | None:
    on_day = replace(hand, order=replace(hand.order, placed_on=day))
    return next(iter(compare(store, on_day).ranked), None)
