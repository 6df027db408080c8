"""What a buyer is about to pay for, or has paid, line by line, as it is shown."""

from collections.abc import Sequence
from typing import Literal, NamedTuple

from pydantic import BaseModel

from monedero.core.money import Money
from monedero.core.voucher.part import VoucherPart, covered
from monedero.wording.buyer_formats import money
from monedero.wording.buyers import tell


class OrderLineOut(BaseModel):
    """A line with its amount; `part` is what comes with the line, `total` what there is to pay in all."""

    label: str
    amount: str
    look: Literal["line", "part", "total"]


class Item(NamedTuple):
    """What is paid for: its name, all there is to pay without a fee, and what of it the delivery is.

    `vouchers` pay a part of it; the rest, `left`, is what a way to pay meets.
    """

    name: str
    amount: Money
    way: str = ""
    delivery: Money | None = None
    recurring: bool = False
    paid: bool = False
    vouchers: Sequence[VoucherPart] = ()

    @property
    def goods(self) -> Money:
        """What of it is not for the delivery."""
        return Money(self.amount.minor - (self.delivery.minor if self.delivery else 0), self.amount.currency)

    @property
    def left(self) -> Money:
        """What vouchers leave to pay."""
        return Money(self.amount.minor - covered(self.vouchers), self.amount.currency)


class OnTop(NamedTuple):
    """What a way to pay costs its buyer: a fee with its name, and what coins add to it."""

    label: str = ""
    fee: Money | None = None
    up_to: bool = False
    rounding: Money | None = None


NOTHING = OnTop()


def order_lines(item: Item, on_top: OnTop = NOTHING) -> list[OrderLineOut]:
    """The lines of an order with what a way to pay costs on top."""
    amount, delivery = item.amount, item.delivery
    lines = [OrderLineOut(label=item.name, amount=money(item.goods), look="line")]
    if delivery is not None:
        lines.append(OrderLineOut(label=item.way, amount=money(delivery), look="part"))
    if on_top.fee:
        label = tell("fee-up-to", label=on_top.label) if on_top.up_to else on_top.label
        lines.append(OrderLineOut(label=label, amount=money(on_top.fee), look="part"))
    if on_top.rounding:
        lines.append(OrderLineOut(label=tell("rounded"), amount=money(on_top.rounding), look="part"))
    for part in item.vouchers:
        if part.held:
            less = Money(-part.held, amount.currency)
            lines.append(
                OrderLineOut(label=tell("voucher-name", ends=part.ends_in), amount=money(less), look="part")
            )
    name = "paid-line" if item.paid else "to-pay-monthly" if item.recurring else "to-pay"
    more = sum(part.minor for part in (on_top.fee, on_top.rounding) if part)
    total = Money(item.left.minor + more, amount.currency)
    return [*lines, OrderLineOut(label=tell(name), amount=money(total), look="total")]
