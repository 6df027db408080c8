"""Describe: the shop as its owner says it is, saved as a whole."""

from monedero.core.shop import Shop
from monedero.store.documents import Versioned
from monedero.work.checkout.dangling import refuse_lacking
from monedero.work.context import Context


def describe_shop(context: Context, shop: Shop, version: int) -> Versioned[Shop]:
    """Save the shop; refuses an older version, and what takes away something that a condition of a checkout names."""
    with context.shop.together():
        refuse_lacking(shop, context.shop.checkouts.all())
        return context.shop.description.save(shop, version)
