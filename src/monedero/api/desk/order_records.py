"""Order records for their owner: the story, the money, what is due, and what can be done."""

from typing import Annotated

from fastapi import APIRouter, Query, Response
from pydantic import BaseModel, Field

from monedero.api.desk.business import as_attachment, paper_out
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.desk.order_can import can_now
from monedero.api.desk.order_schemas import (
    AmountNow,
    Because,
    BooksOut,
    DueOut,
    HappenedOut,
    Now,
    OrderOut,
    PaymentOut,
    RecordLine,
    RecordsOut,
    SentNow,
    StateName,
)
from monedero.api.problems import PROBLEMS
from monedero.core.due import due
from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.core.money import Money
from monedero.core.payment.books import PARTS_OF_BOOKS
from monedero.core.payment.payment import Payment
from monedero.core.payment.state import State
from monedero.core.record import OrderRecord
from monedero.server.shops import RunningShop
from monedero.store.orders import VersionedOrder, Wanted
from monedero.wording.asked_fields import answer_label
from monedero.wording.catalogue import say
from monedero.wording.order_facts import order_text
from monedero.wording.order_story import (
    by_text,
    due_text,
    happened_text,
    meaning_text,
    nothing_due_text,
    order_called,
    standing_text,
    state_text,
)
from monedero.wording.show import money
from monedero.wording.tender_name import tender_name
from monedero.work.orders.buyer_papers import invoice_of

router = APIRouter(prefix="/api/records", tags=["orders"], responses=PROBLEMS)


class RecordsQuery(BaseModel):
    """Holds which records are wanted, and from which number on; `text` is looked for in number, line and way to pay."""

    state: State | None = None
    text: Annotated[str, Field(max_length=60)] = ""
    before: Annotated[int, Field(ge=1, le=10**12)] | None = None
    at_most: Annotated[int, Field(ge=1, le=100)] = 25


@router.get("")
def read_records(running: RunningDep, context: ContextDep, asked: Annotated[RecordsQuery, Query()]) -> RecordsOut:
    """Order records, the newest first, some at a time."""
    wanted = Wanted(context.mode, asked.state.value if asked.state else "", asked.text.strip())
    page = running.store.orders.page(wanted, asked.at_most, asked.before)
    return RecordsOut(
        mode=context.mode,
        records=[
            RecordLine(
                token=record.token,
                number=record.number,
                placed_at=record.placed_at,
                line_name=order_called(record),
                amount=str(record.whole),
                tender_name=tender_name(record.payment.chosen),
                state=record.state,
                state_name=standing_text(record),
            )
            for _, record in page.records
        ],
        matching=page.matching,
        total=page.total,
        older=page.older,
        states=[StateName(state=state, name=state_text(state)) for state in State],
    )


@router.get("/{token}")
def read_record(running: RunningDep, token: str) -> OrderOut:
    """One order record, whole."""
    return _answer(running, running.intake.record(token))


@router.post("/{token}/take")
def take(running: RunningDep, token: str, now: AmountNow) -> OrderOut:
    """Take a part of what was authorised, or all of it."""
    return _answer(running, running.order_acts.take(token, now.amount, now.version))


@router.post("/{token}/release")
def release(running: RunningDep, token: str, now: Now) -> OrderOut:
    """Give back what was authorised and not taken."""
    return _answer(running, running.order_acts.release(token, now.version))


@router.post("/{token}/refund")
def refund(running: RunningDep, token: str, now: AmountNow) -> OrderOut:
    """Send money back by the means by which it came."""
    return _answer(running, running.order_acts.refund(token, now.amount, now.version))


@router.post("/{token}/refund-double")
def refund_double(running: RunningDep, token: str, now: AmountNow) -> OrderOut:
    """Send back what was paid a second time, by another payment than the one that counts."""
    twice = running.intake.record(token).paid_twice
    if not twice:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "payment", token, {"what": "second payment"}))
    return _answer(running, running.order_acts.refund(token, now.amount, now.version, twice[0].number))


@router.post("/{token}/credit")
def credit(running: RunningDep, token: str, now: AmountNow) -> OrderOut:
    """Give shop credit instead of money."""
    return _answer(running, running.order_acts.credit(token, now.amount, now.version))


@router.post("/{token}/send")
def send(running: RunningDep, token: str, now: SentNow) -> OrderOut:
    """Note that goods went out; what is taken on dispatch is taken."""
    return _answer(running, running.order_acts.send(token, now.amount, now.note, now.version))


@router.post("/{token}/weigh")
def weigh(running: RunningDep, token: str, now: SentNow) -> OrderOut:
    """Goods went out that came to an amount, without their delivery: it is taken, and the rest released."""
    return _answer(running, running.paid_later.weigh(token, now.amount, now.note, now.version))


@router.post("/{token}/rest-paid")
def rest_paid(running: RunningDep, token: str, now: Now) -> OrderOut:
    """The rest of a booking was paid on the day."""
    return _answer(running, running.paid_later.rest_paid(token, now.version))


