"""An order as its buyer sees it after paying: how it stands, what is needed to pay it, and how else it can be paid."""

from datetime import datetime

from pydantic import BaseModel

from monedero.api.buyer.buyer_words import BuyerWords, LanguageOut, buyer_words, languages_out
from monedero.api.buyer.offered import OfferedOut, OfferWriter
from monedero.api.buyer.order_lines import Item, OnTop, OrderLineOut, order_lines
from monedero.core.account import Mode
from monedero.core.money import Money
from monedero.core.payment.payment import BY_VOUCHER, Payment
from monedero.core.payment.state import CAN_CHOOSE_ANOTHER, State
from monedero.core.record import Delivered, OrderRecord
from monedero.letters.buyer_message import ToldPaper, buyer_message
from monedero.letters.texts import TextReader
from monedero.server.shops import RunningShop
from monedero.wording.after_paying import buyers_name, fee_name, line_called
from monedero.wording.buyer_formats import day, money
from monedero.wording.buyers import called, tag, tell, to_buyer
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.orders.buyer_papers import invoice_of, language_of, takes_receipt


class ToPayWithLine(BaseModel):
    """A label with its value."""

    label: str
    value: str


class ToPayWith(BaseModel):
    """Holds what a buyer needs to pay; `code` and `bars` are where the codes lie that a banking app or a counter
    reads.
    """

    title: str
    lines: list[ToPayWithLine]
    code: str | None
    bars: str | None


class Paying(BaseModel):
    """Holds what a buyer sees of an order after paying, and what it can still be paid with, in the buyer's language.

    `page` is where a payment that is not finished goes on, in a frame where it is `embedded`. `instead` are words of
    the shop in the place of its sentence, `after` its instructions, both parts of a page; `next` is what happens next.
    `invoice` is where the invoice lies, if there is one.
    """

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
    instead: str
    after: str
    next: str
    contact: str
    paper: ToPayWith | None
    invoice: str | None
    invoice_name: str
    until: datetime | None
    page: str
    embedded: bool
    page_name: str
    go_on_name: str
    can_send_receipt: bool
    receipts: int
    receipts_text: str
    paid: bool
    delivered: Delivered | None
    goods: str
    fee: str | None
    fee_label: str
    rounding: str | None
    lines: list[OrderLineOut]
    offered: list[OfferedOut]
    language: str
    languages: list[LanguageOut]
    words: BuyerWords


def paying(running: RunningShop, record: OrderRecord, wished: str = "") -> Paying:
    """An order for its buyer, in the language in which it was placed, or in another of the shop's."""
    intake = running.intake
    snapshot, payment = intake.of_record.snapshot(record), record.payment
    language = wished if wished in snapshot.shop.languages else language_of(snapshot, record)
    with to_buyer(language, snapshot.shop.country):
        return _worded(running, snapshot, record, payment)


def _worded(running: RunningShop, snapshot: CheckoutSnapshot, record: OrderRecord, payment: Payment) -> Paying:
    intake = running.intake
    context = intake.of_record.context(snapshot, tag())
    chosen = payment.chosen
    told = buyer_message(context, snapshot, record, intake.link(record), tag())
    invoice, total = invoice_of(record), payment.total
    name = tell("order-line", line=line_called(record), number=str(record.number))
    delivered = record.delivered
    way = (
        ", ".join([called(delivered.way, delivered.names), *([day(delivered.day)] if delivered.day else [])])
        if delivered
        else ""
    )
    item = Item(
        name,
        record.whole,
        way,
        delivered.fee if delivered else None,
        paid=_paid(record),
        vouchers=intake.as_paid_again(record).vouchers if record.state in CAN_CHOOSE_ANOTHER else record.vouchers,
        back=_back(record),
        later=record.rest.total if record.rest and not record.rest.books.taken else None,
        let_go=record.rest is not None and record.rest.state is State.LAPSED,
        at_most=record.weighed and record.came_to is None,
        items=record.items,
    )
    # Another way to pay is offered for the order without the fee of this one.
    writer = OfferWriter(snapshot, TextReader(context, snapshot), item)
    at = f"/api/orders/{record.token}"
    return Paying(
        token=record.token,
        number=record.number,
        mode=record.mode,
        shop=snapshot.shop.name,
        state=record.state,
        tender_name=buyers_name(record),
        amount=str(total),
        line_name=line_called(record),
        headline=told.page.headline,
        text=told.text,
        instead=told.instead,
        after=told.after,
        next=told.next,
        contact=told.contact,
        paper=_paper_out(told.paper, at) if told.paper else None,
        invoice=f"{at}/invoice.pdf" if invoice else None,
        invoice_name=tell("paper-save-invoice", number=invoice.number) if invoice else "",
        until=payment.until,
        page=payment.page if record.state is State.AT_PROVIDER else "",
        embedded=payment.embedded,
        page_name=tell("pay-by", amount=money(total), tender=buyers_name(record)),
        go_on_name=tell("go-on-with", tender=buyers_name(record)),
        can_send_receipt=takes_receipt(snapshot, record),
        receipts=len(record.receipts),
        receipts_text=tell("receipts-sent", count=len(record.receipts)) if record.receipts else "",
        paid=_paid(record),
        delivered=record.delivered,
        goods=str(record.goods),
        fee=str(chosen.fee) if chosen.fee else None,
        fee_label=fee_name(chosen.fee, chosen.fee_names),
        rounding=str(chosen.rounding) if chosen.rounding else None,
        lines=order_lines(
            item, OnTop(fee_name(chosen.fee, chosen.fee_names), chosen.fee, rounding=chosen.rounding)
        ),
        offered=writer.all(intake.offered_again(record)) if record.state in CAN_CHOOSE_ANOTHER else [],
        language=tag(),
        languages=languages_out(snapshot.shop.languages),
        words=buyer_words(),
    )


def _paid(record: OrderRecord) -> bool:
    """True if money was taken for it, or vouchers paid all of it."""
    return bool(record.payment.books.taken) or record.payment.chosen.tender == BY_VOUCHER


def _back(record: OrderRecord) -> Money | None:
    """Tells what of the money of an order went back to its buyer, shop credit included."""
    parts = [record.payment.books, *([record.rest.books] if record.rest else [])]
    minor = sum(books.refunded + books.credited for books in parts)
    return Money(minor, record.amount.currency) if minor else None


def _paper_out(paper: ToldPaper, at: str) -> ToPayWith:
    return ToPayWith(
        title=paper.title,
        lines=[ToPayWithLine(label=line.label, value=line.value) for line in paper.lines],
        code=f"{at}/transfer.svg" if paper.code else None,
        bars=f"{at}/number.svg" if paper.bars else None,
    )
