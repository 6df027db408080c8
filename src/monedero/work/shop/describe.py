"""Describe: the shop as its owner says it is, saved as a whole."""

from monedero.core.shop import Shop
from monedero.store import Store
from monedero.store.documents import Versioned
from monedero.work.checkout.dangling import refuse_lacking


def describe_shop(store: Store, shop: Shop, version: int) -> Versioned[Shop]:
    """Save the shop; refuses an older version, and what takes away something that a condition of a checkout names."""
    with store.together():
        refuse_lacking(shop, store.checkouts.all())
        return store.shop.save(shop, version)
