"""The checkout: the draft, its tenders, and what the order in hand sees of it."""

from fastapi import APIRouter
from pydantic import BaseModel, StrictInt

from monedero.api.compare import reasons_out
from monedero.api.compare_schemas import ReasonOut
from monedero.api.orders import OfferedOut, offered_out
from monedero.api.problems import PROBLEMS
from monedero.api.requests import InHandQuery, RunningDep, sentence
from monedero.core.account import Mode
from monedero.core.fields import Identifier
from monedero.core.money import Money
from monedero.core.ratecard.model import Route
from monedero.core.tender.condition import SharedConditions
from monedero.core.tender.decision import Outcome
from monedero.core.tender.model import Checkout, Heading, Tender
from monedero.core.window import Window
from monedero.figures import methods
from monedero.server.shops import RunningShop
from monedero.store.documents import Versioned
from monedero.wording.changes import change_text
from monedero.wording.tender_conditions import condition_text, method_limits
from monedero.work.checkout.composed import amount_in_books, draft, drafted
from monedero.work.checkout.facts import asked_facts
from monedero.work.checkout.names import names_of
from monedero.work.checkout.preview import View, view
from monedero.work.checkout.steps import Way, steps_of, take_step
from monedero.work.checkout.tenders import Edit, add_tender, save_draft
from monedero.work.shop.lookups import method_in
from monedero.work.shop.order_in_hand import order_in_hand

router = APIRouter(prefix="/api/checkouts/{storefront}", tags=["checkout"], responses=PROBLEMS)


class Draft(BaseModel):
    """The draft with its version; `added` is the id of a tender that this request put in.

    `back` says what the last change did, `again` what one does that was taken back; empty where there is none.
    """

    mode: Mode
    version: int
    storefront: str
    headings: list[Heading]
    shared_conditions: list[SharedConditions]
    tenders: list[Tender]
    added: str | None = None
    back: str
    again: str


class DraftEdit(BaseModel):
    """The checkout as it shall be, over the version that was read; headings and shared sets stay where left out."""

    version: StrictInt
    tenders: list[Tender]
    headings: list[Heading] | None = None
    shared_conditions: list[SharedConditions] | None = None


class StepNow(BaseModel):
    """Which way to step, over the version that was read."""

    version: StrictInt
    way: Way


class TenderNew(BaseModel):
    """A route to put in the checkout, or the method of an arrangement of the shop's own."""

    version: StrictInt
    method: Identifier
    route: Route | None = None


class SharedOut(BaseModel):
    """A shared set of conditions: its name, what it asks in phrases, and by how many tenders it is used."""

    id: str
    name: str
    conditions: list[str]
    used: int


class OutcomeOut(BaseModel):
    """A tender for the order in hand: its place, or every reason against it; and what it costs the shop.

    `conditions` are those of the tender in phrases, in their sequence, `shared` those of its sets; `limits` are the
    method's own. `buyer_fee` is what its buyer pays on top, `total` the order with it (None: nothing, or unknown).
    """

    tender: Tender
    place: int | None
    reasons: list[ReasonOut]
    conditions: list[str]
    shared: list[SharedOut]
    limits: list[str]
    limits_source: str
    buyer_fee: str | None
    buyer_fee_unknown: bool
    up_to: bool
    total: str | None
    method_name: str
    family: str
    method_window: Window | None
    provider_name: str
    plan_name: str
    fee: str | None


class ViewOut(BaseModel):
    """What the draft offers to the order in hand; its amount also in the shop currency, where there is a rate.

    `offered` are the ways to pay as the buyer meets them. `asked` are the facts that a condition asks.
    """

    mode: Mode
    draft_version: int
    nothing_to_pay: bool
    amount: str
    amount_in_books: str | None
    outcomes: list[OutcomeOut]
    offered: list[OfferedOut]
    shared: list[SharedOut]
    asked: list[str]


def _draft(running: RunningShop, saved: Versioned[Checkout], added: str | None = None) -> Draft:
    checkout, store = saved.value, running.store
    steps = steps_of(store, checkout.storefront)
    names = {card.provider.id: card.provider.name for card in store.rate_cards.all()}
    return Draft(
        mode=checkout.mode,
        version=saved.version,
        storefront=checkout.storefront,
        headings=checkout.headings,
        shared_conditions=checkout.shared_conditions,
        tenders=checkout.tenders,
        added=added,
        back=" ".join(change_text(change, names) for change in steps.back),
        again=" ".join(change_text(change, names) for change in steps.again),
    )


