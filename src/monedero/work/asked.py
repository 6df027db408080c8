"""The order in hand as prices see it: with what is known of the card, and what the shop's accounts take in a month."""

from monedero.core.order import Order
from monedero.core.ratecard.context import OrderContext
from monedero.core.ratecard.model import CardKind
from monedero.store import Store
from monedero.work.grounds import grounds_of
from monedero.work.month import month_of


def context_of(store: Store, order: Order, card_kind: CardKind | None, card_network: str | None) -> OrderContext:
    """An order with the takings that the owner typed; without them, with what each plan would carry in the month."""
    takings = grounds_of(store).shop.takings
    return order.context(
        card_kind=card_kind,
        card_network=card_network,
        monthly_volume=takings,
        plan_volumes=None if takings else month_of(store, order.placed_on).volumes,
    )
