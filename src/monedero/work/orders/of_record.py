"""The checkout of an order that was placed, and the context in which its buyer acts."""

from collections.abc import Callable
from datetime import datetime

from monedero.core.record import OrderRecord
from monedero.store import Store
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, drafted, published_as
from monedero.work.context import Actor, Context


class OfRecord:
    """Finds the checkouts and contexts of the orders of one shop; `now` tells the time in UTC."""

    def __init__(self, store: Store, now: Callable[[], datetime]) -> None:
        self._store, self._now = store, now

    def snapshot(self, record: OrderRecord) -> CheckoutSnapshot:
        """The checkout with which an order was placed: an edition, or the draft as it is now."""
        context = self._context(record.storefront or "", record.language or "en")
        return drafted(context) if record.edition is None else published_as(context, record.edition)

    def context(self, snapshot: CheckoutSnapshot, language: str = "en") -> Context:
        """The context of an order of a checkout."""
        return self._context(snapshot.checkout.storefront, language)

    def _context(self, storefront: str, language: str) -> Context:
        return Context.of(self._store, Actor.BUYER, self._now(), storefront, language)
