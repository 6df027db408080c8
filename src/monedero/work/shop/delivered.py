"""The ways by which the order in hand can go: what each costs its buyer, what there is to pay, and when it comes."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from typing import NamedTuple

from monedero.core.delivery.days import days_to_choose, first_day
from monedero.core.delivery.model import Delivery
from monedero.core.delivery.price import DeliveryFee, NoPrice
from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, NotFound, named, refuse
from monedero.core.money import Money
from monedero.core.order.model import NOT_DELIVERED, Order
from monedero.core.record import Delivered
from monedero.core.shop import Line, Shop
from monedero.work.shop.delivery_price import price_for, way_called
from monedero.work.shop.order_in_hand import OrderInHand


@dataclass(frozen=True, slots=True)
class WayThere:
    """A way by which an order can go, in its currency.

    `amount` is the order's where it goes this way, `fee` what of it is for the delivery (nothing where it is free), and
    `goods` the rest; all None where the way has no price for it, for the reason `why`. `days` are those that its buyer
    may choose from.
    """

    way: Delivery
    chosen: bool
    amount: Money | None
    fee: Money | None
    goods: Money | None
    why: NoPrice | None
    first_day: date
    days: Sequence[date]


class Wish(NamedTuple):
    """Holds where and on which day a buyer wishes an order to come; `known` is whether there is a buyer to ask at
    all.
    """

    address: str = ""
    day: date | None = None
    known: bool = True


def delivered(shop: Shop, hand: OrderInHand, wish: Wish) -> Delivered | None:
    """How an order goes by the way that it names; None where it is not delivered, or nobody said how.

    Refuses a way that the line may not go or that does not reach the buyer, an order that no way reaches, a way that
    needs an address without one, and a day on which it does not come.
    """
    ways = ways_there(shop, hand)
    there = next((way for way in ways if way.chosen), None)
    if there is None:
        asked = hand.order.delivery
        if asked not in (None, NOT_DELIVERED):
            raise NotFound(Fault(FaultCode.NOT_FOUND, "delivery", asked or "", {"what": "way of delivery"}))
        if ways and all(way.why is NoPrice.OUTSIDE for way in ways):
            raise _refused(ways[0].way, NoPrice.OUTSIDE)
        return None
    if there.why or there.fee is None:
        raise _refused(there.way, there.why or NoPrice.OUTSIDE)
    if wish.known and there.way.needs_address and not wish.address.strip():
        raise refuse(
            FaultCode.ADDRESS_MISSING, "address", wish.address, **named("name", there.way.name, there.way.names)
        )
    if wish.day is not None and wish.day not in there.days:
        days = ", ".join(day.isoformat() for day in there.days[:5])
        told = {"days": days, **named("name", there.way.name, there.way.names)}
        raise InvalidInput(Fault(FaultCode.DELIVERY_DAY, "delivery_day", wish.day.isoformat(), told))
    day = wish.day or (there.days[0] if there.days else None)
    return Delivered(way=there.way.name, names=there.way.names, fee=there.fee, address=wish.address, day=day)


def _refused(way: Delivery, why: NoPrice) -> Conflict:
    told = {"why": why.value, **named("name", way.name, way.names)}
    return Conflict(Fault(FaultCode.DELIVERY_REFUSED, "delivery", way.name, told))


def way_of(shop: Shop, hand: OrderInHand) -> Delivery | None:
    """The way by which an order goes: the one that is said, or the only one that its line may go."""
    only = hand.line.deliveries if hand.line.deliveries and len(hand.line.deliveries) == 1 else [None]
    return way_called(shop, hand.order.delivery or only[0])


def ways_there(shop: Shop, hand: OrderInHand) -> list[WayThere]:
    """Every way by which the line may go, in the shop's sequence; none where it is not delivered.

    The goods are what is left of the order's amount without the fee of its own way; without a way, all of it.
    """
    order, line = hand.order.on(hand.whole, hand.order.placed_on), hand.line
    goods = goods_of(shop, hand)
    return [_there(shop, way, order, line, goods) for way in shop.deliveries if way.id in (line.deliveries or [])]


def goods_of(shop: Shop, hand: OrderInHand) -> int | None:
    """Tells what of the order's amount is goods, in minor units; None where it is less than the delivery costs."""
    if hand.goods is not None:
        return hand.goods.minor
    way = way_called(shop, hand.order.delivery)
    whole = hand.order.on(hand.whole, hand.order.placed_on)
    fee = price_for(shop, way, whole, hand.line) if way else None
    if not isinstance(fee, DeliveryFee):
        return whole.amount.minor
    return fee.goods(whole.amount.minor, _usual(hand))


def _usual(hand: OrderInHand) -> int | None:
    usual = hand.line.usual_amount
    return usual.minor if usual.currency == hand.order.amount.currency else None


def _there(shop: Shop, way: Delivery, order: Order, line: Line, goods: int | None) -> WayThere:
    price, chosen = price_for(shop, way, order, line), order.delivery == way.id
    if chosen and goods is None:
        price = NoPrice.OVER_AMOUNT
    currency = order.amount.currency
    first, days = first_day(way, order.placed_on), days_to_choose(way, order.placed_on)
    if isinstance(price, NoPrice):
        return WayThere(way, chosen, None, None, None, price, first, days)
    left = goods if goods is not None else order.amount.minor
    amount = price.to_pay(left)
    return WayThere(
        way=way,
        chosen=chosen,
        amount=Money(amount, currency),
        fee=Money(amount - left, currency),
        goods=Money(left, currency),
        why=None,
        first_day=first,
        days=days,
    )
