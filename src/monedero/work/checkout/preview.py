"""Look: what a draft offers to the order in hand, with what it costs the shop."""

from collections.abc import Sequence
from dataclasses import dataclass

from monedero.core.checkout.decision import Outcome
from monedero.core.checkout.stretches import Stretch, stretches
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.ratecard.catalogue import Ranked
from monedero.core.ratecard.model import RateCard
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.checkout.offer import decision_of
from monedero.work.compare.takings import takings_of
from monedero.work.context import Context
from monedero.work.prices.inputs import inputs_of
from monedero.work.shop.order_in_hand import OrderInHand


@dataclass(frozen=True, slots=True)
class View:
    """Holds what a draft does for one order: each tender's outcome, what is offered at other amounts, and by the ids of
    tenders what the provider takes of all that is paid."""

    snapshot: CheckoutSnapshot
    hand: OrderInHand
    outcomes: Sequence[Outcome]
    stretches: Sequence[Stretch]
    fees: dict[str, Ranked]
    cards: dict[str, RateCard]


def view(context: Context, snapshot: CheckoutSnapshot, hand: OrderInHand) -> View:
    """Tells what the owner sees of the draft: outcomes with reasons and costs."""
    inputs = inputs_of(context)
    takings = takings_of(context, hand.order.placed_on)
    catalogue = inputs.catalogue
    decision = decision_of(context, snapshot)
    outcomes = decision.outcomes(hand.order)
    paid = {outcome.tender.id: _paid(outcome, hand.order) for outcome in outcomes}
    books, day = snapshot.shop.currency, hand.order.placed_on
    by_amount = {}
    # Most tenders have no fee: what is paid with them is the same.
    for amount in dict.fromkeys(paid.values()):
        ranked, _ = catalogue.rank(catalogue.price(hand.order.on(amount, day), takings), books, day)
        by_amount[amount] = {entry.pricing.route: entry for entry in ranked}
    fees = {
        tender.id: by_amount[amount][tender.route]
        for tender, amount in ((outcome.tender, paid[outcome.tender.id]) for outcome in outcomes)
        if tender.route in by_amount[amount]
    }
    return View(
        snapshot,
        hand,
        outcomes,
        stretches(decision, hand.order),
        fees,
        {card.provider.id: card for card in inputs.cards},
    )


def _paid(outcome: Outcome, order: Order) -> Money:
    """All that the buyer of an order pays with a tender."""
    fee = outcome.charged.amount if outcome.charged else None
    return Money(order.amount.minor + fee.minor, fee.currency) if fee else order.amount
