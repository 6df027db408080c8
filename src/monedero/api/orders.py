"""Buyers and their orders: what the newest edition offers, orders placed, paid another way, and the page after paying.

A buyer is known by a token in a cookie of the shop, and an order by the token in its address, so that guests have a
personal link to it.
"""

import hashlib
import secrets
from datetime import date, datetime
from typing import Annotated, Literal

from fastapi import APIRouter, Cookie, File, Header, Query, Response, UploadFile
from fastapi.responses import RedirectResponse
from pydantic import BaseModel

from monedero.api.offered import OfferedOut, offered_out
from monedero.api.problems import PROBLEMS
from monedero.api.requests import InHand, KnownFacts, RunningDep, ShopsDep, sentence
from monedero.api.ways_there import WayOut, ways_out
from monedero.core.account import Mode
from monedero.core.fields import Description, Identifier
from monedero.core.payment.state import CAN_CHOOSE_ANOTHER, MOVES, Move, State
from monedero.core.record import Delivered, OrderRecord
from monedero.core.shop import Shop
from monedero.formats.paper import LARGEST
from monedero.store.orders import Key
from monedero.wording.letters import after_paying, fee_name, state_text
from monedero.wording.places import country_name
from monedero.work.checkout.composed import drafted, published
from monedero.work.checkout.facts import asked_facts
from monedero.work.checkout.offer import newest, placed
from monedero.work.orders.progress import refuse_settled
from monedero.work.orders.till import AFTER_PAYING, RETURN, Ordering, Till
from monedero.work.shop.delivered import Wish, ways_there
from monedero.work.shop.order_in_hand import order_in_hand

router = APIRouter(tags=["orders"], responses=PROBLEMS)
BUYER = "monedero_buyer"
COMES_AGAIN = 365 * 24 * 3600
Returning = Annotated[str, Cookie(alias=BUYER, max_length=64)]


class Offer(BaseModel):
    """What a buyer is offered: the shop, the order, and the ways to pay in sequence. `edition` None: the draft."""

    mode: Mode
    edition: int | None
    storefront: str
    order: InHand
    shop: str
    line_name: str
    country_name: str
    amount: str
    recurring: bool
    nothing_to_pay: bool
    offered: list[OfferedOut]
    deliveries: list[WayOut]
    asks_postcode: bool
    asks_town: bool


class Asked(KnownFacts):
    """The order as an address names it; what it leaves out comes from the shop.

    Without them: the shop's first storefront, market and line, the line's usual amount, the market's currency.
    """

    market: str | None = None
    line: str | None = None
    amount: str | None = None
    currency: str | None = None
    goods: str | None = None
    on: date | None = None
    storefront: Identifier | None = None


class OrderNew(BaseModel):
    """An order to place: the order in hand, the tender, and whether the draft or the newest edition decides.

    Without a storefront it is placed at the shop's first. `address` and `delivery_day`: where and when it shall come.
    """

    order: InHand
    tender: str
    by: Literal["draft", "newest-edition"]
    storefront: Identifier | None = None
    address: Description = ""
    delivery_day: date | None = None


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
    delivered: Delivered | None
    goods: str
    fee: str | None
    fee_label: str
    rounding: str | None
    offered: list[OfferedOut]


class Placed(BaseModel):
    """An order that was placed, and the path where the buyer goes next."""

    mode: Mode
    token: str
    number: int
    go_to: str


def _whole(asked: Asked, shop: Shop) -> InHand:
    """The order with what its address leaves out."""
    market = next((entry for entry in shop.markets if entry.id == asked.market), None)
    line = next((entry for entry in shop.lines if entry.id == asked.line), None)
    if asked.market is None and shop.markets:
        market = shop.markets[0]
    if asked.line is None and shop.lines:
        line = shop.lines[0]
    amount = asked.amount or (line.usual_amount.amount if line else "")
    known = {name: getattr(asked, name) for name in KnownFacts.model_fields}
    goods = asked.goods
    if line and line.deliveries and asked.delivery is None:
        # What is bought and not said to go any way goes the first; its amount is that of the goods.
        known["delivery"] = next(way.id for way in shop.deliveries if way.id in line.deliveries)
        goods = goods or amount
    return InHand(
        market=asked.market or (market.id if market else ""),
        line=asked.line or (line.id if line else ""),
        amount=amount,
        currency=asked.currency or (market.currency if market else ""),
        goods=goods,
        on=asked.on,
        **known,
    )


def _placed(till: Till, record: OrderRecord) -> Placed:
    return Placed(mode=record.mode, token=record.token, number=record.number, go_to=till.go_to(record))


