"""The record of an order: what was ordered, how it was tried to pay, what happened, and what went out.

What the buyer chose is kept as it stood then: the tender's name, its method and its provider do not change when
the checkout does. Every try to pay is a payment of its own with its own books, so that money that comes after the
buyer has chosen another way is seen and can be given back.

Source: own design.

>>> Dispatch(at="2026-11-25T10:00:00Z", amount="20.00 EUR", note="").amount.minor
2000
>>> Dispatch(at="2026-11-25T10:00:00Z", amount="20.0001 EUR", note="")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Dispatch
amount
  amount-decimals [type=amount-decimals, input_value='20.0001 EUR', input_type=str]
"""

from datetime import date, datetime
from enum import StrEnum
from typing import Self

from pydantic import StrictBool

from monedero.core.account import Mode
from monedero.core.cart import OrderedLine
from monedero.core.errors import Fault
from monedero.core.fields import Description, Identifier, MoneyPositive, MoneyText, Name, Strict
from monedero.core.language import Language, OtherNames
from monedero.core.money import Money
from monedero.core.order.kinds import LineKind
from monedero.core.order.model import Order
from monedero.core.payment.payment import Payment
from monedero.core.payment.state import FAILED, HOLDS_MONEY, Move, State
from monedero.core.request import Request
from monedero.core.voucher.part import KEPT_FOR_ANOTHER_TRY, VoucherPart, covered

REST = 0
"""The number of the payment of the rest of a booking; the tries to pay count from 1."""


class By(StrEnum):
    """Names who did it."""

    BUYER = "buyer"
    SHOP = "shop"
    PROVIDER = "provider"
    CLOCK = "clock"


class Happened(StrEnum):
    """Names what can happen to an order besides the moves of its payments."""

    PLACED = "placed"
    SENT_TO_PROVIDER = "sent-to-provider"
    ARRANGED = "arranged"
    DISPATCHED = "dispatched"
    WEIGHED = "weighed"
    TAKE_ASKED = "take-asked"
    RELEASE_ASKED = "release-asked"
    REFUND_ASKED = "refund-asked"
    CANCEL_ASKED = "cancel-asked"
    ASKING_REFUSED = "asking-refused"
    NOTICE_REFUSED = "notice-refused"
    VOUCHER_USED = "voucher-used"
    VOUCHER_RETURNED = "voucher-returned"


class Happening(Strict):
    """One thing that happened, at a moment in UTC, with the state of its payment and what the shop kept after it.

    `reason` is what a person or a provider said of it; `fault` is why it was not counted.
    """

    at: datetime
    what: Happened | Move
    by: By
    payment: int
    tender: str
    state: State
    kept: MoneyText
    amount: MoneyText | None = None
    reason: str = ""
    until: datetime | None = None
    fault: Fault | None = None


class Dispatch(Strict):
    """Goods that went out, with what they are worth."""

    at: datetime
    amount: MoneyText
    note: Description


class Delivered(Strict):
    """How an order goes to its buyer, as it was chosen: by the name of the way, in the first language and in others.

    `fee` is what of the amount is for it; `address` is where to, and `day` when, if the buyer chose one.
    """

    way: Name
    names: OtherNames = {}
    fee: MoneyText
    address: Description = ""
    day: date | None = None


class Message(Strict):
    """A message to the buyer, as it was sent; the simulated mailbox keeps it."""

    order: str
    at: datetime
    to: str
    subject: str
    text: str


STANDS = HOLDS_MONEY | {State.PART_REFUNDED}
"""An order in one of these is paid for, or will be."""


