"""Tells what the lines of a cart come to in the currency of an order, as one line that is bought."""

from datetime import date
from typing import NamedTuple

from monedero.core.cart import OrderedLine, Priced, cart_of, together
from monedero.core.errors import Fault, FaultCode, InvalidInput, NotFound
from monedero.core.fx import NoReferenceRate
from monedero.core.money import Money
from monedero.core.shop import Line, Shop
from monedero.work.shop.lookups import rates_of


class Bought(NamedTuple):
    """Holds what is bought with a cart: as one line, what it comes to, its lines, and what of it is paid on the day."""

    line: Line
    amount: Money
    items: list[Priced]


def price_in(line: Line, shop: Shop, currency: str, day: date) -> Money | None:
    """Tells what a line usually costs in a currency, or the most that it may where it is weighed; None without a
    rate.
    """
    usual = line.highest or line.usual_amount
    if usual.currency == currency:
        return usual
    try:
        return Money.rounded(rates_of(shop).convert(usual, currency, day), currency)
    except NoReferenceRate:
        return None


def beginnings(shop: Shop, day: date) -> dict[str, dict[str, str]]:
    """By line and currency of the shop and its markets, the amount at which an order of the line begins.

    A currency without a reference rate is left out.
    """
    currencies = {shop.currency, *(market.currency for market in shop.markets)}
    priced = {line.id: [price_in(line, shop, code, day) for code in sorted(currencies)] for line in shop.lines}
    return {id: {one.currency: one.amount for one in prices if one} for id, prices in priced.items()}


def still_sold(shop: Shop, cart: str) -> str:
    """A cart without the lines that the shop sells no more; empty where nothing is left, or it cannot be read."""
    lines = {line.id for line in shop.lines}
    try:
        return ",".join(f"{item.line}:{item.times}" for item in cart_of(cart) if item.line in lines)
    except InvalidInput:
        return ""


def bought(shop: Shop, cart: str, currency: str, day: date) -> Bought:
    """Tells what is bought with a cart, as one line."""
    items = priced(shop, cart, currency, day)
    total = Money(sum(item.amount.minor for item in items), currency)
    return Bought(together(items), total, items)


def priced(shop: Shop, cart: str, currency: str, day: date) -> list[Priced]:
    """Tells what each line of a cart comes to; each thing that is wrong with it is refused under `cart`."""
    lines = {line.id: line for line in shop.lines}
    items = []
    try:
        asked = cart_of(cart)
    except InvalidInput as refused:
        raise InvalidInput(*(fault.at("cart") for fault in refused.faults)) from None
    for line, times in asked:
        if line not in lines:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "cart", line, {"what": "line"}))
        price = price_in(lines[line], shop, currency, day)
        if price is None:
            raise InvalidInput(Fault(FaultCode.CART_PRICE, "cart", lines[line].name, {"currency": currency}))
        items.append(Priced(lines[line], times, Money(price.minor * times, currency)))
    return items


def ordered(items: list[Priced]) -> tuple[OrderedLine, ...]:
    """The lines of a cart as they are ordered."""
    return tuple(
        OrderedLine(
            line=item.line.id,
            name=item.line.name,
            names=item.line.names,
            times=item.times,
            amount=item.amount,
            weighed=item.line.highest is not None,
        )
        for item in items
    )
