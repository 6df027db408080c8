"""The checkout: the draft, its tenders, and what the order in hand sees of it."""

from fastapi import APIRouter
from pydantic import BaseModel, StrictInt

from monedero.api.compare import reasons_out
from monedero.api.compare_schemas import ReasonOut
from monedero.api.problems import PROBLEMS
from monedero.api.requests import InHandQuery, RunningDep, sentence
from monedero.core.account import Mode
from monedero.core.fields import Identifier
from monedero.core.money import Money
from monedero.core.ratecard.model import Route
from monedero.core.tender.model import Checkout, Tender
from monedero.core.window import Window
from monedero.store.documents import Versioned
from monedero.work.checkout.composed import amount_in_books, draft, drafted
from monedero.work.checkout.preview import view
from monedero.work.checkout.tenders import add_tender, save_draft
from monedero.work.shop.lookups import method_in
from monedero.work.shop.order_in_hand import order_in_hand

router = APIRouter(prefix="/api/checkouts/{storefront}", tags=["checkout"], responses=PROBLEMS)


class Draft(BaseModel):
    """The draft with its version; `added` is the id of a tender that this request put in."""

    mode: Mode
    version: int
    storefront: str
    tenders: list[Tender]
    added: str | None = None


class DraftEdit(BaseModel):
    """The tenders as they shall be, in sequence, over the version that was read."""

    version: StrictInt
    tenders: list[Tender]


class TenderNew(BaseModel):
    """A route to put in the checkout, or the method of an arrangement of the shop's own."""

    version: StrictInt
    method: Identifier
    route: Route | None = None


class OutcomeOut(BaseModel):
    """A tender for the order in hand: its place, or every reason against it; and what it costs the shop."""

    tender: Tender
    place: int | None
    reasons: list[ReasonOut]
    method_name: str
    family: str
    method_window: Window | None
    provider_name: str
    plan_name: str
    fee: str | None


class ViewOut(BaseModel):
    """What the draft offers to the order in hand; its amount also in the shop currency, where there is a rate."""

    mode: Mode
    draft_version: int
    nothing_to_pay: bool
    amount: str
    amount_in_books: str | None
    outcomes: list[OutcomeOut]


def _draft(saved: Versioned[Checkout], added: str | None = None) -> Draft:
    checkout = saved.value
    return Draft(
        mode=checkout.mode,
        version=saved.version,
        storefront=checkout.storefront,
        tenders=checkout.tenders,
        added=added,
    )


@router.get("")
def read_draft(running: RunningDep, storefront: str) -> Draft:
    """The draft of a storefront's checkout."""
    return _draft(draft(running.store, storefront))


@router.put("")
def write_draft(running: RunningDep, storefront: str, edit: DraftEdit) -> Draft:
    """Save the tenders as a whole, in their sequence."""
    return _draft(save_draft(running.store, storefront, edit.tenders, edit.version))


@router.post("/tenders", status_code=201)
def put_tender(running: RunningDep, storefront: str, new: TenderNew) -> Draft:
    """Put a route, or an arrangement of the shop's own, in the checkout, switched off."""
    saved, tender = add_tender(running.store, storefront, new.method, new.route, new.version)
    return _draft(saved, tender.id)


@router.get("/view")
def read_view(running: RunningDep, storefront: str, asked: InHandQuery) -> ViewOut:
    """Every tender of the draft for the order in hand, with its place or its reasons."""
    composed = drafted(running.store, storefront)
    seen = view(running.store, composed, order_in_hand(composed.shop, sentence(asked, running)))
    cards = seen.cards
    names = {key: card.provider.name for key, card in cards.items()}
    outcomes = []
    for outcome in seen.outcomes:
        tender = outcome.tender
        method = method_in(composed.methods, tender.method)
        card = cards.get(tender.route.provider) if tender.route else None
        fee = seen.fees.get(tender.route) if tender.route else None
        plans = {plan.id: plan.name for plan in card.plans} if card else {}
        outcomes.append(
            OutcomeOut(
                tender=tender,
                place=outcome.place,
                reasons=reasons_out(outcome.reasons, names),
                method_name=method.name,
                family=method.family.value,
                method_window=method.amount,
                provider_name=card.provider.name if card else "",
                plan_name=plans.get(tender.route.plan, "") if tender.route and len(plans) > 1 else "",
                fee=str(Money.rounded(fee.fee, composed.shop.currency)) if fee else None,
            )
        )
    in_books = amount_in_books(composed, seen.hand)
    return ViewOut(
        mode=composed.checkout.mode,
        draft_version=composed.draft_version or 0,
        nothing_to_pay=seen.hand.order.nothing_to_pay,
        amount=str(seen.hand.order.amount),
        amount_in_books=str(Money.rounded(in_books, composed.shop.currency)) if in_books is not None else None,
        outcomes=outcomes,
    )
