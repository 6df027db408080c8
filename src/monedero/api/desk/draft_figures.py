"""Tells what the limits and buyer fees of a draft come to, and the acts that end a reason."""

from fastapi import APIRouter
from pydantic import BaseModel

from monedero.api.desk.compare_schemas import Exact
from monedero.api.desk.curves import exact_out
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.api.requests import InHandQuery, sentence
from monedero.core.account import Mode
from monedero.core.money import Money
from monedero.wording.draft_figures import limit_text, over_text
from monedero.work.checkout.checkout_snapshot import drafted
from monedero.work.checkout.figures import draft_figures
from monedero.work.shop.order_in_hand import order_in_hand

router = APIRouter(prefix="/api/checkouts/{storefront}/figures", tags=["checkout"], responses=PROBLEMS)


class LimitFigure(BaseModel):
    """Holds what one end of a tender's window (`from`, or `up_to` for either upper end) costs or saves a month."""

    tender: str
    end: str
    text: str


class MeetingOut(BaseModel):
    """An amount in the shop's currency at which two tenders cost the same.

    `lower` costs less below it and `upper` from it on. `amount` is the first amount that can be paid at which `upper`
    costs less, or as much.
    """

    lower: str
    upper: str
    amount: str
    exactly: Exact


class FeeFigure(BaseModel):
    """Holds where a tender's buyer fee takes more than it costs, and the fee with which the order nets its price."""

    tender: str
    over: str
    nets: str | None


class DraftFiguresOut(BaseModel):
    """The figures of a draft."""

    mode: Mode
    draft_version: int
    limits: list[LimitFigure]
    meetings: list[MeetingOut]
    fees: list[FeeFigure]


@router.get("")
def read_figures(running: RunningDep, context: ContextDep, storefront: str, asked: InHandQuery) -> DraftFiguresOut:
    """Tells what the limits and buyer fees of a draft come to, over the shop's orders of a month and the order in
    hand.
    """
    snapshot = drafted(context)
    hand = order_in_hand(snapshot.shop, sentence(asked, running))
    found = draft_figures(context, snapshot, hand)
    books, currency = snapshot.shop.currency, hand.order.amount.currency
    return DraftFiguresOut(
        mode=snapshot.checkout.mode,
        draft_version=snapshot.draft_version or 0,
        limits=[
            LimitFigure(tender=tender, end=end, text=limit_text(cost, books))
            for (tender, end), cost in found.limits.items()
        ],
        meetings=[
            MeetingOut(
                lower=meeting.lower,
                upper=meeting.upper,
                amount=Money.not_below(meeting.at, books).amount,
                exactly=exact_out(meeting.at, books),
            )
            for meeting in found.meetings
        ],
        fees=[
            FeeFigure(
                tender=tender,
                over="" if figures.over is None else over_text(figures.over, currency),
                nets=str(figures.nets) if figures.nets and figures.nets.minor else None,
            )
            for tender, figures in found.fees.items()
        ],
    )