class OutcomeWriter:
    """Writes what tenders are for an order, with names and in words."""

    def __init__(self, seen: View) -> None:
        """Names come from the shop, the checkout and the cards."""
        self._seen, self._composed = seen, seen.composed
        self._sets = {each.id: each for each in self._composed.checkout.shared_conditions}
        self._names = {key: card.provider.name for key, card in seen.cards.items()}
        self._names |= names_of(self._composed.shop, self._composed.checkout)

    def shared(self, id: str) -> SharedOut:
        """A shared set of conditions."""
        of = self._sets[id]
        return SharedOut(
            id=id,
            name=of.name,
            conditions=[condition_text(condition, self._names) for condition in of.conditions],
            used=sum(id in tender.shared for tender in self._composed.checkout.tenders),
        )

    def outcome(self, outcome: Outcome) -> OutcomeOut:
        """A tender for the order."""
        tender, charged = outcome.tender, outcome.charged
        method = method_in(self._composed.methods, tender.method)
        card = self._seen.cards.get(tender.route.provider) if tender.route else None
        fee = self._seen.fees.get(tender.route) if tender.route else None
        plans = {plan.id: plan.name for plan in card.plans} if card else {}
        source = methods.sources().get(method.id)
        amount = self._seen.hand.order.amount
        on_top = charged.amount if charged else None
        return OutcomeOut(
            tender=tender,
            place=outcome.place,
            reasons=reasons_out(outcome.reasons, self._names),
            conditions=[condition_text(condition, self._names) for condition in tender.conditions],
            shared=[self.shared(id) for id in tender.shared],
            limits=method_limits(method),
            limits_source=source.text if source else "",
            buyer_fee=str(on_top) if on_top else None,
            buyer_fee_unknown=charged is not None and on_top is None,
            up_to=charged.up_to if charged else False,
            total=str(Money(amount.minor + on_top.minor, amount.currency)) if on_top else None,
            method_name=method.name,
            family=method.family.value,
            method_window=method.amount,
            provider_name=card.provider.name if card else "",
            plan_name=plans.get(tender.route.plan, "") if tender.route and len(plans) > 1 else "",
            fee=str(Money.rounded(fee.fee, self._composed.shop.currency)) if fee else None,
        )


@router.get("")
def read_draft(running: RunningDep, storefront: str) -> Draft:
    """The draft of a storefront's checkout."""
    return _draft(running, draft(running.store, storefront))


@router.put("")
def write_draft(running: RunningDep, storefront: str, edit: DraftEdit) -> Draft:
    """Save the checkout as a whole, its tenders in their sequence."""
    asked = Edit(edit.tenders, edit.headings, edit.shared_conditions)
    saved = save_draft(running.store, storefront, edit.version, asked)
    return _draft(running, saved)


@router.post("/steps")
def step(running: RunningDep, storefront: str, now: StepNow) -> Draft:
    """Take the last change of the draft back, or make one again that was taken back."""
    return _draft(running, take_step(running.store, storefront, now.way, now.version))


@router.post("/tenders", status_code=201)
def put_tender(running: RunningDep, storefront: str, new: TenderNew) -> Draft:
    """Put a route, or an arrangement of the shop's own, in the checkout, switched off."""
    saved, tender = add_tender(running.store, storefront, new.method, new.route, new.version)
    return _draft(running, saved, tender.id)


@router.get("/view")
def read_view(running: RunningDep, storefront: str, asked: InHandQuery) -> ViewOut:
    """Every tender of the draft for the order in hand, with its place or its reasons."""
    composed = drafted(running.store, storefront)
    seen = view(running.store, composed, order_in_hand(composed.shop, sentence(asked, running)))
    writer = OutcomeWriter(seen)
    placed = sorted((entry for entry in seen.outcomes if entry.place), key=lambda entry: entry.place or 0)
    in_books = amount_in_books(composed, seen.hand)
    return ViewOut(
        mode=composed.checkout.mode,
        draft_version=composed.draft_version or 0,
        nothing_to_pay=seen.hand.order.nothing_to_pay,
        amount=str(seen.hand.order.amount),
        amount_in_books=str(Money.rounded(in_books, composed.shop.currency)) if in_books is not None else None,
        outcomes=[writer.outcome(outcome) for outcome in seen.outcomes],
        offered=offered_out(placed, seen.hand.order.amount, composed),
        shared=[writer.shared(each.id) for each in composed.checkout.shared_conditions],
        asked=asked_facts(composed.checkout),
    )