@router.post("/{token}/rest-let-go")
def rest_let_go(running: RunningDep, token: str, now: Now) -> OrderOut:
    """The rest of a booking is not asked for any more."""
    return _answer(running, running.paid_later.rest_let_go(token, now.version))


@router.post("/{token}/paid")
def mark_paid(running: RunningDep, token: str, now: Now) -> OrderOut:
    """The money of an own arrangement was seen."""
    return _answer(running, running.order_acts.mark_paid(token, now.version))


@router.post("/{token}/receipt-refused")
def refuse_receipt(running: RunningDep, token: str, because: Because) -> OrderOut:
    """A transfer receipt does not show the payment."""
    return _answer(running, running.order_acts.refuse_receipt(token, because.reason, because.version))


@router.post("/{token}/look")
def look(running: RunningDep, token: str) -> OrderOut:
    """Ask the gateways what has happened to an order's payments."""
    return _answer(running, running.order_acts.look(token))


@router.get("/{token}/receipts/{id}")
def read_receipt(running: RunningDep, token: str, id: str) -> Response:
    """A transfer receipt, to be saved."""
    paper, content = running.merchant_file.open(id)
    if paper.order != token:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "receipt", id, {"what": "receipt"}))
    return as_attachment(paper, content)


def _answer(running: RunningShop, record: OrderRecord) -> OrderOut:
    stored = running.store.orders.stored_order(record.token)
    assert stored is not None  # it was just changed
    return _order(running, stored, running.intake.provider_names())


def _order(running: RunningShop, stored: VersionedOrder, names: dict[str, str]) -> OrderOut:
    record = stored.record
    payment = record.payment
    nothing = [DueOut(who="", text=nothing_due_text())]
    return OrderOut(
        version=stored.version,
        token=record.token,
        number=record.number,
        mode=record.mode,
        edition=running.store.editions.number_of(record.edition),
        draft_version=record.draft_version,
        placed_at=record.placed_at,
        line_name=order_called(record),
        items=record.items,
        ordered=_ordered(record),
        delivered=record.delivered,
        kind=record.kind,
        amount=str(record.whole),
        state=record.state,
        state_name=standing_text(record),
        tender_name=tender_name(payment.chosen),
        provider_name=names.get(payment.chosen.provider or "", ""),
        meaning=meaning_text(record),
        due=[DueOut(who=entry.who.value, text=due_text(entry)) for entry in due(record)] or nothing,
        happened=[
            HappenedOut(
                at=entry.at,
                what=entry.what.value,
                by=by_text(entry.by),
                text=happened_text(record, entry),
                state=state_text(entry.state),
                kept=str(entry.kept),
            )
            for entry in record.happened
        ],
        payments=[_payment(entry, names) for entry in record.payments],
        rest=_payment(record.rest, names) if record.rest else None,
        messages=running.store.orders.messages(record.token),
        answers=[answer.model_copy(update={"label": answer_label(answer)}) for answer in payment.answers],
        invoice=f"/api/orders/{record.token}/invoice.pdf" if invoice_of(record) else None,
        vouchers=record.vouchers,
        by_voucher=str(record.by_voucher),
        voucher_sold=_sold(running, record),
        receipts=[paper_out(paper) for paper in running.store.papers.of_order(record.token)],
        can=can_now(record),
    )


def _ordered(record: OrderRecord) -> str:
    """Tells what was ordered, in words; of weighed goods with the most that they may come to, or what that was."""
    text = order_text(record.order.on(record.whole, record.order.placed_on), order_called(record))
    if not record.weighed:
        return text
    most = money(str(record.order.amount))
    return (
        say("ordered-came-to", ordered=text, most=most) if record.came_to else say("ordered-at-most", ordered=text)
    )


def _sold(running: RunningShop, record: OrderRecord) -> str:
    """Tells what an order sold that is no revenue yet: a voucher, with what of it was used; nothing where it sold
    none.
    """
    voucher = running.store.vouchers.sold_by(record.token)
    if voucher is None:
        return ""

    def shown(minor: int) -> str:
        return money(str(Money(minor, voucher.currency)))

    fields = {"ends": voucher.ends_in, "used": shown(voucher.used), "owed": shown(voucher.balance)}
    return say("voucher-sold", amount=shown(voucher.issued), **fields)


def _payment(payment: Payment, names: dict[str, str]) -> PaymentOut:
    books = payment.books
    return PaymentOut(
        number=payment.number,
        tender_name=tender_name(payment.chosen),
        provider_name=names.get(payment.chosen.provider or "", ""),
        reference=payment.reference or "",
        state=payment.state,
        state_name=state_text(payment.state),
        until=payment.until,
        books=BooksOut(
            **{part: str(books.money(getattr(books, part))) for part in PARTS_OF_BOOKS},
            fees=[str(fee) for fee in books.fees],
        ),
        can_give_back=str(books.money(books.can_give_back)),
    )
