"""Rate cards: their versions, what a changed card would cost, and their files."""

from dataclasses import dataclass
from datetime import date

from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.core.ratecard.catalogue import Catalogue, Ranked
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.priced import NotPriced
from monedero.store.rate_cards import StoredCard, day_of
from monedero.work.compare.takings import takings_of
from monedero.work.context import Context
from monedero.work.prices.inputs import inputs_of
from monedero.work.shop.lookups import method_in
from monedero.work.shop.order_in_hand import OrderInHand

ALWAYS = "always"


@dataclass(frozen=True, slots=True)
class Tried:
    """The fees of a card for the order in hand, before the card is kept."""

    priced: list[Ranked]
    not_priced: list[NotPriced]


def day_in_address(day: str) -> str:
    """The day of a card as the store has it, from how an address says it."""
    return "" if day == ALWAYS else day


def stored_card(context: Context, provider: str, day: str) -> StoredCard:
    """One version of a provider's card; refused where it is not there."""
    stored = context.shop.rate_cards.get(provider, day_in_address(day))
    if stored is None:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "rate card", f"{provider} {day}", {"what": "rate card"}))
    return stored


def try_card(context: Context, card: RateCard, hand: OrderInHand) -> Tried:
    """Tells what the order in hand would cost on every route of a card, whatever the day from which it holds."""
    inputs, order = inputs_of(context), hand.order
    always = card.model_copy(update={"valid_from": None})
    alone = Catalogue([always], inputs.shop.country, inputs.rates, inputs.network_costs)
    takings = takings_of(context, order.placed_on)
    ranked, shut = alone.rank(alone.price(order, takings), inputs.shop.currency, order.placed_on)
    # A way to pay has limits of its own: its currencies, its countries, whether it repeats.
    against = {name: inputs.cannot_carry(method_in(inputs.methods, name), order) for name in _methods_of(card)}
    shut += [
        NotPriced(entry.pricing.route, against[entry.pricing.route.method][0])
        for entry in ranked
        if against[entry.pricing.route.method]
    ]
    return Tried([entry for entry in ranked if not against[entry.pricing.route.method]], shut)


def _methods_of(card: RateCard) -> set[str]:
    return {rate.method for rate in card.rates}


def in_force(cards: list[RateCard], day: date) -> set[tuple[str, str]]:
    """Provider and day of the card that prices on a day, of each provider."""
    newest: dict[str, RateCard] = {}
    for card in cards:
        if (card.valid_from or date.min) <= day:
            stored = newest.get(card.provider.id)
            if stored is None or (stored.valid_from or date.min) < (card.valid_from or date.min):
                newest[card.provider.id] = card
    return {(provider, day_of(card)) for provider, card in newest.items()}


def provider_names(context: Context) -> dict[str, str]:
    """Every provider that the shop knows by its card or its facts, by id, in the sequence of their names."""
    known = {card.provider.id: card.provider.name for card in context.shop.rate_cards.all()}
    known |= {facts.id: facts.name for facts in context.shop.providers.all().values()}
    return dict(sorted(known.items(), key=lambda entry: entry[1].casefold()))
