"""Tells what is known of a provider besides its prices: typed in place, read from a file and written to one."""

from monedero.core.errors import Conflict, Fault, FaultCode, NotFound
from monedero.core.provider import ProviderFacts
from monedero.core.ratecard.model import RateCard
from monedero.work.context import Context


def facts_of(context: Context, provider: str) -> ProviderFacts:
    """Tells what is known of a provider; refused where nothing is."""
    facts = context.shop.providers.all().get(provider)
    if facts is None:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "provider", provider, {"what": "provider"}))
    return facts


def change_facts(context: Context, before: ProviderFacts, after: ProviderFacts) -> ProviderFacts:
    """Put what is known now in the place of what was read; refuses where that is not what is there any more.

    Its id, whether it is an example and the address of its gateway stay.
    """
    with context.shop.together():
        held = facts_of(context, before.id)
        if held != before:
            raise Conflict(Fault(FaultCode.VERSION_OLD, "before", before.id, {"current": held.name}))
        kept = after.model_copy(update={"id": held.id, "example": held.example, "gateway": held.gateway})
        context.shop.providers.put(kept)
    return kept


def keep_file(context: Context, facts: ProviderFacts, card: RateCard | None) -> None:
    """Keep what a file says of a provider, and its rate card, together or not at all."""
    with context.shop.together():
        held = context.shop.providers.all().get(facts.id)
        gateway = held.gateway if held else None
        context.shop.providers.put(facts.model_copy(update={"example": False, "gateway": gateway}))
        if card is not None:
            context.shop.rate_cards.put(card)
