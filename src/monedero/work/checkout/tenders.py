"""Compose: the tenders of the draft, added from a route or an arrangement, and saved as a whole."""

from dataclasses import dataclass

from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.core.ratecard.model import RateCard, Route
from monedero.core.tender.condition import SharedConditions
from monedero.core.tender.model import Checkout, Heading, Tender
from monedero.store import Store
from monedero.store.documents import Versioned
from monedero.work.checkout.composed import draft
from monedero.work.checkout.dangling import refuse_dangling
from monedero.work.shop.lookups import described_shop, method_in, methods_of


@dataclass(frozen=True, slots=True)
class Edit:
    """A checkout as it shall be; headings and shared sets of conditions stay as they are where they are None."""

    tenders: list[Tender]
    headings: list[Heading] | None = None
    shared: list[SharedConditions] | None = None


def edited(before: Checkout, edit: Edit) -> Checkout:
    """A checkout as an edit makes it; refused where a name stands twice or something named is not in it."""
    return Checkout(
        storefront=before.storefront,
        mode=before.mode,
        headings=before.headings if edit.headings is None else edit.headings,
        shared_conditions=before.shared_conditions if edit.shared is None else edit.shared,
        tenders=edit.tenders,
    )


def save_draft(store: Store, storefront: str, version: int, edit: Edit) -> Versioned[Checkout]:
    """Save a checkout as a whole, its tenders in their sequence.

    Refuses an older version, a name that stands twice, and what names something that is not there.
    """
    checkout = edited(draft(store, storefront).value, edit)
    refuse_dangling(described_shop(store).value, checkout)
    return store.checkouts.save(checkout, version)


def add_tender(
    store: Store, storefront: str, method_id: str, route: Route | None, version: int
) -> tuple[Versioned[Checkout], Tender]:
    """Put a route, or an own arrangement, at the end of a draft, switched off, under a free name."""
    method = method_in(methods_of(described_shop(store).value), method_id)
    if route is None:
        if not method.own:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "method", method_id, {"what": "arrangement"}))
        second = ""
    else:
        second = _card_of(store, route).provider.name
    tenders = draft(store, storefront).value.tenders
    tender = Tender(
        id=free_id(method_id, tenders),
        method=method_id,
        route=route,
        on=False,
        name=free_name(method.name, second, tenders),
        description=method.buyer,
    )
    return save_draft(store, storefront, version, Edit([*tenders, tender])), tender


def _card_of(store: Store, route: Route) -> RateCard:
    for card in store.rate_cards.all():
        if route in card.routes:
            return card
    named = f"{route.provider} {route.plan} {route.method}"
    raise NotFound(Fault(FaultCode.NOT_FOUND, "route", named, {"what": "route"}))


def free_id(method_id: str, tenders: list[Tender]) -> str:
    """An id for a tender that none of the others has; it begins with the one that is wished for."""
    taken = {tender.id for tender in tenders}
    number = 1
    while (candidate := method_id if number == 1 else f"{method_id}-{number}") in taken:
        number += 1
    return candidate


def free_name(name: str, second: str, tenders: list[Tender]) -> str:
    """A name that none of the others has: the one wished for, with a second name beside it, or with a number."""
    taken = {tender.name.casefold() for tender in tenders}
    candidates = [name, f"{name} ({second})"] if second else [name]
    for candidate in candidates:
        if candidate.casefold() not in taken:
            return candidate
    number = 2
    while f"{candidates[-1]} {number}".casefold() in taken:
        number += 1
    return f"{candidates[-1]} {number}"
