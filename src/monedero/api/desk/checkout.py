"""The checkout: the draft, its tenders, and what the order in hand sees of it."""

from fastapi import APIRouter, Response
from pydantic import BaseModel, Field, StrictInt

from monedero.api.buyer.buyer_words import BuyerWords, LanguageOut, buyer_words, languages_out
from monedero.api.buyer.offer import NothingLeft, item_of, nothing_left
from monedero.api.buyer.offered import OfferedOut, OfferWriter
from monedero.api.buyer.order_lines import OrderLineOut, order_lines
from monedero.api.buyer.ways_there import WayOut, ways_out
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.desk.tender_outcomes import OutcomeOut, OutcomeWriter, SharedOut
from monedero.api.problems import PROBLEMS
from monedero.api.requests import InHandQuery, sentence
from monedero.core.account import Mode
from monedero.core.checkout.condition import SharedConditions
from monedero.core.checkout.model import Checkout, Heading, Tender
from monedero.core.fields import Identifier
from monedero.core.money import Money
from monedero.core.ratecard.model import Route
from monedero.formats.checkout_file import write
from monedero.letters.texts import TextReader
from monedero.store.documents import Versioned
from monedero.wording.buyers import best_of, tag, to_buyer
from monedero.wording.changes import change_text
from monedero.wording.names import names_of
from monedero.wording.ready_texts import ready_names
from monedero.wording.tender_conditions import alone_text
from monedero.work.checkout.as_file import checkout_as_file
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, amount_in_books, draft, drafted
from monedero.work.checkout.copies import copy_tenders
from monedero.work.checkout.facts import asked_facts
from monedero.work.checkout.preview import View, view
from monedero.work.checkout.steps import Way, steps_of, take_step
from monedero.work.checkout.tenders import Edit, add_tender, save_draft
from monedero.work.context import Context
from monedero.work.shop.delivered import ways_there
from monedero.work.shop.lookups import described_shop
from monedero.work.shop.order_in_hand import order_in_hand

router = APIRouter(prefix="/api/checkouts/{storefront}", tags=["checkout"], responses=PROBLEMS)


class Draft(BaseModel):
    """The draft with its version, tenders as buyers meet them; `added` is the id of one that this request put in.

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


class CopyNow(BaseModel):
    """The storefront whose tender, or all of whose tenders (None), are copied into the draft of another."""

    version: StrictInt
    source: Identifier
    tender: Identifier | None = None


class StepNow(BaseModel):
    """Holds which way to step, over the version that was read."""

    version: StrictInt
    way: Way


class TenderNew(BaseModel):
    """A route to put in the checkout, or the method of an arrangement of the shop's own."""

    version: StrictInt
    method: Identifier
    route: Route | None = None


class WaysAt(BaseModel):
    """Amounts, in the order's currency, and the names of the tenders that are offered there."""

    from_: str = Field(serialization_alias="from")
    below: str | None
    tenders: list[str]


class ViewOut(BaseModel):
    """Holds what the draft offers to the order in hand; its amount also in the shop currency, where there is a rate.

    `offered` are the ways to pay as the buyer meets them, `lines` the order without one, `words` those around them, all
    of it in the buyer's language. `asked` are the facts that a condition or
    the delivery asks, `deliveries` the ways by which the line may go.
    `amount` is what the order comes to, of it `rest` on the day; `nothing_left`: how it is placed where nothing is to
    be paid now. `every_way_costs`: whichever way this buyer pays, something comes on top. `stretches` are all amounts
    of the order, cut where something else is offered; `alone` says where one way to pay is left, or none.
    """

    mode: Mode
    draft_version: int
    nothing_to_pay: bool
    nothing_left: NothingLeft | None
    rest: str | None
    amount: str
    amount_in_books: str | None
    outcomes: list[OutcomeOut]
    offered: list[OfferedOut]
    lines: list[OrderLineOut]
    language: str
    languages: list[LanguageOut]
    words: BuyerWords
    shared: list[SharedOut]
    asked: list[str]
    deliveries: list[WayOut]
    every_way_costs: bool
    stretches: list[WaysAt]
    alone: str


def draft_out(context: Context, saved: Versioned[Checkout], added: str | None = None) -> Draft:
    """A draft with what its last steps were."""
    checkout, store = saved.value, context.shop
    steps = steps_of(context)
    names = {card.provider.id: card.provider.name for card in store.rate_cards.all()}
    names |= names_of(described_shop(store).value, checkout)
    return Draft(
        mode=checkout.mode,
        version=saved.version,
        storefront=checkout.storefront,
        headings=checkout.headings,
        shared_conditions=checkout.shared_conditions,
        tenders=checkout.in_place,
        added=added,
        back=" ".join(change_text(change, names) for change in steps.back),
        again=" ".join(change_text(change, names) for change in steps.again),
    )


