"""Buyers and their orders: placed, paid another way, and the page after paying.

A buyer is known by a token in a cookie of the shop, and an order by the token in its address, so that guests have a
personal link to it.
"""

import hashlib
from typing import Annotated

from fastapi import File, UploadFile
from pydantic import BaseModel, Field

from monedero.api.buyer.door import Caller, CallerDep, ContextDep, OfOrderDep, RunningDep, buyers_router, reads_in
from monedero.api.buyer.paying import Paying, paying
from monedero.api.requests import InHand, buyers_sentence
from monedero.core.account import Mode
from monedero.core.fields import Day, Description, MoneyText
from monedero.core.payment.state import State
from monedero.core.record import OrderRecord
from monedero.formats.paper import LARGEST
from monedero.store.orders import Key
from monedero.wording.buyers import best_of, to_buyer
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, published
from monedero.work.checkout.pausing import refuse_paused
from monedero.work.orders.buyer_papers import takes_receipt
from monedero.work.orders.choosing import Ordering
from monedero.work.orders.order_events import refuse_settled
from monedero.work.orders.place_order import OrderIntake
from monedero.work.orders.vouchers import MOST_AT_ONCE
from monedero.work.shop.delivered import Wish
from monedero.work.shop.order_in_hand import OrderSentence, order_in_hand

router = buyers_router()
MOST_ANSWERS = 40


Answers = Annotated[dict[str, str], Field(max_length=MOST_ANSWERS)]


class OrderNew(BaseModel):
    """An order to place: the order in hand, and the tender with which it is paid.

    `address` and `delivery_day`: where and when it shall come. `answers` are what the buyer filled in, by field;
    `language` is the one that the buyer reads, `vouchers` the handles of those that pay a part. With nothing left to
    pay the tender is `voucher`. `total` is what the page showed that there is to pay: an order that comes to another
    one is refused.
    """

    order: InHand
    tender: str
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


def _placed(intake: OrderIntake, record: OrderRecord) -> Placed:
    return Placed(mode=record.mode, token=record.token, number=record.number, go_to=intake.go_to(record))


def once(intake: OrderIntake, new: OrderNew, caller: Caller, mode: Mode) -> tuple[Key | None, Placed | None]:
    """The key under which an order is asked for, and what was placed under it before, whatever has changed since."""
    if not caller.idempotency_key:
        return None, None
    key = Key(mode, caller.idempotency_key, hashlib.sha256(new.model_dump_json().encode()).hexdigest())
    kept = intake.kept(key)
    return key, None if kept is None else _placed(intake, kept)


def place(
    intake: OrderIntake, snapshot: CheckoutSnapshot, new: OrderNew, said: OrderSentence, by: Ordering
) -> Placed:
    """Place an order of a checkout as its sentence says it; `by` knows who orders, and under which key."""
    order = order_in_hand(snapshot.shop, said)
    language = best_of(new.language, snapshot.shop.languages)
    with to_buyer(language, snapshot.shop.country):
        wish = Wish(new.address, new.delivery_day, known=bool(by.buyer))
        by = by._replace(wish=wish, answers=new.answers, language=language, vouchers=new.vouchers, total=new.total)
        return _placed(intake, intake.place(snapshot, order, new.tender, by))


@router.post("/api/shops/{shop}/orders", status_code=201)
def place_order(running: RunningDep, context: ContextDep, caller: CallerDep, new: OrderNew) -> Placed:
    """Place an order with a tender that is offered for it; asked again under the same key, it is placed once."""
    reads_in(caller.request, new.language)
    key, kept = once(running.intake, new, caller, context.mode)
    if kept is not None:
        return kept
    snapshot = published(context)
    refuse_paused(context)
    said = buyers_sentence(new.order, running, snapshot.shop)
    return place(running.intake, snapshot, new, said, Ordering(caller.known(), key))


@router.get("/api/orders/{token}")
def read_order(running: OfOrderDep, token: str, language: str = "") -> Paying:
    """Tells what a buyer sees of an order, in the language in which it was placed, or in another of the shop's."""
    record = running.intake.record(token)
    if record.state is State.AT_PROVIDER:
        record = running.intake.look(record, record.payment)
    return paying(running, record, language)


@router.post("/api/orders/{token}/tender")
def choose_another(running: OfOrderDep, token: str, another: Another) -> Placed:
    """Pay an order another way, until it is paid."""
    intake = running.intake
    return _placed(intake, intake.choose_another(token, another.tender, another.answers))


@router.post("/api/orders/{token}/go-on")
def go_on(running: OfOrderDep, token: str) -> Placed:
    """Go on with a payment that was begun and not finished."""
    intake = running.intake
    return _placed(intake, intake.go_on(token))


@router.post("/api/orders/{token}/receipt", status_code=201)
def send_receipt(running: OfOrderDep, token: str, file: Annotated[UploadFile, File()]) -> Paying:
    """Send the receipt of a transfer, through the buyer's personal link."""
    record = running.intake.record(token)
    if not takes_receipt(running.intake.of_record.snapshot(record), record):
        refuse_settled(record)
    paper = running.merchant_file.add_receipt(token, file.filename or "", file.file.read(LARGEST + 1))
    return paying(running, running.order_acts.receipt_sent(token, paper.id))
