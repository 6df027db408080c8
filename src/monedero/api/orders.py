"""Buyers and their orders: what the newest edition offers, orders placed, paid another way, and the page after paying.

A buyer is known by a token in a cookie of the shop, and an order by the token in its address, so that guests have a
personal link to it.
"""

import hashlib
import secrets
from datetime import datetime
from typing import Annotated, Literal

from fastapi import APIRouter, Cookie, File, Header, Response, UploadFile
from fastapi.responses import RedirectResponse
from pydantic import BaseModel

from monedero.api.problems import PROBLEMS
from monedero.api.rooms import InHand, InHandQuery, PremisesDep, RoomDep, sentence
from monedero.core.account import Mode
from monedero.core.payment.state import CAN_CHOOSE_ANOTHER, MOVES, Move, State
from monedero.core.record import OrderRecord
from monedero.core.tender.decision import Outcome
from monedero.formats.paper import LARGEST
from monedero.store.orders import Key
from monedero.wording.letters import after_paying
from monedero.wording.orders import STATES
from monedero.wording.places import country_name
from monedero.work.basis import Basis, Hand, draft_basis, hand, newest_basis
from monedero.work.looking import outcomes_of
from monedero.work.ordering import AFTER_PAYING, RETURN, Till
from monedero.work.story import refuse_settled

router = APIRouter(tags=["orders"], responses=PROBLEMS)
BUYER = "monedero_buyer"
COMES_AGAIN = 365 * 24 * 3600
Returning = Annotated[str, Cookie(alias=BUYER, max_length=64)]


class OfferedOut(BaseModel):
    """A way to pay as its buyer sees it; `usual`: the buyer paid this way last time."""

    tender: str
    name: str
    description: str
    usual: bool = False


class Offer(BaseModel):
    """What a buyer is offered: the shop, the order, and the ways to pay in sequence. `edition` None: the draft."""

    mode: Mode
    edition: int | None
    shop: str
    line_name: str
    country_name: str
    amount: str
    recurring: bool
    nothing_to_pay: bool
    offered: list[OfferedOut]


class OrderNew(BaseModel):
    """An order to place: the order in hand, the tender, and whether the draft or the newest edition decides."""

    order: InHand
    tender: str
    by: Literal["draft", "newest-edition"]


class Another(BaseModel):
    """The tender that the buyer chose instead."""

    tender: str


class Paying(BaseModel):
    """What a buyer sees of an order after paying, and what it can still be paid with.

    `page` is where a payment that is not finished goes on, in a frame where it is `embedded`.
    """

    token: str
    number: int
    mode: Mode
    shop: str
    state: State
    state_name: str
    tender_name: str
    amount: str
    line_name: str
    headline: str
    text: str
    until: datetime | None
    page: str
    embedded: bool
    can_send_receipt: bool
    receipts: int
    paid: bool
    offered: list[OfferedOut]


class Placed(BaseModel):
    """An order that was placed, and the path where the buyer goes next."""

    mode: Mode
    token: str
    number: int
    go_to: str


def _offered(outcomes: list[Outcome], usual: str | None = None) -> list[OfferedOut]:
    return [
        OfferedOut(
            tender=outcome.tender.id,
            name=outcome.tender.name,
            description=outcome.tender.description,
            usual=outcome.tender.id == usual,
        )
        for outcome in outcomes
        if outcome.offered
    ]


def _offer(basis: Basis, order: Hand, outcomes: list[Outcome], usual: str | None) -> Offer:
    return Offer(
        mode=basis.checkout.mode,
        edition=basis.edition,
        shop=basis.shop.name,
        line_name=order.line.name,
        country_name=country_name(order.order.country),
        amount=str(order.order.amount),
        recurring=order.order.recurring,
        nothing_to_pay=order.order.nothing_to_pay,
        offered=_offered(outcomes, usual),
    )


def _placed(till: Till, record: OrderRecord) -> Placed:
    return Placed(mode=record.mode, token=record.token, number=record.number, go_to=till.go_to(record))