@router.get("")
def read_draft(running: RunningDep, context: ContextDep, storefront: str) -> Draft:
    """The draft of a storefront's checkout."""
    return draft_out(context, draft(context))


@router.put("")
def write_draft(running: RunningDep, context: ContextDep, storefront: str, edit: DraftEdit) -> Draft:
    """Save the checkout as a whole, its tenders in their sequence."""
    asked = Edit(edit.tenders, edit.headings, edit.shared_conditions)
    saved = save_draft(context, edit.version, asked)
    return draft_out(context, saved)


@router.post("/steps")
def step(running: RunningDep, context: ContextDep, storefront: str, now: StepNow) -> Draft:
    """Take the last change of the draft back, or make one again that was taken back."""
    return draft_out(context, take_step(context, now.way, now.version))


@router.post("/copies", status_code=201)
def copy(running: RunningDep, context: ContextDep, storefront: str, now: CopyNow) -> Draft:
    """Copy a tender, or all of a checkout, from another storefront."""
    return draft_out(context, copy_tenders(context, now.source, now.tender, now.version))


@router.post("/tenders", status_code=201)
def put_tender(running: RunningDep, context: ContextDep, storefront: str, new: TenderNew) -> Draft:
    """Put a route, or an arrangement of the shop's own, in the checkout, switched off."""
    saved, tender = add_tender(context, new.method, new.route, new.version, ready_names)
    return draft_out(context, saved, tender.id)


@router.get("/checkout.json", response_class=Response)
def read_checkout_file(running: RunningDep, context: ContextDep, storefront: str) -> Response:
    """The draft as a file, `monedero/checkout/1`: what `monedero offer` decides by."""
    content = write(checkout_as_file(context))
    name = {"Content-Disposition": f'attachment; filename="checkout-{storefront}.json"'}
    return Response(content, media_type="application/json", headers=name)


@router.get("/view")
def read_view(
    running: RunningDep, context: ContextDep, storefront: str, asked: InHandQuery, language: str = ""
) -> ViewOut:
    """Every tender of the draft for the order in hand, with its place or its reasons.

    What the buyer would see is in a language of the shop, the first where none is asked for.
    """
    snapshot = drafted(context)
    seen = view(context, snapshot, order_in_hand(snapshot.shop, sentence(asked, running)))
    with to_buyer(best_of(language, snapshot.shop.languages), snapshot.shop.country):
        return _view_out(context, snapshot, seen)


def _view_out(context: Context, snapshot: CheckoutSnapshot, seen: View) -> ViewOut:
    item = item_of(snapshot.shop, seen.hand)
    writer = OutcomeWriter(seen)
    whole = nothing_left(item)
    # No way to pay is chosen as long as nothing is to be paid now.
    offered = [] if whole else [entry for entry in seen.outcomes if entry.place]
    placed = sorted(offered, key=lambda entry: entry.place or 0)
    in_books = amount_in_books(snapshot, seen.hand)
    return ViewOut(
        mode=snapshot.checkout.mode,
        draft_version=snapshot.draft_version or 0,
        nothing_to_pay=not seen.hand.whole.minor,
        nothing_left=whole,
        rest=str(seen.hand.rest) if seen.hand.rest else None,
        amount=str(seen.hand.whole),
        amount_in_books=str(Money.rounded(in_books, snapshot.shop.currency)) if in_books is not None else None,
        outcomes=[writer.outcome(outcome) for outcome in seen.outcomes],
        offered=OfferWriter(snapshot, TextReader(context, snapshot), item).all(placed),
        lines=order_lines(item),
        language=tag(),
        languages=languages_out(snapshot.shop.languages),
        words=buyer_words(),
        shared=[writer.shared(each.id) for each in snapshot.checkout.shared_conditions],
        asked=asked_facts(snapshot.shop, snapshot.checkout, seen.hand),
        deliveries=ways_out(ways_there(snapshot.shop, seen.hand)),
        stretches=[
            WaysAt(
                from_=str(entry.from_),
                below=str(entry.below) if entry.below else None,
                tenders=[tender.name for tender in entry.tenders],
            )
            for entry in seen.stretches
        ],
        alone=alone_text(seen.stretches),
        every_way_costs=bool(placed)
        and all(entry.charged and entry.charged.amount and entry.charged.amount.minor > 0 for entry in placed),
    )
