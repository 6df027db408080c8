"""Which facts of an order the conditions of a checkout ask."""

from monedero.core.tender.condition import SEQUENCE
from monedero.core.tender.model import Checkout


def asked_facts(checkout: Checkout) -> list[str]:
    """The facts that some condition of a tender, or of a shared set that is used, asks; in their sequence."""
    used = {id for tender in checkout.tenders for id in tender.shared}
    asked = {condition.fact for tender in checkout.tenders for condition in tender.conditions}
    asked |= {
        condition.fact for each in checkout.shared_conditions if each.id in used for condition in each.conditions
    }
    return [fact for fact in SEQUENCE if fact in asked]
