"""Rate cards: their versions, what a changed card would cost, and their files."""

from dataclasses import dataclass
from datetime import date

from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.core.ratecard.catalogue import Catalogue, Ranked
from monedero.core.ratecard.model import CardKind, RateCard
from monedero.core.ratecard.priced import NotPriced
from monedero.store import Store
from monedero.store.rate_cards import HeldCard, day_of
from monedero.work.asked import context_of
from monedero.work.basis import Hand
from monedero.work.grounds import grounds_of

ALWAYS = "always"


@dataclass(frozen=True, slots=True)
class Tried:
    """The fees of a card for the order in hand, before the card is kept."""

    priced: list[Ranked]
    not_priced: list[NotPriced]


def day_in_address(day: str) -> str:
    """The day of a card as the store has it, from how an address says it."""
    return "" if day == ALWAYS else day


def held_card(store: Store, provider: str, day: str) -> HeldCard:
    """One version of a provider's card; refused where it is not there."""
    held = store.rate_cards.get(provider, day_in_address(day))
    if held is None:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "rate card", f"{provider} {day}", {"what": "rate card"}))
    return held


def try_card(
    store: Store, card: RateCard, hand: Hand, card_kind: CardKind | None, card_network: str | None
) -> Tried:
    """What the order in hand would cost on every route of a card, whatever the day from which it holds."""
    grounds, order = grounds_of(store), hand.order
    alone = Catalogue([card.model_copy(update={"valid_from": None})], grounds.shop.country, grounds.rates)
    context = context_of(store, order, card_kind, card_network)
    ranked, shut = alone.rank(alone.price(context), grounds.shop.currency, order.placed_on)
    return Tried(ranked, shut)


def in_force(cards: list[RateCard], day: date) -> set[tuple[str, str]]:
    """Provider and day of the card that prices on a day, of each provider."""
    newest: dict[str, RateCard] = {}
    for card in cards:
        if (card.valid_from or date.min) <= day:
            held = newest.get(card.provider.id)
            if held is None or (held.valid_from or date.min) < (card.valid_from or date.min):
                newest[card.provider.id] = card
    return {(provider, day_of(card)) for provider, card in newest.items()}
