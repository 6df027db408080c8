"""Look: what a draft offers to the order in hand, with what it costs the shop."""

from collections.abc import Sequence
from dataclasses import dataclass

from monedero.core.ratecard.catalogue import Ranked
from monedero.core.ratecard.model import RateCard, Route
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
    """What a draft does for one order: each tender's outcome, what is offered at other amounts, what routes cost."""

    composed: Composed
    hand: OrderInHand
    outcomes: Sequence[Outcome]
    stretches: Sequence[Stretch]
    fees: dict[Route, Ranked]
    cards: dict[str, RateCard]


def view(store: Store, composed: Composed, hand: OrderInHand) -> View:
    """What the owner sees of the draft: outcomes with reasons and costs."""
    inputs = inputs_of(store)
    takings = takings_of(store, hand.order.placed_on)
    catalogue = inputs.catalogue
    ranked, _ = catalogue.rank(catalogue.price(hand.order, takings), composed.shop.currency, hand.order.placed_on)
    decision = decision_of(store, composed)
    outcomes = decision.outcomes(hand.order)
    fees = {entry.pricing.route: entry for entry in ranked}
    return View(
        composed,
        hand,
        outcomes,
        stretches(decision, hand.order),
        fees,
        {card.provider.id: card for card in inputs.cards},
    )
