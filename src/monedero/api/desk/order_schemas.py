"""Tells what is said about the record of an order over HTTP."""

from datetime import datetime

from pydantic import BaseModel, StrictInt

from monedero.api.desk.business import PaperOut
from monedero.core.account import Mode
from monedero.core.cart import OrderedLine
from monedero.core.fields import Description, MoneyPositive
from monedero.core.order.kinds import LineKind
from monedero.core.payment.state import State
from monedero.core.record import Delivered, Message
from monedero.core.voucher.part import VoucherPart
from monedero.core.words.asked import Answer


class HappenedOut(BaseModel):
    """One thing that happened, in a sentence, with the state and the money after it."""

    at: datetime
    what: str
    by: str
    text: str
    state: str
    kept: str


class BooksOut(BaseModel):
    """The books of a payment, as money."""

    ordered: str
    authorised: str
    taken: str
    open: str
    released: str
    refunded: str
    credited: str
    disputed: str
    lost: str
    returned: str
    kept: str
    fees: list[str]


class PaymentOut(BaseModel):
    """One try to pay the order."""

    number: int
    tender_name: str
    provider_name: str
    reference: str
    state: State
    state_name: str
    until: datetime | None
    books: BooksOut
    can_give_back: str


class DueOut(BaseModel):
    """Something that is due, from whom."""

    who: str
    text: str


class Can(BaseModel):
    """Holds what the owner can do with an order now, each with the amount that it is about, or nothing."""

    take: str | None
    release: bool
    refund: str | None
    credit: str | None
    send: str | None
    weigh: str | None
    rest_paid: str | None
    rest_let_go: bool
    mark_paid: bool
    refuse_receipt: bool
    refund_double: str | None


class OrderOut(BaseModel):
    """The record of an order for its owner. `version` is what an edit is made over, `invoice` where
    its invoice lies, `by_voucher` what vouchers pay of it, `voucher_sold` what is owed
    for one that it sold, `rest` the payment of what of a booking is paid on the day."""

    version: int
    token: str
    number: int
    mode: Mode
    edition: int | None
    draft_version: int | None
    placed_at: datetime
    line_name: str
    items: list[OrderedLine]
    ordered: str
    kind: LineKind
    amount: str
    delivered: Delivered | None
    state: State
    state_name: str
    tender_name: str
    provider_name: str
    meaning: str
    due: list[DueOut]
    happened: list[HappenedOut]
    payments: list[PaymentOut]
    rest: PaymentOut | None
    messages: list[Message]
    receipts: list[PaperOut]
    answers: list[Answer]
    invoice: str | None
    vouchers: list[VoucherPart]
    by_voucher: str
    voucher_sold: str
    can: Can


class AmountNow(BaseModel):
    """An amount, over the version of the record that was read."""

    version: StrictInt
    amount: MoneyPositive


class SentNow(AmountNow):
    """Goods that went out, with a note."""

    note: Description = ""


class Now(BaseModel):
    """The version of the record that was read."""

    version: StrictInt


class Because(Now):
    """The version of the record that was read, and a reason that the buyer is told."""

    reason: Description


class RecordLine(BaseModel):
    """An order record as a line of a list."""

    token: str
    number: int
    placed_at: datetime
    line_name: str
    amount: str
    tender_name: str
    state: State
    state_name: str


class StateName(BaseModel):
    """A state that an order can be in, and its name."""

    state: State
    name: str


class RecordsOut(BaseModel):
    """Some order records, how many there are of those that are wanted and of all, and where older ones begin."""

    mode: Mode
    records: list[RecordLine]
    matching: int
    total: int
    older: int | None
    states: list[StateName]
