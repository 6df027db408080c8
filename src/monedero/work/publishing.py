"""Publish: the draft becomes a numbered, immutable edition, which buyers see from then on."""

from datetime import datetime

from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.tender.difference import Change, changes, shop_changes
from monedero.store import Store
from monedero.store.shelves import Edition, Published
from monedero.work.basis import draft_basis


def pending(store: Store) -> list[Change]:
    """What the draft would change for buyers."""
    basis, newest = draft_basis(store), store.editions.newest()
    before = newest.held if newest else None
    return [
        *shop_changes(before.shop if before else None, basis.shop),
        *changes(before.checkout if before else None, basis.checkout),
    ]


def publish(store: Store, version: int, at: datetime) -> Edition:
    """Publish the draft that the owner looked at; refuses an older one, an unchanged one, one with nothing on."""
    with store.together():
        basis, newest = draft_basis(store), store.editions.newest()
        if basis.draft_version != version:
            raise Conflict(
                Fault(FaultCode.VERSION_OLD, "version", str(version), {"current": str(basis.draft_version)})
            )
        if not any(tender.on for tender in basis.checkout.tenders):
            raise Conflict(Fault(FaultCode.NOTHING_OFFERED))
        held = Published(shop=basis.shop, checkout=basis.checkout)
        if newest is not None and newest.held == held:
            raise Conflict(Fault(FaultCode.NOTHING_CHANGED, value=str(newest.number)))
        return store.editions.add(held, at)
