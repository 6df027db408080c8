"""An order as a buyer may ask for it: the shop says what it costs, which day it is, and who its buyer is.

A browser is believed about what is bought, where it goes and what was filled in. The amount of a line is believed only
where its buyer may choose it.
"""

import dataclasses

from monedero.core.errors import Fault, FaultCode, InvalidInput
from monedero.core.order.facts import CUSTOMER_GROUP, SIGNED_IN
from monedero.core.shop import Shop
from monedero.work.shop.in_cart import price_in
from monedero.work.shop.order_in_hand import OrderSentence, money_said

RETAIL = "retail"


def as_buyers_say(shop: Shop, said: OrderSentence) -> OrderSentence:
    """The sentence of a buyer's order with what the shop says of it; of what cannot be priced, the currency is refused.

    What names no line of the shop stays as it is, to be refused where it is read; an amount that cannot be read is
    refused, also where it is not believed.
    """
    groups = [group.id for group in shop.customer_groups]
    group = RETAIL if RETAIL in groups or not groups else groups[0]
    facts = {**said.facts, CUSTOMER_GROUP.column: group, SIGNED_IN.column: "false"}
    said = dataclasses.replace(said, facts=facts)
    for field in ("amount", "goods"):
        if typed := getattr(said, field):
            money_said(typed, said.currency, field)
    line = next((entry for entry in shop.lines if entry.id == said.line), None)
    if said.cart or line is None or line.chosen is not None:
        return said
    price = price_in(line, shop, said.currency, said.on)
    if price is None:
        raise InvalidInput(Fault(FaultCode.CART_PRICE, "currency", line.name, {"currency": said.currency}))
    goods = price.amount if line.deliveries else ""
    return dataclasses.replace(said, amount=price.amount, goods=goods)
