"""Tells what is known of an order, in words: the table of facts with a name and a sentence for each.

>>> from datetime import date
>>> from monedero.core.money import Money
>>> order = Order(Money(8500, "EUR"), "ES", date(2026, 11, 24), card_network="aster", signed_in=True)
>>> [told(fact, order) for fact in FACTS if fact.text(order)]
['85.00 EUR', 'paid in EUR', 'buyer in Spain', 'buyer signed in', 'on Aster', '24 Nov 2026']
>>> order_text(order, "Night boat tour")
'Night boat tour for 85.00 EUR, buyer in Spain, buyer signed in, on Aster'
"""

from collections.abc import Callable, Mapping
from typing import Any

from monedero.core.order.facts import (
    AMOUNT,
    CARD_KIND,
    CARD_NETWORK,
    COUNTRY,
    CURRENCY,
    CUSTOMER_GROUP,
    DAY,
    DELIVERY,
    DEVICE,
    FACTS,
    KIND,
    LINE,
    POSTCODE,
    RECURRING,
    SIGNED_IN,
    STOREFRONT,
    TOWN,
    Fact,
)
from monedero.core.order.model import Order
from monedero.wording.catalogue import say
from monedero.wording.places import country_name, network_name
from monedero.wording.show import day, money

TOLD: Mapping[str, Callable[[Any], str]] = {
    AMOUNT.id: lambda value: money(str(value)),
    CURRENCY.id: lambda value: say("order-currency", value=value),
    COUNTRY.id: lambda value: say("order-country", value=country_name(value)),
    POSTCODE.id: lambda value: say("order-postcode", value=value),
    TOWN.id: lambda value: say("order-town", value=value),
    LINE.id: lambda value: say("order-line", value=value),
    KIND.id: lambda value: say(f"kind-{value}"),
    RECURRING.id: lambda value: say("order-repeats" if value else "order-once"),
    DELIVERY.id: lambda value: say("order-delivery", value=value),
    CUSTOMER_GROUP.id: lambda value: say("order-group", value=value),
    STOREFRONT.id: lambda value: say("order-storefront", value=value),
    DEVICE.id: lambda value: say(f"order-{value}"),
    SIGNED_IN.id: lambda value: say("order-signed-in" if value else "order-guest"),
    CARD_NETWORK.id: lambda value: say("order-network", value=network_name(value)),
    CARD_KIND.id: lambda value: say("order-card", value=say(f"card-{value}")),
    DAY.id: lambda value: day(value.isoformat()),
}
"""Each fact by its id: a value of it in words."""

# The sentence of an order says these already, by the name of its line and its amount.
IN_THE_SENTENCE = (AMOUNT, CURRENCY, LINE, KIND, RECURRING, STOREFRONT, DAY)


def told(fact: Fact, order: Order) -> str:
    """Tells what is known of a fact in an order; nothing where it is unknown."""
    return " and ".join(TOLD[fact.id](value) for value in fact.values(order))


def order_text(order: Order, line_name: str) -> str:
    """An order in a sentence: its line, its amount, and what else is known of it."""
    rest = [told(fact, order) for fact in FACTS if fact not in IN_THE_SENTENCE]
    return ", ".join([say("order-sentence", line=line_name, amount=told(AMOUNT, order)), *filter(None, rest)])
