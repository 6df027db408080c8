"""The order in hand: read from the parts in which an owner says it."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from datetime import date
from fractions import Fraction

from monedero.core.as_typed import amount_of
from monedero.core.delivery.price import DeliveryFee
from monedero.core.errors import Fault, FaultCode, InvalidInput, NotFound
from monedero.core.fields import currency as read_currency
from monedero.core.fields import not_negative
from monedero.core.fx import NoReferenceRate
from monedero.core.money import Money
from monedero.core.order.facts import known_facts
from monedero.core.order.model import Order
from monedero.core.order.of_lines import with_lines
from monedero.core.shop import Line, Market, Shop
from monedero.work.shop.delivery_price import price_for, way_called
from monedero.work.shop.lookups import rates_of


@dataclass(frozen=True, slots=True)
class OrderInHand:
    """The order in hand, with the market and the line that it came from.

    Its amount is what is paid when it is placed, `rest` what is paid on the day (None: nothing is); of a line whose
    goods are weighed it is the most that they may come to. `goods` is what of it is not delivery, where it was said.
    """

    order: Order
    market: Market
    line: Line
    goods: Money | None = None
    rest: Money | None = None

    @property
    def whole(self) -> Money:
        """What there is to pay now and on the day."""
        return Money(self.order.amount.minor + (self.rest.minor if self.rest else 0), self.order.amount.currency)


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
    way = way_called(shop, told.delivery) if said.goods else None
    price = price_for(shop, way, told, line) if way else None
    if isinstance(price, DeliveryFee):
        told = told.on(Money(price.to_pay(money.minor), money.currency), said.on)
    return _paid_later(shop, OrderInHand(told, market, line, money if said.goods else None))


def _paid_later(shop: Shop, hand: OrderInHand) -> OrderInHand:
    """The order in hand with what of it is paid on the day taken from what is paid now."""
    whole, deposit = hand.order.amount, hand.line.deposit
    if deposit is None:
        return hand

    def convert(amount: Money) -> Fraction | None:
        try:
            return rates_of(shop).convert(amount, whole.currency, hand.order.placed_on)
        except NoReferenceRate:
            return None

    now = deposit.of(whole, convert)
    rest = Money(whole.minor - now.minor, whole.currency)
    return replace(hand, order=hand.order.on(now, hand.order.placed_on), rest=rest) if rest.minor else hand


def _money(typed: str, currency: str, field: str) -> Money:
    try:
        return not_negative(amount_of(typed, read_currency(currency)), f"{typed} {currency}")
    except InvalidInput as refused:
        fault = refused.faults[0]
        unknown = fault.code is FaultCode.CURRENCY_UNKNOWN
        raise InvalidInput(fault.at("currency" if unknown else field)) from refused
