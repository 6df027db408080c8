"""An order as it is placed: by which way it is paid, what vouchers pay of it, and what is paid on the day."""

from collections.abc import Callable
from datetime import datetime
from typing import NamedTuple

from monedero.core.account import Mode
from monedero.core.checkout.decision import Outcome
from monedero.core.errors import Fault, FaultCode, InvalidInput, NotFound
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.payment.payment import ON_THE_DAY, Payment
from monedero.core.payment.state import State
from monedero.core.record import REST, By, Delivered, Happened, Happening, OrderRecord
from monedero.core.request import Request
from monedero.core.voucher.part import VoucherPart, covered
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.context import Context
from monedero.work.orders import order_events
from monedero.work.orders.choosing import Ordering, buying_of
from monedero.work.orders.papers import OrderName, with_paper
from monedero.work.shop.chosen_amount import refuse_outside
from monedero.work.shop.delivered import delivered
from monedero.work.shop.order_in_hand import OrderInHand


class NewOrder(NamedTuple):
    """An order that is about to be placed: of what, with which tender, by whom, at which moment."""

    snapshot: CheckoutSnapshot
    hand: OrderInHand
    tender: str
    by: Ordering
    at: datetime
    token: str

    @property
    def order(self) -> Order:
        """The order that is paid for through the checkout; where all of it is paid on the day, what is paid then."""
        order, rest = self.hand.order, self.hand.rest
        return order.on(rest, order.placed_on) if rest is not None and self.on_the_day else order

    @property
    def on_the_day(self) -> bool:
        """True if all of it is paid on the day."""
        return self.hand.rest is not None and self.hand.order.nothing_to_pay

    @property
    def mode(self) -> Mode:
        """The mode of its checkout."""
        return self.snapshot.checkout.mode

    @property
    def language(self) -> str:
        """The language that its buyer reads."""
        return self.by.language or self.snapshot.shop.languages[0]


class Begun(NamedTuple):
    """How the payment of a new order begins: the steps of its story, and what is asked of a gateway.

    `parts` are what vouchers pay of it, `delivery` how it goes to its buyer.
    """

    payment: Payment
    steps: list[Happening]
    requests: list[Request]
    parts: list[VoucherPart]
    delivery: Delivered | None


def delivery_of(new: NewOrder) -> Delivered | None:
    """How a new order goes to its buyer; an order that nobody can place is refused."""
    shop, hand, whole = new.snapshot.shop, new.hand, new.hand.whole
    if not whole.minor:
        raise InvalidInput(Fault(FaultCode.AMOUNT_ZERO, "amount", str(whole)))
    delivery = delivered(shop, hand, new.by.wish)
    fee = delivery.fee.minor if delivery else 0
    refuse_outside(shop, hand, Money(whole.minor - fee, whole.currency))
    return delivery


def begin(new: NewOrder, parts: list[VoucherPart], offered: Callable[[Order], Outcome]) -> Begun:
    """How an order begins that may be placed: the payment of what vouchers leave of it.

    Nothing is asked for where nothing is left to pay now. `offered` finds the tender among those that are offered to an
    order, and refuses one that is not.
    """
    delivery = delivery_of(new)
    if new.on_the_day:
        if new.tender != ON_THE_DAY:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "tender", new.tender, {"what": "way to pay"}))
        payment = order_events.on_the_day(1, new.at, new.order.amount)
        arranged = order_events.step(payment, Happened.ARRANGED, By.BUYER, new.at)
        return Begun(payment, [arranged], [], parts, delivery)
    order = new.hand.order
    left = Money(order.amount.minor - covered(parts), order.amount.currency)
    if parts and not left.minor:
        return Begun(order_events.covered(1, new.at, left), [], [], parts, delivery)
    chosen = offered(order.on(left, order.placed_on))
    buying = buying_of(new.snapshot, chosen, left, new.by.answers, new.language)
    begun = order_events.begin(1, buying._replace(weighed=new.hand.line.highest is not None), new.at)
    return Begun(*begun, parts, delivery)


def record_of(context: Context, new: NewOrder, begun: Begun, number: int) -> OrderRecord:
    """The record of an order as it is placed, under its number, in the transaction in which it is written."""
    payment, hand, checkout = begun.payment, new.hand, new.snapshot.checkout
    opened = payment.model_copy(update={"state": State.OPEN})
    parts = begun.parts
    amounts = [part.amount.minor for part in parts]
    rest = None
    if hand.rest is not None and not new.on_the_day:
        rest = order_events.on_the_day(REST, new.at, hand.rest)
    return OrderRecord(
        token=new.token,
        number=number,
        mode=new.mode,
        storefront=checkout.storefront,
        edition=new.snapshot.edition,
        draft_version=new.snapshot.draft_version,
        placed_at=new.at,
        order=new.order,
        line_name=hand.line.name,
        line_names=hand.line.names,
        items=list(hand.items),
        payments=[with_paper(context, new.snapshot, payment, OrderName(new.token, number))],
        happened=[
            order_events.step(opened, Happened.PLACED, By.BUYER, new.at),
            *order_events.voucher_steps(payment, parts, amounts, Happened.VOUCHER_USED, new.at),
            *begun.steps,
        ],
        requests=begun.requests,
        buyer=new.by.buyer,
        delivered=begun.delivery,
        language=new.language,
        vouchers=parts,
        sells_voucher=hand.line.sells_voucher,
        rest=rest,
        weighed=hand.line.highest is not None,
    )
