"""Buyers and their orders: what the newest edition offers, orders placed, paid another way, and their records."""

from datetime import datetime
from typing import Literal

from fastapi import APIRouter
from fastapi.responses import RedirectResponse
from pydantic import BaseModel

from monedero.api.problems import PROBLEMS
from monedero.api.rooms import InHand, InHandQuery, PremisesDep, RoomDep, sentence
from monedero.core.account import Mode
from monedero.core.payment import State
from monedero.core.record import Message, OrderRecord
from monedero.core.tender.decision import Outcome
from monedero.wording.letters import after_paying, happened_text
from monedero.wording.places import country_name
from monedero.work.basis import Basis, Hand, draft_basis, hand, newest_basis
from monedero.work.looking import outcomes_of
from monedero.work.ordering import AFTER_PAYING, RETURN, Till

router = APIRouter(tags=["orders"], responses=PROBLEMS)


class OfferedOut(BaseModel):
    """A way to pay as its buyer sees it."""

    tender: str
    name: str
    description: str


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


class HappenedOut(BaseModel):
    """One thing that happened, in a sentence."""

    at: datetime
    move: str
    text: str


class OrderOut(BaseModel):
    """The record of an order for its owner."""

    token: str
    number: int
    mode: Mode
    edition: int | None
    draft_version: int | None
    placed_at: datetime
    country_name: str
    line_name: str
    amount: str
    state: State
    tender_name: str
    provider_name: str
    headline: str
    happened: list[HappenedOut]
    messages: list[Message]


class Paying(BaseModel):
    """What a buyer sees of an order after paying, and what it can still be paid with."""

    token: str
    number: int
    mode: Mode
    shop: str
    state: State
    tender_name: str
    amount: str
    line_name: str
    headline: str
    text: str
    offered: list[OfferedOut]


class Placed(BaseModel):
    """An order that was placed, and the path where the buyer goes next."""

    mode: Mode
    token: str
    number: int
    go_to: str


def _offered(outcomes: list[Outcome]) -> list[OfferedOut]:
    return [
        OfferedOut(tender=outcome.tender.id, name=outcome.tender.name, description=outcome.tender.description)
        for outcome in outcomes
        if outcome.offered
    ]


def _offer(basis: Basis, order: Hand, outcomes: list[Outcome]) -> Offer:
    return Offer(
        mode=basis.checkout.mode,
        edition=basis.edition,
        shop=basis.shop.name,
        line_name=order.line.name,
        country_name=country_name(order.order.country),
        amount=str(order.order.amount),
        recurring=order.order.recurring,
        nothing_to_pay=order.order.nothing_to_pay,
        offered=_offered(outcomes),
    )


def _placed(till: Till, record: OrderRecord) -> Placed:
    return Placed(mode=record.mode, token=record.token, number=record.number, go_to=till.go_to(record))


@router.get("/api/offer")
def read_offer(room: RoomDep, held: PremisesDep, asked: InHandQuery) -> Offer:
    """The ways to pay for an order, by the newest edition."""
    basis = newest_basis(room.store)
    order = hand(basis.shop, sentence(asked, held))
    return _offer(basis, order, outcomes_of(room.store, basis, order.order))


@router.post("/api/orders", status_code=201)
def place_order(room: RoomDep, held: PremisesDep, new: OrderNew) -> Placed:
    """Place an order with a tender that is offered for it."""
    basis = draft_basis(room.store) if new.by == "draft" else newest_basis(room.store)
    order = hand(basis.shop, sentence(new.order, held))
    return _placed(room.till, room.till.place(basis, order, new.tender))


@router.get("/api/orders")
def read_orders(room: RoomDep) -> list[OrderOut]:
    """Every order record, the newest first."""
    names = room.till.provider_names()
    return [
        OrderOut(
            token=record.token,
            number=record.number,
            mode=record.mode,
            edition=record.edition,
            draft_version=record.draft_version,
            placed_at=record.placed_at,
            country_name=country_name(record.country),
            line_name=record.line_name,
            amount=str(record.amount),
            state=record.state,
            tender_name=record.chosen.name,
            provider_name=names.get(record.chosen.provider or "", ""),
            headline=after_paying(record).headline,
            happened=[
                HappenedOut(at=entry.at, move=entry.move.value, text=happened_text(entry))
                for entry in record.happened
            ],
            messages=room.store.orders.messages(record.token),
        )
        for record in room.store.orders.all()
    ]


@router.get("/api/orders/{token}")
def read_order(held: PremisesDep, token: str) -> Paying:
    """What a buyer sees of an order."""
    till = held.room_with_order(token).till
    record = till.record(token)
    page = after_paying(record)
    return Paying(
        token=record.token,
        number=record.number,
        mode=record.mode,
        shop=till.shop_name(record),
        state=record.state,
        tender_name=record.chosen.name,
        amount=str(record.amount),
        line_name=record.line_name,
        headline=page.headline,
        text=page.text,
        offered=[] if record.state is State.PAID else _offered(till.offered_again(record)),
    )


@router.post("/api/orders/{token}/tender")
def choose_another(held: PremisesDep, token: str, another: Another) -> Placed:
    """Pay an order another way, until it is paid."""
    till = held.room_with_order(token).till
    return _placed(till, till.choose_another(token, another.tender))


@router.get(RETURN, include_in_schema=False)
def come_back(held: PremisesDep, answer: str = "") -> RedirectResponse:
    """Where the provider sends the buyer back to, with its signed answer."""
    till = held.room_with_order(held.provider.read_answer(answer).order).till
    record = till.take_answer(answer)
    return RedirectResponse(f"{AFTER_PAYING}/{record.token}", status_code=303)
