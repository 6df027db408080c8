"""Tells what the simulated provider charges for a payment, by its own rate card."""

from collections.abc import Mapping

from monedero.core.fx import ReferenceRates
from monedero.core.method import Family
from monedero.core.money import Money
from monedero.core.order.kinds import CardKind
from monedero.core.order.model import Order
from monedero.core.payment.state import Move, State
from monedero.core.ratecard.model import Event, RateCard
from monedero.core.ratecard.passed_on import with_network_costs
from monedero.core.ratecard.priced import Priced
from monedero.core.ratecard.pricing import CardPricer
from monedero.figures import methods, network_costs, reference_rates
from monedero.standins.provider.model import Taking

CARDS = (Family.CARD, Family.DEVICE_WALLET)


class Charges:
    """Fees by rate card. A card that is tried here is a consumer's credit card."""

    def __init__(self, cards: Mapping[str, RateCard]) -> None:
        self._cards = cards
        self._rates = ReferenceRates(reference_rates.bundled())

    def fee(self, payment: Taking, move: Move, minor: int) -> tuple[Money | None, Money | None]:
        """Tells what a move is charged, and what of an earlier fee it gives back."""
        if move in (Move.PAID, Move.TAKEN):
            return self._for_taking(payment, minor), None
        event = self._event(payment) or Event()
        dispute = event.dispute
        failed = event.failed.fixed if event.failed else None
        after = {
            Move.REFUNDED: (event.refund.fixed if event.refund else None, None),
            Move.DISPUTED: (dispute.fixed if dispute else None, None),
            Move.DISPUTE_WON: (None, dispute.fixed if dispute and dispute.returned_if_won else None),
            Move.RETURNED: (failed, None),
            Move.DECLINED: (failed if payment.state is State.CONFIRMING else None, None),
        }
        return after.get(move, (None, None))

    def _event(self, payment: Taking) -> Event | None:
        for event in self._cards[payment.provider].events:
            if event.methods is None or payment.asked.method in event.methods:
                return event
        return None

    def _for_taking(self, payment: Taking, minor: int) -> Money | None:
        asked = payment.asked
        card = self._cards[payment.provider]
        card_kind = CardKind.CONSUMER_CREDIT if methods.method(asked.method).family in CARDS else None
        order = Order(
            Money(minor, asked.amount.currency),
            asked.country,
            payment.begun_at.date(),
            frozenset({asked.kind}),
            asked.recurring,
            card_kind=card_kind,
        )
        country = card.provider.countries[0]
        pricer = CardPricer(with_network_costs(card, network_costs.costs(country, {})), country, self._rates)
        for pricing in pricer.price(order):
            wanted = pricing.route.method == asked.method and asked.plan in (None, pricing.route.plan)
            if wanted and isinstance(pricing, Priced):
                return pricing.charged
        return None
