"""Buyers and their orders: placed, paid another way, and the page after paying.

A buyer is known by a token in a cookie of the shop, and an order by the token in its address, so that guests have a
personal link to it.
"""

import hashlib
from typing import Annotated, Literal

from fastapi import APIRouter, File, UploadFile
from fastapi.responses import RedirectResponse
from pydantic import BaseModel, Field

from monedero.api.offer import CallerDep
from monedero.api.paying import Paying, paying
from monedero.api.problems import PROBLEMS
from monedero.api.requests import BuyersContextDep, InHand, RunningDep, ShopsDep, buyers_sentence, sentence
from monedero.core.account import Mode
from monedero.core.fields import Day, Description, Identifier, MoneyText
from monedero.core.payment.state import State
from monedero.core.record import OrderRecord
from monedero.formats.paper import LARGEST
from monedero.store.orders import Key
from monedero.wording.buyers import best_of, to_buyer
from monedero.work.checkout.composed import drafted, published
from monedero.work.orders.choosing import Ordering
from monedero.work.orders.progress import refuse_settled
from monedero.work.orders.sending import RETURN
from monedero.work.orders.till import AFTER_PAYING, Till
from monedero.work.orders.told import takes_receipt
from monedero.work.orders.vouchers import MOST_AT_ONCE
from monedero.work.shop.delivered import Wish
from monedero.work.shop.order_in_hand import order_in_hand

router = APIRouter(tags=["orders"], responses=PROBLEMS)
MOST_ANSWERS = 40


Answers = Annotated[dict[str, str], Field(max_length=MOST_ANSWERS)]


class OrderNew(BaseModel):
    """An order to place: the order in hand, the tender, and whether the draft or the newest edition decides.

    Without a storefront it is placed at the shop's first. `address` and `delivery_day`: where and when it shall come.
    `answers` are what the buyer filled in, by field; `language` is the one that the buyer reads,
    `vouchers` the handles of those that pay a part. With nothing left to pay the tender is `voucher`. `total` is what
    the page showed that there is to pay: an order that comes to another one is refused.
    """

    order: InHand
    tender: str
    by: Literal["draft", "newest-edition"]
    storefront: Identifier | None = None
    address: Description = ""
    delivery_day: Day | None = None
    answers: Answers = {}
    language: str = ""
    vouchers: Annotated[list[str], Field(max_length=MOST_AT_ONCE)] = []
    total: MoneyText | None = None


class Another(BaseModel):
    """The tender that the buyer chose instead, with what the buyer filled in."""

    tender: str
    answers: Answers = {}


class Placed(BaseModel):
    """An order that was placed, and the path where the buyer goes next."""

    mode: Mode
    token: str
    number: int
    go_to: str


def _placed(till: Till, record: OrderRecord) -> Placed:
    return Placed(mode=record.mode, token=record.token, number=record.number, go_to=till.go_to(record))


@router.post("/api/orders", status_code=201)
def place_order(
    running: RunningDep,
    context: BuyersContextDep,
    caller: CallerDep,
    new: OrderNew,
) -> Placed:
    """Place an order with a tender that is offered for it; asked again under the same key, it is placed once."""
    key = None
    if caller.idempotency_key:
        key = Key(caller.idempotency_key, hashlib.sha256(new.model_dump_json().encode()).hexdigest())
        # What was placed under the key is there, whatever has changed since.
        if (kept := running.till.kept(key)) is not None:
            return _placed(running.till, kept)
    composed = (drafted if new.by == "draft" else published)(context.at(new.storefront or context.storefront))
    draft = new.by == "draft"
    said = sentence(new.order, running) if draft else buyers_sentence(new.order, running, composed.shop)
    order = order_in_hand(composed.shop, said)
    buyer = ""
    if new.by == "newest-edition":
        buyer = caller.known()
    wish = Wish(new.address, new.delivery_day, known=new.by == "newest-edition")
    language = best_of(new.language, composed.shop.languages)
    with to_buyer(language, composed.shop.country):
        ordering = Ordering(buyer, key, wish, new.answers, language, new.vouchers, new.total)
        return _placed(running.till, running.till.place(composed, order, new.tender, ordering))


@router.get("/api/orders/{token}")
def read_order(shops: ShopsDep, token: str, language: str = "") -> Paying:
    """What a buyer sees of an order, in the language in which it was placed, or in another of the shop's."""
    running = shops.with_order(token)
    record = running.till.record(token)
    if record.state is State.AT_PROVIDER:
        record = running.till.look(record, record.payment)
    return paying(running, record, language)


@router.post("/api/orders/{token}/tender")
def choose_another(shops: ShopsDep, token: str, another: Another) -> Placed:
    """Pay an order another way, until it is paid."""
    till = shops.with_order(token).till
    return _placed(till, till.choose_another(token, another.tender, another.answers))


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
    if not takes_receipt(running.till.of_record.composed(record), record):
        refuse_settled(record)
    paper = running.merchant_file.add_receipt(token, file.filename or "", file.file.read(LARGEST + 1))
    return paying(running, running.order_acts.receipt_sent(token, paper.id))


@router.get(RETURN, include_in_schema=False)
def come_back(shops: ShopsDep, payment: str = "") -> RedirectResponse:
    """Where the provider sends the buyer back to; what became of the payment is asked there."""
    for running in (shops.own, shops.demo):
        if running.store.orders.with_reference(payment):
            record = running.till.came_back(payment)
            return RedirectResponse(f"{AFTER_PAYING}/{record.token}", status_code=303)
    return RedirectResponse(f"{AFTER_PAYING}/unknown", status_code=303)