@router.get("/api/offer")
def read_offer(running: RunningDep, asked: Annotated[Asked, Query()], returning: Returning = "") -> Offer:
    """The ways to pay for an order, by the newest edition of a storefront."""
    composed = newest(running.store, asked.storefront)
    whole = _whole(asked, composed.shop)
    order = order_in_hand(composed.shop, sentence(whole, running))
    asks = asked_facts(composed.shop, composed.checkout, order)
    outcomes = placed(running.store, composed, order.order)
    return Offer(
        mode=composed.checkout.mode,
        edition=composed.edition,
        storefront=composed.checkout.storefront,
        order=whole,
        shop=composed.shop.name,
        line_name=order.line.name,
        country_name=country_name(order.order.country),
        amount=str(order.order.amount),
        recurring=order.order.recurring,
        nothing_to_pay=order.order.nothing_to_pay,
        offered=offered_out(outcomes, order.order.amount, composed, running.till.usual(returning)),
        deliveries=ways_out(ways_there(composed.shop, order)),
        asks_postcode="postcode" in asks,
        asks_town="town" in asks,
    )


@router.post("/api/orders", status_code=201)
def place_order(
    running: RunningDep,
    new: OrderNew,
    response: Response,
    returning: Returning = "",
    idempotency_key: Annotated[str, Header(max_length=255)] = "",
) -> Placed:
    """Place an order with a tender that is offered for it; asked again under the same key, it is placed once."""
    composed = (drafted if new.by == "draft" else published)(running.store, new.storefront)
    order = order_in_hand(composed.shop, sentence(new.order, running))
    buyer = ""
    if new.by == "newest-edition":
        buyer = returning or secrets.token_urlsafe(16)
        response.set_cookie(BUYER, buyer, httponly=True, samesite="lax", max_age=COMES_AGAIN)
    key = None
    if idempotency_key:
        key = Key(idempotency_key, hashlib.sha256(new.model_dump_json().encode()).hexdigest())
    wish = Wish(new.address, new.delivery_day, known=new.by == "newest-edition")
    return _placed(running.till, running.till.place(composed, order, new.tender, Ordering(buyer, key, wish)))


@router.get("/api/orders/{token}")
def read_order(shops: ShopsDep, token: str) -> Paying:
    """What a buyer sees of an order."""
    running = shops.with_order(token)
    record = running.till.record(token)
    if record.state is State.AT_PROVIDER:
        record = running.till.look(record, record.payment)
    return _paying(running.till, record)


@router.post("/api/orders/{token}/tender")
def choose_another(shops: ShopsDep, token: str, another: Another) -> Placed:
    """Pay an order another way, until it is paid."""
    till = shops.with_order(token).till
    return _placed(till, till.choose_another(token, another.tender))


@router.post("/api/orders/{token}/go-on")
def go_on(shops: ShopsDep, token: str) -> Placed:
    """Go on with a payment that was begun and not finished."""
    till = shops.with_order(token).till
    return _placed(till, till.go_on(token))


@router.post("/api/orders/{token}/receipt", status_code=201)
def send_receipt(shops: ShopsDep, token: str, file: Annotated[UploadFile, File()]) -> Paying:
    """Send the receipt of a transfer, through the buyer's personal link."""
    running = shops.with_order(token)
    record = running.till.record(token)
    if record.state is not State.RECEIPT_SENT and Move.RECEIPT_SENT not in MOVES[record.state]:
        refuse_settled(record)
    paper = running.merchant_file.add_receipt(token, file.filename or "", file.file.read(LARGEST + 1))
    return _paying(running.till, running.order_acts.receipt_sent(token, paper.id))


@router.get(RETURN, include_in_schema=False)
def come_back(shops: ShopsDep, payment: str = "") -> RedirectResponse:
    """Where the provider sends the buyer back to; what became of the payment is asked there."""
    for running in (shops.own, shops.demo):
        if running.store.orders.with_reference(payment):
            record = running.till.came_back(payment)
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
        state_name=state_text(record.state),
        tender_name=payment.chosen.name,
        amount=str(payment.total),
        line_name=record.line_name,
        headline=page.headline,
        text=page.text,
        until=payment.until,
        page=payment.page if record.state is State.AT_PROVIDER else "",
        embedded=payment.embedded,
        can_send_receipt=own and (record.state is State.RECEIPT_SENT or Move.RECEIPT_SENT in MOVES[record.state]),
        receipts=len(record.receipts),
        paid=bool(payment.books.taken),
        delivered=record.delivered,
        goods=str(record.goods),
        fee=str(payment.chosen.fee) if payment.chosen.fee else None,
        fee_label=fee_name(payment.chosen.fee),
        rounding=str(payment.chosen.rounding) if payment.chosen.rounding else None,
        offered=offered_out(till.offered_again(record), record.amount, till.composed(record))
        if can_choose
        else [],
    )
