"""The month of a draft against that of what buyers see, and against the month before the draft's last change."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date
from typing import NamedTuple

from monedero.core.best_set.month import MonthMove, SetMonth, moved_to
from monedero.core.checkout.model import Checkout
from monedero.work.checkout.checkout_snapshot import drafted, edition_now
from monedero.work.checkout.offered_month import OfferedMonth, month_as_it_stands, offered_month
from monedero.work.compare.price_changes import newer_cards
from monedero.work.context import Context
from monedero.work.shop.order_in_hand import OrderInHand


@dataclass(frozen=True)
class MonthOfDraft:
    """The month of the draft, and how it moves against what buyers see and by its last change (None: there is none).

    `touched` are the tenders, by id, that the last change touched.
    """

    draft: OfferedMonth
    edition: SetMonth | None
    since_edition: MonthMove | None
    by_last_change: MonthMove | None
    touched: Sequence[str]


def month_of_draft(context: Context, hand: OrderInHand) -> MonthOfDraft:
    """The month of the draft for orders that are like the order in hand in what a month tells not."""
    snapshot, edition = drafted(context), edition_now(context)
    draft = offered_month(context, snapshot, hand)
    published = offered_month(context, edition, hand).month if edition else None
    before, _ = context.shop.checkouts.around(snapshot.checkout.storefront)
    last = offered_month(context, replace(snapshot, checkout=before, draft_version=None), hand) if before else None
    return MonthOfDraft(
        draft=draft,
        edition=published,
        since_edition=moved_to(published, draft.month) if published else None,
        by_last_change=moved_to(last.month, draft.month) if last else None,
        touched=_touched(before, snapshot.checkout) if before else [],
    )


def _touched(before: Checkout, after: Checkout) -> list[str]:
    was = {tender.id: tender for tender in before.tenders}
    return [tender.id for tender in after.tenders if was.get(tender.id) != tender]


class NewPrices(NamedTuple):
    """Newer prices of some providers from a day on, and how they move the month of the checkout as it stands."""

    day: date
    providers: Sequence[str]
    move: MonthMove


def moved_by_prices(context: Context, today: date) -> list[NewPrices]:
    """Every later day on which newer cards move the month of the draft, against the day before them."""
    found, before = [], month_as_it_stands(context, today)
    for day, providers in newer_cards(context, today).items():
        after = month_as_it_stands(context, day)
        if before is not None and after is not None:
            move = moved_to(before.month, after.month)
            if any(move):
                found.append(NewPrices(day, providers, move))
        before = after
    return found
