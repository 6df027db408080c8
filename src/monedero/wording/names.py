"""The names of what conditions are about, by fact and id, as sentences about a checkout need them."""

from collections.abc import Sequence
from typing import Protocol

from monedero.core.checkout.model import Checkout
from monedero.core.shop import Shop
from monedero.wording.tender_conditions import goes


class Named(Protocol):
    """Something with an id and a name."""

    @property
    def id(self) -> str:
        """Its id."""
        ...

    @property
    def name(self) -> str:
        """Its name."""
        ...


def names_of(shop: Shop, checkout: Checkout) -> dict[str, str]:
    """Names by `fact/id`, such as `line/star-chart`; those of shared sets of conditions by `shared/id`,
    of tenders by `tender/id`."""
    named: dict[str, Sequence[Named]] = {
        "line": shop.lines,
        "customer-group": shop.customer_groups,
        "area": shop.areas,
        "shared": checkout.shared_conditions,
    }
    names = {f"{fact}/{thing.id}": thing.name for fact, things in named.items() for thing in things}
    names |= {f"tender/{tender.id}": tender.name for tender in checkout.tenders}
    return names | {f"delivery/{way.id}": goes(way) for way in shop.deliveries}