class OrderRecord(Strict):
    """An order and its payments. `edition` is its edition's id; None: of the draft, whose version is given.
    `line_name` is what the line was called then, `line_names` in other languages; of a cart `items` are its lines.
    `storefront` is None for orders of a time when a shop had one checkout.
    `rest` is the payment of what of a booking is paid on the day, besides what is paid when it is made. What goods that
    are `weighed` came to is known when they go out; until then their amount is the most that they may come to.
    `buyer` knows a buyer who comes again, without saying who it is; `language` is the one that the buyer reads (None:
    the first of the shop's). `vouchers` are what vouchers pay of it; an order that `sells_voucher` gives one once it is
    paid.
    """

    token: str
    number: int
    mode: Mode
    edition: int | None
    draft_version: int | None
    storefront: Identifier | None = None
    placed_at: datetime
    order: Order
    line_name: Name
    line_names: OtherNames = {}
    payments: list[Payment]
    happened: list[Happening]
    requests: list[Request] = []
    dispatched: list[Dispatch] = []
    receipts: list[str] = []
    buyer: str = ""
    delivered: Delivered | None = None
    language: Language | None = None
    vouchers: list[VoucherPart] = []
    sells_voucher: StrictBool = False
    items: list[OrderedLine] = []
    rest: Payment | None = None
    weighed: StrictBool = False
    came_to: MoneyPositive | None = None

    @property
    def amount(self) -> Money:
        """The amount of the order, without a fee for the way to pay and without what is paid on the day."""
        return self.came_to or self.order.amount

    @property
    def whole(self) -> Money:
        """The amount of the order with what is paid on the day."""
        rest = self.rest.books.ordered if self.rest else 0
        return Money(self.amount.minor + rest, self.amount.currency)

    @property
    def rest_owed(self) -> Money | None:
        """The amount still to be paid on the day; None where nothing is, or the order is not paid for."""
        return self.rest_payable if self.rest and self.rest.state is State.AWAITING_PAYMENT else None

    @property
    def rest_payable(self) -> Money | None:
        """The amount that may be paid on the day: also what was let go, where the buyer comes after all."""
        if self.rest is None or self.state not in STANDS:
            return None
        return self.rest.total if self.rest.state in (State.AWAITING_PAYMENT, State.LAPSED) else None

    @property
    def left(self) -> Money:
        """The part of the amount that the other tenders meet."""
        return Money(self.amount.minor - covered(self.vouchers), self.amount.currency)

    @property
    def missing(self) -> Money | None:
        """The part of a paid order that nobody paid: its vouchers went back when it was given up, and hold no more."""
        lacks = sum(part.lacks for part in self.vouchers) if self.state in STANDS else 0
        return Money(lacks, self.amount.currency) if lacks else None

    @property
    def by_voucher(self) -> Money:
        """The part of the amount that vouchers pay and did not get back."""
        return Money(covered(self.vouchers), self.amount.currency)

    @property
    def order_left(self) -> Order:
        """The order for what vouchers leave of it."""
        return self.order.on(self.left, self.order.placed_on)

    @property
    def goods(self) -> Money:
        """The part of the amount that is not for the delivery."""
        fee = self.delivered.fee.minor if self.delivered else 0
        return Money(self.whole.minor - fee, self.amount.currency)

    @property
    def kind(self) -> LineKind:
        """The kind of thing that was ordered: goods, where there are any in it, for they are to be sent."""
        return min(self.order.kinds, key=lambda kind: kind is not LineKind.GOODS)

    @property
    def payment(self) -> Payment:
        """The payment that counts: the newest with money in it, else the newest."""
        with_money = [payment for payment in self.payments if payment.state in HOLDS_MONEY or payment.books.taken]
        return (with_money or self.payments)[-1]

    @property
    def state(self) -> State:
        """The state in which the order is."""
        return self.payment.state

    @property
    def asks(self) -> bool:
        """True if an answer of a provider is still to come."""
        return any(not request.settled for request in self.requests)

    @property
    def changes_at(self) -> datetime | None:
        """The moment at which time alone changes it next; None where it does not."""
        payment = self.payment
        moments = {
            State.AWAITING_PAYMENT: (payment.until, payment.gives_up_at),
            State.OVERDUE: (payment.gives_up_at,),
            **dict.fromkeys(FAILED, (self.vouchers_until,)),
        }
        return min((moment for moment in moments.get(payment.state, ()) if moment), default=None)

    @property
    def vouchers_until(self) -> datetime | None:
        """Until when the vouchers of an order whose payment failed are kept for another try; None: it has none."""
        if self.state not in FAILED or not covered(self.vouchers):
            return None
        return self.happened[-1].at + KEPT_FOR_ANOTHER_TRY

    @property
    def all_out(self) -> bool:
        """True if goods for the whole amount went out."""
        return sum(entry.amount.minor for entry in self.dispatched) >= self.amount.minor

    @property
    def paid_twice(self) -> list[Payment]:
        """Payments that hold money besides the one that counts: the buyer paid more than once."""
        return [each for each in self.payments if each.books.can_give_back and each.number != self.payment.number]

    @property
    def weighs(self) -> bool:
        """True if what the goods come to is what is waited for."""
        return self.weighed and self.came_to is None and self.state in (State.AUTHORISED, State.PAID)

    @property
    def to_take(self) -> int:
        """The amount that may be taken of the payment that counts, in minor units; none of goods not weighed yet."""
        payment, books = self.payment, self.payment.books
        if not self.weighed:
            return books.open
        fee = payment.chosen.fee.minor if payment.chosen.fee else 0
        due = self.left.minor + fee - books.taken if self.came_to else 0
        return max(0, min(books.open, due))

    def numbered(self, number: int) -> Payment:
        """A payment by its number."""
        payments = [*self.payments, self.rest] if self.rest else self.payments
        return next(payment for payment in payments if payment.number == number)

    def asked(self, key: str) -> Request:
        """A request by its key."""
        return next(request for request in self.requests if request.key == key)

    def with_request(self, request: Request) -> Self:
        """The record with one of its requests replaced."""
        requests = [request if entry.key == request.key else entry for entry in self.requests]
        return self.model_copy(update={"requests": requests})

    def with_stray(self, payment: Payment) -> Self:
        """The record with one more payment that a gateway began for a payment of it, before the newest one."""
        if any(entry.reference == payment.reference for entry in self.payments):
            return self
        stray = payment.model_copy(update={"number": len(self.payments) + 1})
        return self.model_copy(update={"payments": [*self.payments[:-1], stray, self.payments[-1]]})

    def with_payment(self, payment: Payment) -> Self:
        """The record with one of its payments replaced."""
        if payment.number == REST:
            return self.model_copy(update={"rest": payment})
        payments = [payment if entry.number == payment.number else entry for entry in self.payments]
        return self.model_copy(update={"payments": payments})
