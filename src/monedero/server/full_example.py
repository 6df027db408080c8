"""Fill the owner's own shop, while it is empty, with a full one: for measuring, and to look at."""

from collections.abc import Iterator
from itertools import islice

from monedero.core.account import Mode
from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.profile import Profile, Source
from monedero.demo.full_shop import DrawnOrder, FullShop
from monedero.server.held_elsewhere import hold_elsewhere
from monedero.server.shops import RunningShop
from monedero.store.past_orders import PastOrder
from monedero.work.accounts.elsewhere import HeldElsewhere
from monedero.work.checkout.publish import publish, to_publish
from monedero.work.context import Actor, Context

AT_ONCE = 5000


def fill(running: RunningShop, full: FullShop | None = None) -> None:
    """Put a full shop into a store that has none, its first edition published; refused where a shop is described."""
    store, full = running.store, full or FullShop()
    if (described := store.description.read()) is not None:
        raise Conflict(Fault(FaultCode.SHOP_DESCRIBED, "example", described.value.name))
    store.past_orders.add(_batches(full.orders()))
    with store.together():
        for card in full.rate_cards():
            store.rate_cards.put(card)
        for facts in full.providers():
            store.providers.put(facts)
        store.description.save(full.shop(), 0)
        store.profile.save(Profile(source=Source.PAST_ORDERS), 0)
        for provider, methods in full.held().items():
            hold_elsewhere(running, provider, Mode.TEST, HeldElsewhere(methods=methods))
        saved = store.checkouts.save(full.checkout(), 0)
        context = Context.of(store, Actor.OWNER, running.clock.now(), saved.value.storefront)
        publish(context, to_publish(context).fingerprint)


def _batches(orders: Iterator[DrawnOrder]) -> Iterator[list[PastOrder]]:
    while batch := [_row(order) for order in islice(orders, AT_ONCE)]:
        yield batch


def _row(order: DrawnOrder) -> PastOrder:
    placed = (order.id, order.placed_on, order.minor, order.currency, order.country)
    of = (order.line, order.kind, order.recurring, None, None)
    return PastOrder(*placed, *of, order.refund_of, order.method)
