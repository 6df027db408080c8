"""Tells what lets another route come first for the order in hand: prices that end or begin, and another plan held."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date

from monedero.core.account import Stage
from monedero.core.checkout.model import Tender
from monedero.work.compare.ranking import Comparison, RankedRoute, compare
from monedero.work.context import Context
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


@dataclass(frozen=True, slots=True)
class PlanChange:
    """The first of the ranking is on another plan of a provider than the one that the shop's account there is on."""

    first: RankedRoute
    held: RankedRoute


def plan_change(comparison: Comparison) -> PlanChange | None:
    """The change of plan that would bring the first of the ranking; None where nothing is known of the plan held.

    `held` is the best that the account's own plan does for this order.
    """
    first = next((entry.candidate.route for entry in comparison.ranked), None)
    account = comparison.inputs.accounts.get(first.provider) if first else None
    if first is None or account is None or account.stage is not Stage.CONNECTED:
        return None
    if account.plan in (None, first.plan):
        return None
    for entry in comparison.ranked:
        route = entry.candidate.route
        if route and (route.provider, route.plan) == (account.provider, account.plan):
            return PlanChange(comparison.ranked[0], entry)
    return None


def newer_cards(context: Context, today: date) -> dict[date, list[str]]:
    """The next days on which newer cards begin, in sequence, with the names of their providers."""
    begins: dict[date, list[str]] = {}
    for card in context.shop.rate_cards.all():
        if card.valid_from and card.valid_from > today:
            begins.setdefault(card.valid_from, []).append(card.provider.name)
    return {day: begins[day] for day in sorted(begins)[:MOST]}


def price_changes(context: Context, hand: OrderInHand, tenders: Sequence[Tender] = ()) -> list[PriceChange]:
    """Every day after the order's on which a newer card moves the first place, for the order as it is."""
    today = hand.order.placed_on
    begins = newer_cards(context, today)
    found: list[PriceChange] = []
    first = _first(context, hand, today, tenders) if begins else None
    for day in begins:
        after = _first(context, hand, day, tenders)
        if first and after and after.candidate.key != first.candidate.key:
            found.append(PriceChange(day, begins[day], first, after))
        first = after
    return found


def _first(context: Context, hand: OrderInHand, day: date, tenders: Sequence[Tender]) -> RankedRoute | None:
    on_day = replace(hand, order=replace(hand.order, placed_on=day))
    return next(iter(compare(context, on_day, tenders).ranked), None)
