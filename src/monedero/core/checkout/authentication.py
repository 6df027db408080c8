"""True if a buyer is likely to be asked to prove who they are (strong authentication), by rules that come in as values.

A rule holds where both the shop and the buyer are in its countries. It is expected then, unless the order is small
enough to be let off, or repeats what was confirmed before. Whoever issued the card decides; this is information.

Source: own design; the rules and their sources come in as values.

>>> from datetime import date
>>> there, cards, small = frozenset({"PT", "ES"}), frozenset({"card"}), Money(3000, "EUR")
>>> rule = AuthenticationRule("eea", there, cards, small, "Directive", date(2026, 1, 1))
>>> order = Order(Money(8500, "EUR"), "ES", date(2026, 11, 24))
>>> [found.how.value for found in expected([rule], "card", "PT", order)]
['expected']
>>> [found.how.value for found in expected([rule], "card", "PT", order.on(Money(3000, "EUR"), order.placed_on))]
['may-be-let-off']
>>> list(expected([rule], "cash", "PT", order))
[]
"""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from datetime import date
from enum import StrEnum
from typing import NamedTuple

from monedero.core.money import Money
from monedero.core.order.model import Order


@dataclass(frozen=True, slots=True)
class AuthenticationRule:
    """A rule: its countries, the families of methods it is about, the amount up to which an order may be let off."""

    id: str
    countries: frozenset[str]
    families: frozenset[str]
    small: Money
    source: str
    read_on: date


class How(StrEnum):
    """How a rule meets an order."""

    EXPECTED = "expected"
    MAY_BE_LET_OFF = "may-be-let-off"
    FIRST_TIME = "first-time"
    """An order that repeats: the first time, and when its amount changes."""


class Expected(NamedTuple):
    """A rule that speaks of an order, and how."""

    rule: AuthenticationRule
    how: How


def expected(
    rules: Iterable[AuthenticationRule], family: str, shop_country: str, order: Order
) -> Iterator[Expected]:
    """Every rule that speaks of an order paid by a family of methods; small is only what is in the rule's currency."""
    for rule in rules:
        if family not in rule.families or not {shop_country, order.country} <= rule.countries:
            continue
        small = order.amount.currency == rule.small.currency and order.amount.minor <= rule.small.minor
        how = How.FIRST_TIME if order.recurring else How.MAY_BE_LET_OFF if small else How.EXPECTED
        yield Expected(rule, how)
