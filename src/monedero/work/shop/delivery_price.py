"""Tells what a way of delivery of a shop costs the buyer of an order."""

from monedero.core.delivery.model import Delivery
from monedero.core.delivery.price import DeliveryFee, Destination, NoPrice, price_of
from monedero.core.order.model import Order
from monedero.core.shop import Line, Shop
from monedero.work.shop.lookups import rates_of


def way_called(shop: Shop, id: str | None) -> Delivery | None:
    """A way of delivery by its id; None where there is none."""
    return next((way for way in shop.deliveries if way.id == id), None)


def price_for(shop: Shop, way: Delivery, order: Order, line: Line) -> DeliveryFee | NoPrice:
    """Tells what it costs to have a line of an order brought, or why that cannot be said."""
    areas = {area.id: area for area in shop.areas}
    there = Destination(
        country=order.country,
        day=order.placed_on,
        currency=order.amount.currency,
        postcode=order.postcode,
        town=order.town,
        grams=line.weight_grams,
    )
    return price_of(way, there, areas, rates_of(shop))