@router.get("/api/offer")
def read_offer(room: RoomDep, asked: InHandQuery, returning: Returning = "") -> Offer:
    """The ways to pay for an order, by the newest edition."""
    basis = newest_basis(room.store)
    order = hand(basis.shop, sentence(asked, room))
    outcomes = outcomes_of(room.store, basis, order.order)
    return _offer(basis, order, outcomes, room.till.usual(returning))


@router.post("/api/orders", status_code=201)
def place_order(
    room: RoomDep,
    new: OrderNew,
    response: Response,
    returning: Returning = "",
    idempotency_key: Annotated[str, Header(max_length=255)] = "",
) -> Placed:
    """Place an order with a tender that is offered for it; asked again under the same key, it is placed once."""
    basis = draft_basis(room.store) if new.by == "draft" else newest_basis(room.store)
    order = hand(basis.shop, sentence(new.order, room))
    buyer = ""
    if new.by == "newest-edition":
        buyer = returning or secrets.token_urlsafe(16)
        response.set_cookie(BUYER, buyer, httponly=True, samesite="lax", max_age=COMES_AGAIN)
    key = None
    if idempotency_key:
        key = Key(idempotency_key, hashlib.sha256(new.model_dump_json().encode()).hexdigest())
    return _placed(room.till, room.till.place(basis, order, new.tender, buyer, key))


@router.get("/api/orders/{token}")
def read_order(held: PremisesDep, token: str) -> Paying:
    """What a buyer sees of an order."""
    room = held.room_with_order(token)
    record = room.till.record(token)
    if record.state is State.AT_PROVIDER:
        record = room.till.look(record, record.payment)
    return _paying(room.till, record)


@router.post("/api/orders/{token}/tender")
def choose_another(held: PremisesDep, token: str, another: Another) -> Placed:
    """Pay an order another way, until it is paid."""
    till = held.room_with_order(token).till
    return _placed(till, till.choose_another(token, another.tender))


@router.post("/api/orders/{token}/go-on")
def go_on(held: PremisesDep, token: str) -> Placed:
    """Go on with a payment that was begun and not finished."""
    till = held.room_with_order(token).till
    return _placed(till, till.go_on(token))


@router.post("/api/orders/{token}/receipt", status_code=201)
def send_receipt(held: PremisesDep, token: str, file: Annotated[UploadFile, File()]) -> Paying:
    """Send the receipt of a transfer, through the buyer's personal link."""
    room = held.room_with_order(token)
    record = room.till.record(token)
    if record.state is not State.RECEIPT_SENT and Move.RECEIPT_SENT not in MOVES[record.state]:
        refuse_settled(record)
    paper = room.drawer.add_receipt(token, file.filename or "", file.file.read(LARGEST + 1))
    return _paying(room.till, room.settling.receipt_sent(token, paper.id))


@router.get(RETURN, include_in_schema=False)
def come_back(held: PremisesDep, payment: str = "") -> RedirectResponse:
    """Where the provider sends the buyer back to; what became of the payment is asked there."""
    for room in (held.own, held.demo):
        if room.store.orders.with_reference(payment):
            record = room.till.came_back(payment)
            return RedirectResponse(f"{AFTER_PAYING}/{record.token}", status_code=303)
    return RedirectResponse(f"{AFTER_PAYING}/unknown", status_code=303)


def _paying(till: Till, record: OrderRecord) -> Paying:
    payment, page = record.payment, after_paying(record)
    can_choose = record.state in CAN_CHOOSE_ANOTHER
    own = payment.chosen.provider is None
    return Paying(
        token=record.token,
        number=record.number,
        mode=record.mode,
        shop=till.shop_name(record),
        state=record.state,
        state_name=STATES[record.state],
        tender_name=payment.chosen.name,
        amount=str(record.amount),
        line_name=record.line_name,
        headline=page.headline,
        text=page.text,
        until=payment.until,
        page=payment.page if record.state is State.AT_PROVIDER else "",
        embedded=payment.embedded,
        can_send_receipt=own and (record.state is State.RECEIPT_SENT or Move.RECEIPT_SENT in MOVES[record.state]),
        receipts=len(record.receipts),
        paid=bool(payment.books.taken),
        offered=_offered(till.offered_again(record)) if can_choose else [],
    )
