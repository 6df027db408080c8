"""Compose: the tenders of the draft, added from a route or an arrangement, and saved as a whole."""

from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.core.ratecard.model import RateCard, Route
from monedero.core.tender.model import Checkout, Tender
from monedero.store import Store
from monedero.store.documents import Held
from monedero.work.basis import described_shop, draft, method_of


def save_draft(store: Store, tenders: list[Tender], version: int) -> Held[Checkout]:
    """Save the tenders in their sequence; refuses an older version and a name that stands twice."""
    described_shop(store)
    held = draft(store).value
    checkout = Checkout(storefront=held.storefront, mode=held.mode, tenders=tenders)
    return store.draft.save(checkout, version)


def add_tender(store: Store, method_id: str, route: Route | None, version: int) -> tuple[Held[Checkout], Tender]:
    """Put a route, or an own arrangement, at the end of the draft, switched off, under a free name."""
    method = method_of(described_shop(store).value, method_id)
    if route is None:
        if not method.own:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "method", method_id, {"what": "arrangement"}))
        second = ""
    else:
        second = _card_of(store, route).provider.name
    tenders = draft(store).value.tenders
    tender = Tender(
        id=_free_id(method_id, tenders),
        method=method_id,
        route=route,
        on=False,
        name=_free_name(method.name, second, tenders),
        description=method.buyer,
    )
    return save_draft(store, [*tenders, tender], version), tender


def _card_of(store: Store, route: Route) -> RateCard:
    for card in store.rate_cards.all():
        if route in card.routes:
            return card
    named = f"{route.provider} {route.plan} {route.method}"
    raise NotFound(Fault(FaultCode.NOT_FOUND, "route", named, {"what": "route"}))


def _free_id(method_id: str, tenders: list[Tender]) -> str:
    taken = {tender.id for tender in tenders}
    number = 1
    while (candidate := method_id if number == 1 else f"{method_id}-{number}") in taken:
        number += 1
    return candidate


def _free_name(name: str, second: str, tenders: list[Tender]) -> str:
    taken = {tender.name.casefold() for tender in tenders}
    candidates = [name, f"{name} ({second})"] if second else [name]
    for candidate in candidates:
        if candidate.casefold() not in taken:
            return candidate
    number = 2
    while f"{candidates[-1]} {number}".casefold() in taken:
        number += 1
    return f"{candidates[-1]} {number}"
