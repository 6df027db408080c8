"""The amount that a buyer may choose for a line, in the currency of the order."""

from typing import NamedTuple

from monedero.core.errors import Fault, FaultCode, InvalidInput
from monedero.core.fx import NoReferenceRate
from monedero.core.money import Money
from monedero.core.shop import Shop
from monedero.work.shop.lookups import rates_of
from monedero.work.shop.order_in_hand import OrderInHand


class Between(NamedTuple):
    """The least and the most, in the currency of an order, within the limits of the line."""

    least: Money
    most: Money


def chosen_between(shop: Shop, hand: OrderInHand) -> Between | None:
    """Tells what the buyer of an order may choose between; None where the line has its amount, or no rate is known."""
    chosen, currency, day = hand.line.chosen, hand.order.amount.currency, hand.order.placed_on
    if chosen is None:
        return None
    try:
        least, most = (rates_of(shop).convert(limit, currency, day) for limit in (chosen.from_, chosen.to))
    except NoReferenceRate:
        return None
    down = Money.not_below(-most, currency)
    return Between(Money.not_below(least, currency), Money(-down.minor, currency))


def refuse_outside(shop: Shop, hand: OrderInHand, goods: Money) -> None:
    """Refuse an amount of goods that the buyer of its line may not choose."""
    between = chosen_between(shop, hand)
    if between is None or between.least.minor <= goods.minor <= between.most.minor:
        return
    told = {"least": str(between.least), "most": str(between.most)}
    field = "goods" if hand.goods is not None else "amount"
    raise InvalidInput(Fault(FaultCode.AMOUNT_CHOSEN, field, str(goods), told))
