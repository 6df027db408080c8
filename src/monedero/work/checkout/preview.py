"""Look: what a draft offers to the order in hand, with what it costs the shop."""

from collections.abc import Sequence
from dataclasses import dataclass

from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.ratecard.catalogue import Ranked
from monedero.core.ratecard.model import RateCard
from monedero.core.tender.decision import Outcome
from monedero.core.tender.stretches import Stretch, stretches
from monedero.store import Store
from monedero.work.checkout.composed import Composed
from monedero.work.checkout.offer import decision_of
from monedero.work.compare.inputs import inputs_of
from monedero.work.compare.takings import takings_of
from monedero.work.shop.order_in_hand import OrderInHand


@dataclass(frozen=True, slots=True)
class View:
    """What a draft does for one order: each tender's outcome, what is offered at other amounts, and by the ids of
    tenders what the provider takes of all that is paid."""

    composed: Composed
    hand: OrderInHand
    outcomes: Sequence[Outcome]
    stretches: Sequence[Stretch]
    fees: dict[str, Ranked]
    cards: dict[str, RateCard]


def view(store: Store, composed: Composed, hand: OrderInHand) -> View:
    """What the owner sees of the draft: outcomes with reasons and costs."""
    inputs = inputs_of(store)
    takings = takings_of(store, hand.order.placed_on)
    catalogue = inputs.catalogue
    decision = decision_of(store, composed)
    outcomes = decision.outcomes(hand.order)
    paid = {outcome.tender.id: _paid(outcome, hand.order) for outcome in outcomes}
    by_amount = {
        order.amount: catalogue.rank(catalogue.price(order, takings), composed.shop.currency, order.placed_on)[0]
        for order in paid.values()
    }
    routes = {amount: {entry.pricing.route: entry for entry in ranked} for amount, ranked in by_amount.items()}
    tenders = [outcome.tender for outcome in outcomes]
    fees = {
        tender.id: routes[paid[tender.id].amount][tender.route]
        for tender in tenders
        if tender.route in routes[paid[tender.id].amount]
    }
    return View(
        composed,
        hand,
        outcomes,
        stretches(decision, hand.order),
        fees,
        {card.provider.id: card for card in inputs.cards},
    )


def _paid(outcome: Outcome, order: Order) -> Order:
    """The order with all that its buyer pays with a tender."""
    fee = outcome.charged.amount if outcome.charged else None
    return order.on(Money(order.amount.minor + fee.minor, fee.currency), order.placed_on) if fee else order
