"""The month of a checkout as it stands: what it leaves, who finds no way to pay, and what the draft changes of it."""

from fractions import Fraction

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
from monedero.work.checkout.checkout_snapshot import drafted, edition_now
from monedero.work.checkout.offered_month import offered_month
from monedero.work.prices.inputs import inputs_of
from monedero.work.shop.order_in_hand import order_in_hand

router = APIRouter(prefix="/api/checkouts/{storefront}/month", tags=["checkout"], responses=PROBLEMS)


class MonthOut(BaseModel):
    """A month of a checkout; `left` is None where a margin is not known."""

    carried: str
    lost: str
    cost: str
    left: str | None


class CheckoutMonthOut(BaseModel):
    """The month of the draft, and of the edition that buyers see; None before the first one.

    `left_more` and `lost_more` are of the draft against the edition, below nothing where they are less; without
    margins `cost_more` says what it costs more.
    """

    mode: Mode
    draft_version: int
    orders: str
    draft: MonthOut
    edition: MonthOut | None
    left_more: str | None
    lost_more: str
    cost_more: str | None
    where: list[LostOut]


@router.get("")
def read_month(running: RunningDep, context: ContextDep, storefront: str, asked: InHandQuery) -> CheckoutMonthOut:
    """The month of the draft against what buyers see, for orders like the order in hand in what a month tells not."""
    snapshot, edition = drafted(context), edition_now(context)
    hand = order_in_hand(snapshot.shop, sentence(asked, running))
    found = offered_month(context, snapshot, hand)
    draft, before = found.month, offered_month(context, edition, hand).month if edition else None

    def money(value: Fraction | None) -> str | None:
        return None if value is None else str(Money.rounded(value, found.currency))

    def out(month: SetMonth) -> MonthOut:
        return MonthOut(
            carried=decimal_text(month.carried, 1),
            lost=decimal_text(month.lost, 1),
            cost=money(month.cost) or "",
            left=money(month.left),
        )

    left_more = None
    if before is not None and draft.left is not None and before.left is not None:
        left_more = draft.left - before.left
    return CheckoutMonthOut(
        mode=snapshot.checkout.mode,
        draft_version=snapshot.draft_version or 0,
        orders=decimal_text(draft.carried + draft.lost, 1),
        draft=out(draft),
        edition=out(before) if before else None,
        left_more=money(left_more),
        lost_more=decimal_text(draft.lost - before.lost, 1) if before else "0",
        cost_more=money(draft.cost - before.cost) if before else None,
        where=lost_out(inputs_of(context), found),
    )
