"""An order as a decision sees it: its amount, where its buyer is, and what is in it.

Source: own design.

>>> order = Order(Money(8500, "EUR"), "ES", frozenset({LineKind.BOOKING}), False, date(2026, 11, 24))
>>> order.context().buyer_country
'ES'
>>> Order(Money(0, "EUR"), "ES", frozenset(), False, date(2026, 11, 24)).nothing_to_pay
True
>>> Order(Money(-1, "EUR"), "ES", frozenset(), False, date(2026, 11, 24)).context()
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: amount-negative amount='-0.01 EUR'
"""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date

from monedero.core.money import Money
from monedero.core.ratecard.context import OrderContext
from monedero.core.ratecard.model import CardKind, LineKind
from monedero.core.ratecard.volume import Volume


@dataclass(frozen=True, slots=True)
class Order:
    """What a buyer orders; the kinds are those of all its lines."""

    amount: Money
    country: str
    kinds: frozenset[LineKind]
    recurring: bool
    placed_on: date

    @property
    def nothing_to_pay(self) -> bool:
        """An order of zero needs no payment."""
        return self.amount.minor == 0

    def context(
        self,
        *,
        card_kind: CardKind | None = None,
        card_network: str | None = None,
        monthly_volume: Money | None = None,
        plan_volumes: Mapping[str, Volume] | None = None,
    ) -> OrderContext:
        """The order as a rate card sees it, with what is known of the card and the account."""
        return OrderContext(
            amount=self.amount,
            buyer_country=self.country,
            placed_on=self.placed_on,
            line_kinds=self.kinds,
            recurring=self.recurring,
            card_network=card_network,
            card_kind=card_kind,
            monthly_volume=monthly_volume,
            plan_volumes=plan_volumes,
        )
