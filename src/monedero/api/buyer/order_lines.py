"""Tells what a buyer is about to pay for, or has paid, line by line, as it is shown."""

from collections.abc import Sequence
from typing import Literal, NamedTuple

from pydantic import BaseModel

from monedero.core.cart import OrderedLine
from monedero.core.money import Money
from monedero.core.voucher.part import VoucherPart
from monedero.wording.buyer_formats import money
from monedero.wording.buyers import called, tell


class OrderLineOut(BaseModel):
    """A line with its amount; `part` is what comes with the line, `total` what there is to pay in all."""

    label: str
    amount: str
    look: Literal["line", "part", "total"]


class Item(NamedTuple):
    """The things that are paid for: their name, all there is to pay without a fee, and what of it the delivery is.

    `vouchers` pay a part of it, and `later` is paid on the day, or was `let_go`; a way to pay meets what is `left`.
    `at_most`: what the goods come to is known only when they go out; of a cart `items` are its lines. Of one that was
    `paid`, `back` is what of the money went back to its buyer.
    """

    name: str
    amount: Money
    way: str = ""
    delivery: Money | None = None
    recurring: bool = False
    paid: bool = False
    vouchers: Sequence[VoucherPart] = ()
    later: Money | None = None
    let_go: bool = False
    at_most: bool = False
    items: Sequence[OrderedLine] = ()
    back: Money | None = None

    @property
    def by_vouchers(self) -> list[int]:
        """The part of it that each voucher pays, in minor units; what was paid stays so when it is refunded."""
        return [part.paid if self.paid else part.held for part in self.vouchers]

    @property
    def goods(self) -> Money:
        """The part of it that is not for the delivery."""
        return Money(self.amount.minor - (self.delivery.minor if self.delivery else 0), self.amount.currency)

    @property
    def left(self) -> Money:
        """The part that vouchers leave to pay, without what is paid on the day."""
        later = self.later.minor if self.later else 0
        return Money(self.amount.minor - later - sum(self.by_vouchers), self.amount.currency)

    @property
    def total_name(self) -> str:
        """Tells what all there is to pay is called."""
        if self.paid:
            return "paid-line"
        if self.later:
            return "to-pay-now"
        return "to-pay-at-most" if self.at_most else "to-pay-monthly" if self.recurring else "to-pay"


class OnTop(NamedTuple):
    """Holds what a way to pay costs its buyer: a fee with its name, and what coins add to it."""

    label: str = ""
    fee: Money | None = None
    up_to: bool = False
    rounding: Money | None = None


NOTHING = OnTop()


def _bought(item: Item) -> list[OrderLineOut]:
    """Tells what is bought: the line, or each line of a cart."""
    named = [(_counted(line), line.amount, line.weighed) for line in item.items]
    return [
        OrderLineOut(
            label=label,
            amount=tell("at-most", amount=money(amount)) if weighed and item.at_most else money(amount),
            look="line",
        )
        for label, amount, weighed in named or [(item.name, item.goods, True)]
    ]


def _came_to_less(item: Item) -> list[OrderLineOut]:
    """Tells what a weighed cart came to less than the most that its lines could."""
    less = item.goods.minor - sum(line.amount.minor for line in item.items)
    if not item.items or less >= 0:
        return []
    return [OrderLineOut(label=tell("weighed-less"), amount=money(Money(less, item.amount.currency)), look="part")]


def _counted(line: OrderedLine) -> str:
    name = called(line.name, line.names)
    return tell("times", count=line.times, line=name) if line.times > 1 else name


def order_lines(item: Item, on_top: OnTop = NOTHING) -> list[OrderLineOut]:
    """The lines of an order with what a way to pay costs on top."""
    amount, delivery = item.amount, item.delivery
    lines = [*_bought(item), *_came_to_less(item)]
    if delivery is not None:
        lines.append(OrderLineOut(label=item.way, amount=money(delivery), look="part"))
    if on_top.fee:
        label = tell("fee-up-to", label=on_top.label) if on_top.up_to else on_top.label
        lines.append(OrderLineOut(label=label, amount=money(on_top.fee), look="part"))
    if on_top.rounding:
        lines.append(OrderLineOut(label=tell("rounded"), amount=money(on_top.rounding), look="part"))
    for part, minor in zip(item.vouchers, item.by_vouchers, strict=True):
        if minor:
            lines.append(_part(tell("voucher-name", ends=part.ends_in), Money(-minor, amount.currency)))
    if item.later:
        label = tell("rest-not-asked" if item.let_go else "rest-line")
        lines.append(
            OrderLineOut(label=label, amount=money(Money(-item.later.minor, amount.currency)), look="part")
        )
    more = sum(part.minor for part in (on_top.fee, on_top.rounding) if part)
    total = Money(item.left.minor + more, amount.currency)
    return [*lines, OrderLineOut(label=tell(item.total_name), amount=money(total), look="total"), *_back(item)]


def _part(label: str, amount: Money) -> OrderLineOut:
    return OrderLineOut(label=label, amount=money(amount), look="part")


def _back(item: Item) -> list[OrderLineOut]:
    """Tells what of an order that was paid went back to its buyer, in money and to each voucher."""
    if not item.paid:
        return []
    lines = [_part(tell("back-line"), Money(-item.back.minor, item.amount.currency))] if item.back else []
    for part in item.vouchers:
        if part.back and not part.waiting:
            label = tell("back-to-voucher-line", ends=part.ends_in)
            lines.append(_part(label, Money(-part.back, item.amount.currency)))
    return lines
