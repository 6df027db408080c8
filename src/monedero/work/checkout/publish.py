"""Publish: the draft of a storefront becomes a numbered, immutable edition, which its buyers see from then on."""

from datetime import datetime

from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.tender.difference import Change, changes, method_changes, shop_changes
from monedero.core.tender.edition import Published
from monedero.store import Store
from monedero.store.providers_and_editions import Edition
from monedero.work.checkout.composed import drafted


def to_publish(store: Store, storefront: str) -> Published:
    """What publishing would make an edition of now."""
    composed = drafted(store, storefront)
    used = dict.fromkeys(tender.method for tender in composed.checkout.tenders)
    methods = [composed.methods[method] for method in used if method in composed.methods]
    return Published(shop=composed.shop, checkout=composed.checkout, methods=methods)


def pending(store: Store, storefront: str) -> tuple[Published, list[Change]]:
    """What would be published, and what that changes for buyers."""
    shown, newest = to_publish(store, storefront), store.editions.newest(storefront)
    before = newest.published if newest else None
    return shown, [
        *shop_changes(before.shop if before else None, shown.shop),
        *changes(before.checkout if before else None, shown.checkout),
        *method_changes(before.methods if before else [], shown.methods),
    ]


def publish(store: Store, storefront: str, fingerprint: str, at: datetime) -> Edition:
    """Publish what the owner looked at; refuses what is not that any more, no change, and nothing switched on."""
    with store.together():
        shown, differs = pending(store, storefront)
        newest = store.editions.newest(storefront)
        if shown.fingerprint != fingerprint:
            raise Conflict(Fault(FaultCode.SHOWN_OLD, "fingerprint", fingerprint[:80]))
        if not any(tender.on for tender in shown.checkout.tenders):
            raise Conflict(Fault(FaultCode.NOTHING_OFFERED))
        if newest is not None and not differs:
            raise Conflict(Fault(FaultCode.NOTHING_CHANGED, value=str(newest.number)))
        return store.editions.add(shown, at)
