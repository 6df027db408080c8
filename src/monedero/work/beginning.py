"""Begin: the demo shop, and the example rate cards that a new shop may start from."""

from datetime import datetime

from monedero import demo
from monedero.store import Store
from monedero.work.publishing import publish


def put_example_cards(store: Store) -> int:
    """Put the seven invented providers and their rate cards beside what is there; returns how many."""
    cards = demo.rate_cards()
    for card in cards:
        store.rate_cards.put(card)
    for provider in demo.providers():
        store.providers.put(provider)
    return len(cards)


def open_demo(store: Store, now: datetime) -> None:
    """Fill an empty store with Cabo Noite, its first edition published; a store that has a shop stays as it is."""
    if store.shop.read() is not None:
        return
    put_example_cards(store)
    for account in demo.accounts():
        store.accounts.put(account)
    held = store.draft.save(demo.checkout(), 0)
    store.shop.save(demo.shop(), 0)
    store.profile.save(demo.profile(), 0)
    publish(store, held.version, now)
    store.draft.save(demo.draft_after(held.value), held.version)
