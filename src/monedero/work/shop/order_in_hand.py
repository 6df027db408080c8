"""The order in hand: read from the parts in which an owner says it."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date

from monedero.core.as_typed import amount_of
from monedero.core.cart import OrderedLine, Priced
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
from monedero.work.shop.in_cart import bought, ordered
from monedero.work.shop.lookups import rates_of


@dataclass(frozen=True, slots=True)
class OrderInHand:
    """The order in hand, with the market and the line that it came from.

    Its amount is what is paid when it is placed, `rest` what is paid on the day (None: nothing is); of a line whose
    goods are weighed it is the most that they may come to. `goods` is what of it is not delivery, where it was said.
    Of a cart `items` are its lines, and `line` is what is bought as one.
    """

    order: Order
    market: Market
    line: Line
    goods: Money | None = None
    rest: Money | None = None
    items: tuple[OrderedLine, ...] = ()

    @property
    def whole(self) -> Money:
        """Tells what there is to pay now and on the day."""
        return Money(self.order.amount.minor + (self.rest.minor if self.rest else 0), self.order.amount.currency)


@dataclass(frozen=True, slots=True)
class OrderSentence:
    """The order in hand as it is said: ids of a market and a line, an amount and its currency, the day.

    With a `cart` what is bought is that, and not the line. `facts` are texts of what else is known, by the columns of
    the table of facts. Where `goods` is said, the amount is that and what the delivery costs.
    """

    market: str
    line: str
    amount: str
    currency: str
    on: date
    facts: Mapping[str, str] = field(default_factory=dict)
    goods: str = ""
    cart: str = ""


def order_in_hand(shop: Shop, said: OrderSentence) -> OrderInHand:
    """The order in hand from its sentence; each part that is wrong is refused by its name."""
    markets = {entry.id: entry for entry in shop.markets}
    lines = {entry.id: entry for entry in shop.lines}
    if said.market not in markets:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "market", said.market, {"what": "market"}))
    if said.line not in lines:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "line", said.line, {"what": "line"}))
    market, said_goods = markets[said.market], bool(said.goods or said.cart)
    cart = bought(shop, said.cart, read_currency(said.currency), said.on) if said.cart else None
    if cart is None:
        line = lines[said.line]
        money = money_said(said.goods or said.amount, said.currency, "goods" if said.goods else "amount")
        items = [Priced(line, 1, money)]
    else:
        line, money, items = cart
    of_line = {
        "lines": tuple(item.line.id for item in items),
        "kinds": frozenset(item.line.kind for item in items),
        "recurring": line.recurring,
    }
    order = Order(money, market.country, said.on, **{**of_line, **known_facts(said.facts)})
    told = with_lines(order, lines)
    way = way_called(shop, told.delivery) if said_goods else None
    price = price_for(shop, way, told, line) if way else None
    if isinstance(price, DeliveryFee):
        told = told.on(Money(price.to_pay(money.minor), money.currency), said.on)
    rest = sum(_rest(shop, item, said.on) for item in items)
    return OrderInHand(
        order=told.on(Money(told.amount.minor - rest, money.currency), said.on),
        market=market,
        line=line,
        goods=money if said_goods else None,
        rest=Money(rest, money.currency) if rest else None,
        items=ordered(items) if cart else (),
    )


def usual_order(shop: Shop, market: Market, line: Line, money: Money, day: date) -> Order:
    """The order of a line alone, of which nothing else is known: what is paid when it is placed."""
    rest = _rest(shop, Priced(line, 1, money), day)
    due = Money(money.minor - rest, money.currency)
    of_line = Order(due, market.country, day, frozenset((line.kind,)), line.recurring, lines=(line.id,))
    return with_lines(of_line, {line.id: line})


def _rest(shop: Shop, item: Priced, day: date) -> int:
    """Tells what of a line is paid on the day, in minor units of its amount."""
    if item.line.deposit is None:
        return 0
    each = Money(item.amount.minor // item.times, item.amount.currency)
    return (each.minor - item.line.deposit.of(each, day, rates_of(shop)).minor) * item.times


def money_said(typed: str, currency: str, field: str) -> Money:
    """An amount as it was typed, not below nothing; refused by its field."""
    try:
        return not_negative(amount_of(typed, read_currency(currency)), f"{typed} {currency}")
    except InvalidInput as refused:
        fault = refused.faults[0]
        unknown = fault.code is FaultCode.CURRENCY_UNKNOWN
        raise InvalidInput(fault.at("currency" if unknown else field)) from refused
