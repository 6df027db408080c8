"""What a rate card may ask about an order, and where the buyer is seen from the shop and the provider.

`origin` is `domestic` where the buyer's country is the shop's, else `region` where both are in the provider's
region, else `abroad`. What the order leaves unknown is None; a key about it then does not hold.

Source: own design, `monedero/rate-card/1`.

>>> origin_of("PT", "ES", frozenset({"PT", "ES"})).value
'region'
>>> origin_of("PT", "ES", frozenset({"ES"})).value
'abroad'
>>> OrderContext(Money(-1, "EUR"), "PT", date(2026, 1, 1))
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: amount-negative amount='-0.01 EUR'
"""

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date
from typing import NamedTuple

from monedero.core.errors import FaultCode, refuse
from monedero.core.money import Money
from monedero.core.ratecard.model import CardKind, LineKind, Origin, RateCard
from monedero.core.ratecard.volume import Volume


class Known(NamedTuple):
    """What is known of an order but its amount, volume and day: hashable, so that an answer can be kept."""

    currency: str
    buyer_country: str
    card_network: str | None
    card_kind: CardKind | None
    recurring: bool | None
    line_kinds: frozenset[LineKind]


@dataclass(frozen=True, slots=True)
class OrderContext:
    """An order as a rate card sees it: all that the buyer pays, and what is known about it.

    `monthly_volume` is what every account takes in a month; without it `plan_volumes` may say so for each
    plan (`provider/plan`), all in one currency.
    """

    amount: Money
    buyer_country: str
    placed_on: date
    line_kinds: frozenset[LineKind] = frozenset()
    recurring: bool | None = None
    card_network: str | None = None
    card_kind: CardKind | None = None
    monthly_volume: Money | None = None
    plan_volumes: Mapping[str, Volume] | None = None
    known: Known = field(init=False, repr=False)

    def __post_init__(self) -> None:
        """Refuse a negative amount; put together what the caches go by."""
        if self.amount.minor < 0:
            raise refuse(FaultCode.AMOUNT_NEGATIVE, "amount", self.amount)
        known = Known(
            self.amount.currency,
            self.buyer_country,
            self.card_network,
            self.card_kind,
            self.recurring,
            self.line_kinds,
        )
        object.__setattr__(self, "known", known)

    def volumes_of(self, card: RateCard) -> dict[str, Volume]:
        """What the account takes in a month, by plan of a card; one that is not known is not there."""
        if self.monthly_volume is not None:
            return dict.fromkeys((plan.id for plan in card.plans), Volume.of(self.monthly_volume))
        held = self.plan_volumes or {}
        named = {plan.id: f"{card.provider.id}/{plan.id}" for plan in card.plans}
        return {plan: held[name] for plan, name in named.items() if name in held}


def origin_of(shop_country: str, buyer_country: str, region: frozenset[str]) -> Origin:
    """Where the buyer is, seen from the shop and the provider's region."""
    if shop_country == buyer_country:
        return Origin.DOMESTIC
    if shop_country in region and buyer_country in region:
        return Origin.REGION
    return Origin.ABROAD
