"""Acts on a draft that the server works out, and what an edit would do before it is made."""

from fastapi import APIRouter
from pydantic import BaseModel, StrictInt

from monedero.api.desk.checkout import Draft, DraftEdit, draft_out
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.api.requests import InHand, sentence
from monedero.core.account import Mode
from monedero.core.fields import Identifier
from monedero.core.reasons import ReasonCode
from monedero.letters.impact import texts_of
from monedero.wording.draft_figures import moved_text
from monedero.work.checkout.acts import HeldBack, Pair, end_reason, let_meet
from monedero.work.checkout.checkout_snapshot import drafted
from monedero.work.checkout.impact_before import edit_would_move
from monedero.work.checkout.tenders import Edit
from monedero.work.checkout.what_would_change import would_move
from monedero.work.shop.order_in_hand import order_in_hand

router = APIRouter(prefix="/api/checkouts/{storefront}", tags=["checkout"], responses=PROBLEMS)


class EndReason(BaseModel):
    """A reason why a tender is held back from the order in hand, to be ended, over the version that was read."""

    version: StrictInt
    tender: Identifier
    code: ReasonCode
    order: InHand


class MeetNow(BaseModel):
    """Two tenders, and the amount at which `lower` shall end and `upper` begin, as it was typed."""

    version: StrictInt
    lower: Identifier
    upper: Identifier
    amount: str


class EditAsked(BaseModel):
    """An edit of a draft that is asked about and not made, with the order in hand."""

    edit: DraftEdit
    order: InHand


class WouldChange(BaseModel):
    """Holds what an edit would do: to the orders of a month, a phrase for each tender, and to all that can be ordered.

    Nothing is said of what stays as it is.
    """

    mode: Mode
    tenders: list[str]
    sentences: list[str]


@router.post("/end-reason")
def end(running: RunningDep, context: ContextDep, storefront: str, now: EndReason) -> Draft:
    """Change a tender so that a reason does not hold it back from the order in hand any more."""
    hand = order_in_hand(drafted(context).shop, sentence(now.order, running))
    saved = end_reason(context, HeldBack(now.tender, now.code, hand), now.version)
    return draft_out(context, saved)


@router.post("/meet")
def meet(running: RunningDep, context: ContextDep, storefront: str, now: MeetNow) -> Draft:
    """Let one tender end exactly where another begins."""
    saved = let_meet(context, Pair(now.lower, now.upper, now.amount), now.version)
    return draft_out(context, saved)


@router.post("/would-change")
def would_change(running: RunningDep, context: ContextDep, storefront: str, asked: EditAsked) -> WouldChange:
    """Tells what an edit would do to the orders of a month; nothing is changed."""
    snapshot = drafted(context)
    hand = order_in_hand(snapshot.shop, sentence(asked.order, running))
    edit = Edit(asked.edit.tenders, asked.edit.headings, asked.edit.shared_conditions)
    found = would_move(context, edit, hand)
    over = edit_would_move(context, edit, hand.order.placed_on)
    return WouldChange(
        mode=snapshot.checkout.mode,
        tenders=[moved_text(name, change) for name, change in found],
        sentences=texts_of([over]),
    )
