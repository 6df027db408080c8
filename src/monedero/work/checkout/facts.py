"""Tells which facts of an order its checkout and its delivery ask."""

from monedero.core.checkout.condition import SEQUENCE
from monedero.core.checkout.model import Checkout
from monedero.core.shop import Shop
from monedero.work.shop.order_in_hand import OrderInHand


def asked_facts(shop: Shop, checkout: Checkout, hand: OrderInHand) -> list[str]:
    """The facts that some condition of a tender or of a shared set that is used asks, in their sequence.

    Beside them the way of delivery where the line may go several or one that costs something, and for areas the
    postcode or the town, where those of the buyer's country are told apart by it.
    """
    used = {id for tender in checkout.tenders for id in tender.shared}
    conditions = [condition for tender in checkout.tenders for condition in tender.conditions]
    conditions += [
        condition for each in checkout.shared_conditions if each.id in used for condition in each.conditions
    ]
    asked = {condition.fact for condition in conditions}
    ways = [way for way in shop.deliveries if way.id in (hand.line.deliveries or [])]
    found: list[str] = [fact for fact in SEQUENCE if fact in asked]
    if (len(ways) > 1 or any(way.prices for way in ways)) and "delivery" not in found:
        found.append("delivery")
    named = {id for condition in conditions if condition.fact == "area" for id in condition.values}
    named |= {id for way in ways for id in way.area_ids}
    areas = [area for area in shop.areas if area.id in named]
    country = hand.order.country
    if any(country in area.postcodes for area in areas):
        found.append("postcode")
    if any(country in area.towns for area in areas):
        found.append("town")
    return found
