"""Tells what is looked up of a shop: itself, its storefronts, its reference rates, the methods that it knows, its
prices.
"""

from collections.abc import Mapping
from fractions import Fraction
from functools import lru_cache

from monedero.core.errors import Conflict, Fault, FaultCode, NotFound
from monedero.core.fx import ReferenceRates
from monedero.core.method import Method
from monedero.core.shop import Shop, Storefront
from monedero.figures import methods, reference_rates
from monedero.formats.paid_with import PaidWords
from monedero.store import Store
from monedero.store.documents import Versioned


def described_shop(store: Store) -> Versioned[Shop]:
    """The shop; refused until it is described."""
    saved = store.description.read()
    if saved is None:
        raise Conflict(Fault(FaultCode.SHOP_NOT_DESCRIBED))
    return saved


def storefront_of(shop: Shop, id: str) -> Storefront:
    """A storefront of the shop by its id; refused where the shop does not have it."""
    found = shop.storefront(id)
    if found is None:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "storefront", id, {"what": "storefront"}))
    return found


def rates_of(shop: Shop) -> ReferenceRates:
    """The published reference rates with the shop's typed ones over them."""
    return _rates(tuple(sorted(shop.typed.items())))


@lru_cache(maxsize=8)
def _rates(typed: tuple[tuple[str, Fraction], ...]) -> ReferenceRates:
    return ReferenceRates(reference_rates.bundled(), dict(typed))


def methods_of(shop: Shop) -> dict[str, Method]:
    """Every known method by its id, with the shop's own."""
    return methods.known() | {own.method.id: own.method for own in shop.own_methods}


def method_in(known: Mapping[str, Method], method_id: str) -> Method:
    """A method by its id; of one that nobody described nothing is known."""
    return known.get(method_id) or methods.unknown(method_id)


def networks_of(store: Store) -> set[str]:
    """The card networks that rates and extras of the shop's cards, or its month of orders, tell apart."""
    named: set[str] = set()
    for card in store.rate_cards.all():
        for when in (*(rate.when for rate in card.rates), *(extra.when for extra in card.extras)):
            named.update(when.card_network or ())
    profile = store.profile.read()
    named.update(share.network for share in (profile.value.cards if profile else ()) if share.network)
    return named


def paid_words(store: Store) -> PaidWords:
    """The words by which a file of the shop's past orders may say how they were paid."""
    names = {method.id: method.name for method in methods_of(described_shop(store).value).values()}
    return PaidWords(names, frozenset(networks_of(store)))
