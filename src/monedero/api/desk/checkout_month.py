"""The month of a checkout as it stands: what it leaves, who finds no way to pay, and what the draft changes of it."""

from fastapi import APIRouter
from pydantic import BaseModel

from monedero.api.desk.buyers import LostOut, lost_out
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.api.requests import InHandQuery, sentence
from monedero.core.account import Mode
from monedero.core.best_set.month import SetMonth
from monedero.core.money import Money
from monedero.core.numbers import decimal_text
from monedero.wording.draft_figures import month_move_text
from monedero.work.checkout.checkout_snapshot import drafted
from monedero.work.checkout.month_moves import month_of_draft
from monedero.work.prices.inputs import inputs_of
from monedero.work.shop.order_in_hand import order_in_hand

router = APIRouter(prefix="/api/checkouts/{storefront}/month", tags=["checkout"], responses=PROBLEMS)


class MonthOut(BaseModel):
    """A month of a checkout; `left` is None where a margin is not known."""

    carried: str
    lost: str
    cost: str
    left: str | None


class LastChangeOut(BaseModel):
    """The last change of the draft: its effect on the month, in words, and the tenders that it touched."""

    text: str
    tenders: list[str]


class CheckoutMonthOut(BaseModel):
    """The month of the draft, and of the edition that buyers see; None before the first one."""

    mode: Mode
    draft_version: int
    orders: str
    draft: MonthOut
    edition: MonthOut | None
    since_edition: str | None
    last_change: LastChangeOut | None
    where: list[LostOut]


@router.get("")
def read_month(running: RunningDep, context: ContextDep, storefront: str, asked: InHandQuery) -> CheckoutMonthOut:
    """The month of the draft against what buyers see, for orders like the order in hand in what a month tells not."""
    snapshot = drafted(context)
    hand = order_in_hand(snapshot.shop, sentence(asked, running))
    found = month_of_draft(context, hand)
    books, month = found.draft.currency, found.draft.month
    return CheckoutMonthOut(
        mode=snapshot.checkout.mode,
        draft_version=snapshot.draft_version or 0,
        orders=decimal_text(month.carried + month.lost, 1),
        draft=_month(month, books),
        edition=_month(found.edition, books) if found.edition else None,
        since_edition=month_move_text(found.since_edition, books) if found.since_edition else None,
        last_change=LastChangeOut(text=month_move_text(found.by_last_change, books), tenders=list(found.touched))
        if found.by_last_change
        else None,
        where=lost_out(inputs_of(context), found.draft),
    )


def _month(month: SetMonth, books: str) -> MonthOut:
    return MonthOut(
        carried=decimal_text(month.carried, 1),
        lost=decimal_text(month.lost, 1),
        cost=str(Money.rounded(month.cost, books)),
        left=None if month.left is None else str(Money.rounded(month.left, books)),
    )
