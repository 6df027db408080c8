"""Publish: the draft of a storefront becomes a numbered, immutable edition, which its buyers see from then on."""

from monedero.core.checkout.difference import Change, changes, method_changes, shop_changes
from monedero.core.checkout.edition import Published
from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.store.providers_and_editions import Edition
from monedero.work.checkout.checkout_snapshot import drafted
from monedero.work.context import Context


def to_publish(context: Context) -> Published:
    """Tells what publishing would make an edition of now."""
    snapshot = drafted(context)
    used = dict.fromkeys(tender.method for tender in snapshot.checkout.tenders)
    methods = [snapshot.methods[method] for method in used if method in snapshot.methods]
    return Published(shop=snapshot.shop, checkout=snapshot.checkout, methods=methods)


def pending(context: Context) -> tuple[Published, list[Change]]:
    """Tells what would be published, and what that changes for buyers."""
    shown, newest = to_publish(context), context.shop.editions.newest(context.storefront)
    return shown, differences(newest.published if newest else None, shown)


def differences(before: Published | None, shown: Published) -> list[Change]:
    """Tells what a published state changes for buyers who saw another one; None: they saw none."""
    return [
        *shop_changes(before.shop if before else None, shown.shop),
        *changes(before.checkout if before else None, shown.checkout),
        *method_changes(before.methods if before else [], shown.methods),
    ]


def refuse_unlike(shown: Published, fingerprint: str) -> None:
    """Refuse what is not what the owner looked at, and a checkout in which nothing is switched on."""
    if shown.fingerprint != fingerprint:
        raise Conflict(Fault(FaultCode.SHOWN_OLD, "fingerprint", fingerprint[:80]))
    if not any(tender.on for tender in shown.checkout.tenders):
        raise Conflict(Fault(FaultCode.NOTHING_OFFERED))


def publish(context: Context, fingerprint: str, note: str = "") -> Edition:
    """Publish what the owner looked at; refuses what is not that any more, no change, and nothing switched on."""
    with context.shop.together():
        shown, differs = pending(context)
        newest = context.shop.editions.newest(context.storefront)
        refuse_unlike(shown, fingerprint)
        if newest is not None and not differs:
            raise Conflict(Fault(FaultCode.NOTHING_CHANGED, value=str(newest.number)))
        return context.shop.editions.add(shown, context.now, note=note, actor=context.actor.value)
