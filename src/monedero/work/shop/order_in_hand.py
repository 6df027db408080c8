"""The order in hand: read from the parts in which an owner says it."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date

from monedero.core.as_typed import amount_of
from monedero.core.delivery.price import DeliveryFee
from monedero.core.errors import Fault, FaultCode, InvalidInput, NotFound
from monedero.core.fields import currency as read_currency
from monedero.core.fields import not_negative
from monedero.core.money import Money
from monedero.core.order.facts import known_facts
from monedero.core.order.model import Order
from monedero.core.order.of_lines import with_lines
from monedero.core.shop import Line, Market, Shop
from monedero.work.shop.delivery_price import price_for, way_called


@dataclass(frozen=True, slots=True)
class OrderInHand:
    """The order in hand, with the market and the line that it came from.

    `goods` is what of it is not delivery, where it was said; else its amount was.
    """

    order: Order
    market: Market
    line: Line
    goods: Money | None = None


@dataclass(frozen=True, slots=True)
class OrderSentence:
    """The order in hand as it is said: ids of a market and a line, an amount and its currency, the day.

    `facts` are texts of what else is known, by the columns of the table of facts. Where `goods` is said, the amount is
    that and what the delivery costs.
    """

    market: str
    line: str
    amount: str
    currency: str
    on: date
    facts: Mapping[str, str] = field(default_factory=dict)
    goods: str = ""


def order_in_hand(shop: Shop, said: OrderSentence) -> OrderInHand:
    """The order in hand from its sentence; each part that is wrong is refused by its name."""
    markets = {entry.id: entry for entry in shop.markets}
    lines = {entry.id: entry for entry in shop.lines}
    if said.market not in markets:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "market", said.market, {"what": "market"}))
    if said.line not in lines:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "line", said.line, {"what": "line"}))
    market, line = markets[said.market], lines[said.line]
    money = _money(said.goods or said.amount, said.currency, "goods" if said.goods else "amount")
    of_line = {"lines": (line.id,), "kinds": frozenset({line.kind}), "recurring": line.recurring}
    order = Order(money, market.country, said.on, **{**of_line, **known_facts(said.facts)})
    told = with_lines(order, lines)
    if not said.goods:
        return OrderInHand(told, market, line)
    way = way_called(shop, told.delivery)
    price = price_for(shop, way, told, line) if way else None
    if isinstance(price, DeliveryFee):
        told = told.on(Money(price.to_pay(money.minor), money.currency), said.on)
    return OrderInHand(told, market, line, money)


def _money(typed: str, currency: str, field: str) -> Money:
    try:
        return not_negative(amount_of(typed, read_currency(currency)), f"{typed} {currency}")
    except InvalidInput as refused:
        fault = refused.faults[0]
        unknown = fault.code is FaultCode.CURRENCY_UNKNOWN
        raise InvalidInput(fault.at("currency" if unknown else field)) from refused
