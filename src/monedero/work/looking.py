"""Look: what the draft or the newest edition offers to the order in hand."""

from collections.abc import Sequence
from dataclasses import dataclass

from monedero.core.order import Order
from monedero.core.ratecard.catalogue import Ranked
from monedero.core.ratecard.model import CardKind, RateCard, Route
from monedero.core.tender.decision import Outcome, decide
from monedero.store import Store
from monedero.work.asked import context_of
from monedero.work.basis import Basis, Hand, setting_of
from monedero.work.grounds import grounds_of


@dataclass(frozen=True, slots=True)
class View:
    """The outcome of every tender for one order, and what each priced route costs the shop for it."""

    basis: Basis
    hand: Hand
    outcomes: Sequence[Outcome]
    fees: dict[Route, Ranked]
    cards: dict[str, RateCard]


def outcomes_of(store: Store, basis: Basis, order: Order) -> list[Outcome]:
    """Every tender with its place or its reasons; an order of zero needs no payment, so nothing is offered."""
    if order.nothing_to_pay:
        return []
    return decide(basis.checkout.tenders, order, setting_of(store, basis))


def view(store: Store, basis: Basis, hand: Hand, card_kind: CardKind | None, card_network: str | None) -> View:
    """What the owner sees of the draft: outcomes with reasons and costs."""
    grounds = grounds_of(store)
    context = context_of(store, hand.order, card_kind, card_network)
    catalogue = grounds.catalogue
    ranked, _ = catalogue.rank(catalogue.price(context), basis.shop.currency, hand.order.placed_on)
    outcomes = decide(basis.checkout.tenders, hand.order, setting_of(store, basis))
    fees = {entry.pricing.route: entry for entry in ranked}
    return View(basis, hand, outcomes, fees, {card.provider.id: card for card in grounds.cards})
