"""An edition: a checkout with all that a decision over it needs but the accounts, as they stood.

Whoever publishes looks at it first: a fingerprint over all of it tells whether it is still what was looked at.

Source: own design; SHA-256 (FIPS 180-4).

>>> from monedero.core.checkout.model import Checkout
>>> shop = Shop(name="Cabo Noite", country="PT", currency="EUR")
>>> held = Published(shop=shop, checkout=Checkout(storefront="web-shop", mode="test"))
>>> len(held.fingerprint), held.fingerprint == held.model_copy().fingerprint
(64, True)
>>> held.by_id
{}
"""

import hashlib
from collections.abc import Mapping

from monedero.core.card_number import lettered
from monedero.core.checkout.model import Checkout
from monedero.core.fields import Strict
from monedero.core.method import Method
from monedero.core.shop import Shop


class Published(Strict):
    """Holds what an edition holds: the shop, its checkout, and what the methods of its tenders can carry."""

    shop: Shop
    checkout: Checkout
    methods: list[Method] = []

    @property
    def fingerprint(self) -> str:
        """The same for the same content, and for no other."""
        return lettered(hashlib.sha256(self.model_dump_json(by_alias=True).encode()).hexdigest())

    @property
    def by_id(self) -> Mapping[str, Method]:
        """The methods by their ids."""
        return {method.id: method for method in self.methods}
