"""The rate cards of several providers together: which card prices an order, and which route is cheapest.

Of several cards of one provider the newest on or before the order's date prices. Routes are compared in the
shop currency by the exact fee at the order's reference rate; ties by card, plan and method order.

Source: own design, `monedero/rate-card/1`.

>>> newest([], date(2026, 1, 1)) is None
True
>>> Catalogue([], "XX", None).pricers(date(2026, 1, 1))
[]
"""

from collections.abc import Iterable, Sequence
from datetime import date
from fractions import Fraction
from functools import lru_cache
from typing import NamedTuple

from monedero.core.errors import Fault, FaultCode, InvalidInput
from monedero.core.fx import NoReferenceRate, ReferenceRates
from monedero.core.order.model import Order
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.passed_on import NetworkCosts, with_network_costs
from monedero.core.ratecard.priced import NotPriced, Priced, Pricing
from monedero.core.ratecard.pricing import CardPricer, no_rate
from monedero.core.ratecard.volume import NOT_KNOWN, Takings
from monedero.core.reasons import Reason, ReasonCode


class Ranked(NamedTuple):
    """A priced route with its exact fee in whole units of the shop currency."""

    pricing: Priced
    fee: Fraction


def newest(pricers: Sequence[CardPricer], day: date) -> CardPricer | None:
    """Finds the newest card of one provider that holds on the day; a card without a day always holds."""
    versions = [pricer for pricer in pricers if (pricer.card.valid_from or date.min) <= day]
    return max(versions, key=lambda pricer: pricer.card.valid_from or date.min, default=None)


class Catalogue:
    """Rate cards, in the sequence in which their providers were first given."""

    def __init__(
        self,
        cards: Iterable[RateCard],
        shop_country: str,
        rates: ReferenceRates,
        costs: NetworkCosts | None = None,
    ) -> None:
        """Group the cards by provider; refuses two cards of one provider from the same day.

        Rates that add costs of the card networks are priced with them; without the costs such rates are refused.
        """
        self._rates = rates
        self._on = lru_cache(maxsize=1024)(self.pricers)
        self._by_provider: dict[str, list[CardPricer]] = {}
        for card in cards:
            versions = self._by_provider.setdefault(card.provider.id, [])
            if any(other.card.valid_from == card.valid_from for other in versions):
                day = card.valid_from.isoformat() if card.valid_from else ""
                raise InvalidInput(
                    Fault(FaultCode.CARDS_SAME_DAY, "valid_from", day, {"provider": card.provider.name})
                )
            versions.append(CardPricer(with_network_costs(card, costs) if costs else card, shop_country, rates))

    @property
    def versions(self) -> list[list[CardPricer]]:
        """The cards of each provider, from the earliest to the newest."""
        return [
            sorted(versions, key=lambda pricer: pricer.card.valid_from or date.min)
            for versions in self._by_provider.values()
        ]

    def pricers(self, day: date) -> list[CardPricer]:
        """The card of each provider that prices on the day; else its earliest one."""
        return [
            newest(versions, day) or min(versions, key=lambda pricer: pricer.card.valid_from or date.min)
            for versions in self._by_provider.values()
        ]

    def in_force(self, day: date) -> list[CardPricer]:
        """The card of each provider that prices on the day; a provider whose first card comes later has none."""
        return [pricer for versions in self._by_provider.values() if (pricer := newest(versions, day))]

    def price(self, order: Order, takings: Takings = NOT_KNOWN) -> list[Pricing]:
        """The fee of an order on every route of every provider, by card, plan and method order."""
        pricings: list[Pricing] = []
        for pricer in self._on(order.placed_on):
            starts = pricer.card.valid_from
            if starts is None or starts <= order.placed_on:
                pricings += pricer.price(order, takings)
            else:
                early = Reason(ReasonCode.CARD_NOT_VALID_YET, limit=starts, own=order.placed_on)
                pricings += [NotPriced(route, early) for route in pricer.routes]
        return pricings

    def rank(
        self, pricings: Iterable[Pricing], shop_currency: str, day: date
    ) -> tuple[list[Ranked], list[NotPriced]]:
        """Priced routes from the cheapest in the shop currency, and those without a price or a rate to compare."""
        ranked: list[Ranked] = []
        shut: list[NotPriced] = []
        for pricing in pricings:
            if isinstance(pricing, NotPriced):
                shut.append(pricing)
            elif isinstance(pricing, Priced):
                try:
                    rate = self._rates.find(pricing.currency, shop_currency, day)
                    ranked.append(Ranked(pricing, pricing.exact * rate.value))
                except NoReferenceRate as missing:
                    shut.append(NotPriced(pricing.route, no_rate(missing)))
        ranked.sort(key=lambda entry: entry.fee)
        return ranked, shut
