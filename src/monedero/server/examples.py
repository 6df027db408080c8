"""The seven invented providers as examples in a shop of the owner's own: marked by their names, and put away again."""

from monedero import demo
from monedero.core.account import Mode
from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.store import Store
from monedero.store.rate_cards import day_of
from monedero.wording.catalogue import say
from monedero.work.prices.inputs import UNDER_WAY


def put_in(store: Store, *, marked: bool) -> int:
    """Put the seven providers and their rate cards beside what is there; returns how many.

    Where they are `marked`, their names say that they are examples, so that nobody mistakes their prices for offers.
    """
    cards, facts = demo.rate_cards(), demo.providers()
    with store.together():
        for card in cards:
            name = say("example-name", name=card.provider.name) if marked else card.provider.name
            renamed = card.provider.model_copy(update={"name": name})
            store.rate_cards.put(card.model_copy(update={"provider": renamed}))
        for provider in facts:
            name = say("example-name", name=provider.name) if marked else provider.name
            store.providers.put(provider.model_copy(update={"name": name, "example": marked}))
    return len(cards)


def examples_in(store: Store) -> dict[str, str]:
    """The examples that are there, by id and name."""
    return {facts.id: facts.name for facts in store.providers.all().values() if facts.example}


def put_away(store: Store) -> int:
    """Take the examples away: their cards, what is known of them, and their ways to pay in drafts; returns how many.

    Refused while the shop holds an account with one of them, or has one under way.
    """
    with store.together():
        found = examples_in(store)
        held = [
            found[account.provider]
            for mode in Mode
            for account in store.accounts.of(mode).values()
            if account.provider in found and account.stage in UNDER_WAY
        ]
        if held:
            names = " or ".join(dict.fromkeys(held))
            raise Conflict(Fault(FaultCode.EXAMPLES_HELD, "examples", names, {"providers": names}))
        for card in store.rate_cards.all():
            if card.provider.id in found:
                store.rate_cards.remove(card.provider.id, day_of(card))
        for id in found:
            store.providers.remove(id)
        for saved in store.checkouts.all_saved():
            checkout = saved.value
            kept = [entry for entry in checkout.tenders if not (entry.route and entry.route.provider in found)]
            store.checkouts.save(checkout.model_copy(update={"tenders": kept}), saved.version)
    return len(found)
