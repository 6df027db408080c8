"""The story of an order: payments begun and moved on in its record, each step with its sentence's figures."""

import secrets
from collections.abc import Sequence
from datetime import datetime, timedelta
from typing import NamedTuple

from monedero.core.cash import in_coins
from monedero.core.checkout.decision import Outcome
from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput
from monedero.core.money import Money
from monedero.core.payment.notice import Fate, Notice
from monedero.core.payment.payment import BY_VOUCHER, ON_THE_DAY, Chosen, Gives, Payment, Take, made, told
from monedero.core.payment.state import Move, State
from monedero.core.record import REST, By, Happened, Happening, OrderRecord
from monedero.core.request import Asking, Request
from monedero.core.voucher.part import VoucherPart
from monedero.core.words.asked import Answer

ASKED = {
    Asking.TAKE: Happened.TAKE_ASKED,
    Asking.RELEASE: Happened.RELEASE_ASKED,
    Asking.REFUND: Happened.REFUND_ASKED,
    Asking.CANCEL: Happened.CANCEL_ASKED,
}
CAME_BY = {
    Move.DECLINED: By.PROVIDER,
    Move.OVERDUE: By.CLOCK,
    Move.LAPSED: By.CLOCK,
    Move.RECEIPT_SENT: By.BUYER,
    Move.RECEIPT_REFUSED: By.SHOP,
    Move.CREDITED: By.SHOP,
}


def chosen_of(buying: "Buying", fee: Money | None = None, rounding: Money | None = None) -> Chosen:
    """A tender as the buyer chose it in a language, with what it costs the buyer on top, and what coins add to that.

    What weighed goods come to is taken when they go out.
    """
    tender = buying.offered.tender
    route = tender.route
    read = tender.name_in(buying.language)
    return Chosen(
        tender=tender.id,
        name=tender.name,
        buyers_name=read if read != tender.name else None,
        method=tender.method,
        provider=route.provider if route else None,
        plan=route.plan if route else None,
        account=tender.carried_by,
        take=Take.ON_DISPATCH if buying.weighed else tender.take,
        gives=tender.gives,
        fee=fee,
        rounding=rounding,
        fee_names=dict(tender.fee.label) if tender.fee and tender.fee.label else {},
    )


def rounding_of(amount: Money) -> Money | None:
    """Tells what paying an amount in coins adds to it, or takes off it; None where it can be paid as it is."""
    more = in_coins(amount).minor - amount.minor
    return Money(more, amount.currency) if more else None


def step(payment: Payment, what: Happened | Move, by: By, at: datetime, amount: Money | None = None) -> Happening:
    """A step of the story, with the state and the money after it."""
    return Happening(
        at=at,
        what=what,
        by=by,
        payment=payment.number,
        tender=payment.chosen.name,
        state=payment.state,
        kept=payment.books.money(payment.books.kept),
        amount=amount,
        reason=payment.reason if isinstance(what, Move) else "",
        until=payment.until if isinstance(what, Move) or what is Happened.ARRANGED else None,
    )


class Buying(NamedTuple):
    """A tender that is offered, the amount of the order, whether it is paid in cash, what its buyer filled in, in which
    language the buyer read, and whether the amount is known only when the goods go out."""

    offered: Outcome
    amount: Money
    in_cash: bool
    answers: Sequence[Answer] = ()
    language: str = ""
    weighed: bool = False


def begin(number: int, buying: Buying, at: datetime) -> tuple[Payment, list[Happening], list[Request]]:
    """A payment of an order's amount as it begins; one through a provider is asked for under its own key.

    What the tender costs its buyer comes on top, and cash is rounded to coins; refused where the fee is unknown, or
    nothing is left to pay.
    """
    offered, amount = buying.offered, buying.amount
    tender, fee = offered.tender, offered.charged.amount if offered.charged else None
    if offered.charged is not None and fee is None:
        raise Conflict(Fault(FaultCode.FEE_UNKNOWN, "tender", tender.name))
    if fee is not None:
        amount = Money(amount.minor + fee.minor, amount.currency)
    rounding = rounding_of(amount) if buying.in_cash else None
    if rounding is not None:
        amount = Money(amount.minor + rounding.minor, amount.currency)
    if amount.minor <= 0:
        raise InvalidInput(Fault(FaultCode.AMOUNT_ZERO, "amount", str(amount)))
    days = timedelta(days=1)
    due = at + tender.due_days * days if tender.due_days is not None else None
    payment = Payment.begin(number, chosen_of(buying, fee, rounding), amount, at, due).model_copy(
        update={
            "gives_up_at": at + tender.lapse_days * days if tender.lapse_days is not None else None,
            "answers": list(buying.answers),
        }
    )
    if payment.chosen.provider is None:
        return payment, [step(payment, Happened.ARRANGED, By.BUYER, at)], []
    asked = Request(key=secrets.token_urlsafe(16), what=Asking.BEGIN, payment=number, amount=amount, at=at)
    return payment, [step(payment, Happened.SENT_TO_PROVIDER, By.BUYER, at)], [asked]


