"""Tells which rates and extras of a card fit an order, apart from its amount and its monthly volume.

Every key present in `when` must hold; lists mean any of; a key about something unknown does not hold. A cart of
several kinds of line fits only where each of its kinds is in the list.

Source: own design, `monedero/rate-card/1`.

>>> from datetime import date
>>> from monedero.core.money import Money
>>> from monedero.core.order.model import Order
>>> buyer = OrderTraits(Order(Money(100, "EUR"), "ES", date(2026, 1, 1)).known, Origin.REGION, False)
>>> fits(When(origin=[Origin.REGION]), buyer), fits(When(conversion=True), buyer)
(True, False)
>>> When(origin=[])
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for When
origin
  list-empty [type=list-empty, input_value=[], input_type=list]
"""

from typing import NamedTuple

from monedero.core.order.model import Known
from monedero.core.ratecard.model import Extra, Origin, Rate, Route, When


class OrderTraits(NamedTuple):
    """Holds what is known of an order, with where its buyer is and whether it is converted, as one card sees both."""

    known: Known
    origin: Origin
    conversion: bool


def fits(when: When, asked: OrderTraits) -> bool:
    """True if every key but `amount` and `monthly_volume` holds."""
    known = asked.known
    return (
        (when.currency is None or known.currency in when.currency)
        and (when.buyer_country is None or known.country in when.buyer_country)
        and (when.origin is None or asked.origin in when.origin)
        and (when.card_network is None or known.card_network in when.card_network)
        and (when.card_kind is None or known.card_kind in when.card_kind)
        and (when.recurring is None or known.recurring is when.recurring)
        and (when.line_kind is None or (bool(known.kinds) and known.kinds <= frozenset(when.line_kind)))
        and (when.conversion is None or asked.conversion is when.conversion)
    )


def rate_covers(rate: Rate, route: Route, asked: OrderTraits) -> bool:
    """True if a rate is for this route and fits what is known of the order."""
    return (
        rate.method == route.method and (rate.plans is None or route.plan in rate.plans) and fits(rate.when, asked)
    )


def extra_covers(extra: Extra, route: Route, asked: OrderTraits) -> bool:
    """True if an extra is for this route and fits what is known of the order."""
    return (
        (extra.methods is None or route.method in extra.methods)
        and (extra.plans is None or route.plan in extra.plans)
        and fits(extra.when, asked)
    )
