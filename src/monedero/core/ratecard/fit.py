"""Which rates and extras of a card fit an order, apart from its amount and its monthly volume.

Every key present in `when` must hold; lists mean any of; a key about something unknown does not hold. A cart of
several kinds of line fits only where each of its kinds is in the list.

Source: own design, `monedero/rate-card/1`.

>>> from datetime import date
>>> from monedero.core.money import Money
>>> buyer = Known.of(OrderContext(Money(100, "EUR"), "ES", date(2026, 1, 1)), Origin.REGION, conversion=False)
>>> fits(When(origin=[Origin.REGION]), buyer), fits(When(card_kind=[CardKind.COMMERCIAL]), buyer)
(True, False)
>>> When(origin=[])
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for When
origin
  list-empty [type=list-empty, input_value=[], input_type=list]
"""

from typing import NamedTuple

from monedero.core.ratecard.context import OrderContext
from monedero.core.ratecard.model import CardKind, Extra, LineKind, Origin, Rate, When


class Known(NamedTuple):
    """What is known of an order but its amount, volume and date: hashable, so that the answer can be kept."""

    currency: str
    buyer_country: str
    origin: Origin
    conversion: bool
    card_network: str | None
    card_kind: CardKind | None
    recurring: bool | None
    line_kinds: frozenset[LineKind]

    @classmethod
    def of(cls, order: OrderContext, origin: Origin, *, conversion: bool) -> "Known":
        """What is known of this order."""
        return cls(
            order.amount.currency,
            order.buyer_country,
            origin,
            conversion,
            order.card_network,
            order.card_kind,
            order.recurring,
            order.line_kinds,
        )


def fits(when: When, known: Known) -> bool:
    """Whether every key but `amount` and `monthly_volume` holds."""
    return (
        (when.currency is None or known.currency in when.currency)
        and (when.buyer_country is None or known.buyer_country in when.buyer_country)
        and (when.origin is None or known.origin in when.origin)
        and (when.card_network is None or known.card_network in when.card_network)
        and (when.card_kind is None or known.card_kind in when.card_kind)
        and (when.recurring is None or known.recurring is when.recurring)
        and (when.line_kind is None or (bool(known.line_kinds) and known.line_kinds <= frozenset(when.line_kind)))
        and (when.conversion is None or known.conversion is when.conversion)
    )


def rate_covers(rate: Rate, method: str, plan: str, known: Known) -> bool:
    """Whether a rate is for this route and fits what is known of the order."""
    return rate.method == method and (rate.plans is None or plan in rate.plans) and fits(rate.when, known)


def extra_covers(extra: Extra, method: str, plan: str, known: Known) -> bool:
    """Whether an extra is for this route and fits what is known of the order."""
    return (
        (extra.methods is None or method in extra.methods)
        and (extra.plans is None or plan in extra.plans)
        and fits(extra.when, known)
    )
