"""Holds conditions to the shop: the lines, areas, ways of delivery and customer groups that they name must be there."""

from collections.abc import Iterable

from monedero.core.checkout.condition import Condition
from monedero.core.checkout.model import Checkout
from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput
from monedero.core.order.model import NOT_DELIVERED
from monedero.core.shop import Shop


def refuse_dangling(shop: Shop, checkout: Checkout) -> None:
    """Refuse a checkout whose conditions name something that the shop does not have."""
    for name, condition, value in _missing(shop, checkout):
        what = {"what": condition.fact.replace("_", " "), "where": name}
        raise InvalidInput(Fault(FaultCode.REFERENCE_DANGLING, condition.fact, value, what))


def refuse_lacking(shop: Shop, checkouts: Iterable[Checkout]) -> None:
    """Refuse a shop that does not have any more what a condition of a checkout names."""
    for checkout in checkouts:
        for name, condition, value in _missing(shop, checkout):
            what = {"what": condition.fact.replace("_", " "), "where": name}
            raise Conflict(Fault(FaultCode.IN_USE, condition.fact, value, what))


def _missing(shop: Shop, checkout: Checkout) -> Iterable[tuple[str, Condition, str]]:
    """Tells what is named and not there: who names it, in which condition, and its id."""
    there = {
        "line": {line.id for line in shop.lines},
        "area": {area.id for area in shop.areas},
        "delivery": {way.id for way in shop.deliveries} | {NOT_DELIVERED},
        "customer_group": {group.id for group in shop.customer_groups},
    }
    asked = [(tender.name, condition) for tender in checkout.tenders for condition in tender.conditions]
    asked += [(each.name, condition) for each in checkout.shared_conditions for condition in each.conditions]
    for name, condition in asked:
        for value in condition.values if condition.fact in there else []:
            if value not in there[condition.fact]:
                yield name, condition, value