def covered(number: int, at: datetime, nothing: Money) -> Payment:
    """The payment of an order for which vouchers pay all: nothing is left, and it is paid."""
    chosen = Chosen(tender=BY_VOUCHER, method="gift-voucher", provider=None, name=BY_VOUCHER)
    return Payment.begin(number, chosen, nothing, at).model_copy(update={"state": State.PAID})


def on_the_day(number: int, at: datetime, amount: Money) -> Payment:
    """The payment of what of a booking is paid on the day: the seat is kept before."""
    chosen = Chosen(
        tender=ON_THE_DAY, method="cash-on-the-day", provider=None, gives=Gives.AT_ORDER, name=ON_THE_DAY
    )
    return Payment.begin(number, chosen, amount, at)


def voucher_steps(
    payment: Payment, parts: Sequence[VoucherPart], shares: Sequence[int], what: Happened, at: datetime
) -> list[Happening]:
    """Tells what vouchers paid, or what went back to them, as steps of the story."""
    by = By.BUYER if what is Happened.VOUCHER_USED else By.SHOP
    return [
        step(payment, what, by, at, Money(minor, part.amount.currency)).model_copy(update={"reason": part.ends_in})
        for part, minor in zip(parts, shares, strict=True)
        if minor
    ]


def hear(record: OrderRecord, number: int, notice: Notice) -> tuple[OrderRecord, Fate, Fault | None]:
    """The record after a notice about one of its payments, what became of it, and why it was not counted."""
    payment = record.numbered(number)
    after, fate, counted = told(payment, notice)
    steps = []
    for entry in counted:
        what = Happened.NOTICE_REFUSED if entry.fault else entry.notice.move
        happening = step(entry.after, what, By.PROVIDER, entry.notice.at, entry.notice.amount)
        if entry.fault:
            happening = happening.model_copy(update={"fault": entry.fault})
        steps.append(happening)
    fault = next((entry.fault for entry in counted if entry.notice == notice), None)
    if fate is Fate.REFUSED and fault is None:
        fault = Fault(FaultCode.NOTICE_DIFFERS, "sequence", str(notice.sequence))
    update = {"happened": [*record.happened, *steps]}
    return record.with_payment(after).model_copy(update=update), fate, fault


class How(NamedTuple):
    """Holds what comes with a move: its amount in minor units, the day of the state after it, and the reason."""

    minor: int | None = None
    until: datetime | None = None
    reason: str = ""


NOTHING_MORE = How()


def move(record: OrderRecord, number: int, what: Move, at: datetime, how: How = NOTHING_MORE) -> OrderRecord:
    """The record after a move of the shop, the buyer or the clock."""
    after = made(record.numbered(number), what, how.minor, how.until, how.reason)
    amount = None if how.minor is None else after.books.money(how.minor)
    # The part of a booking that is paid on the day is in the hands of the shop alone.
    by = By.SHOP if number == REST else CAME_BY.get(what, By.SHOP)
    happening = step(after, what, by, at, amount)
    return record.with_payment(after).model_copy(update={"happened": [*record.happened, happening]})


def ask(record: OrderRecord, number: int, what: Asking, amount: Money | None, at: datetime) -> OrderRecord:
    """The record with something to be asked of the provider, written down before it is asked."""
    payment = record.numbered(number)
    request = Request(key=secrets.token_urlsafe(16), what=what, payment=number, amount=amount, at=at)
    happening = step(payment, ASKED[what], By.SHOP, at, amount)
    update = {"requests": [*record.requests, request], "happened": [*record.happened, happening]}
    return record.model_copy(update=update)


def settle(record: OrderRecord, key: str, at: datetime, refused: str | None = None) -> OrderRecord:
    """The record with a request settled, or refused by the provider, with its reason where it gave one."""
    request = next(entry for entry in record.requests if entry.key == key)
    if request.settled:
        return record
    requests = [
        entry.model_copy(update={"settled": True}) if entry.key == key else entry for entry in record.requests
    ]
    happened = record.happened
    if refused is not None:
        payment = record.numbered(request.payment)
        happening = step(payment, Happened.ASKING_REFUSED, By.PROVIDER, at, request.amount)
        happened = [*happened, happening.model_copy(update={"reason": refused})]
    return record.model_copy(update={"requests": requests, "happened": happened})


def asked_for(record: OrderRecord, number: int, what: Asking) -> int:
    """Tells what was asked of the provider for a payment and is not answered yet, in minor units."""
    return sum(
        request.amount.minor
        for request in record.requests
        if request.payment == number and request.what is what and not request.settled and request.amount
    )


def refuse_settled(record: OrderRecord) -> None:
    """Refuse another payment for an order that has its money, or will have it."""
    raise Conflict(
        Fault(
            FaultCode.ORDER_SETTLED, "state", str(record.number), {"state": record.state.value.replace("-", " ")}
        )
    )
