"""Publish now, from a moment on, or an earlier edition again; nothing that is not ready meets real buyers.

In test mode nobody pays, so that what stands in the way is told and keeps nobody from publishing.
"""

from dataclasses import replace
from datetime import datetime

from monedero.core.account import Mode
from monedero.core.checkout.difference import Change
from monedero.core.errors import Conflict, Fault, FaultCode, NotFound
from monedero.core.ready import ReadyItem
from monedero.store.planned import Planned
from monedero.store.providers_and_editions import Edition
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, as_published, drafted, edition_of
from monedero.work.checkout.publish import differences, publish, refuse_unlike, to_publish
from monedero.work.context import Actor, Context
from monedero.work.ready.ready_list import stands_in_the_way


def publish_now(context: Context, fingerprint: str, note: str) -> Edition:
    """Publish what the owner looked at as the next edition."""
    _refuse_unready(context, drafted(context))
    return publish(context, fingerprint, note)


def go_back(context: Context, id: int, note: str) -> Edition:
    """Publish an earlier edition again, as the next one; refused where it is what buyers see, or of another mode."""
    earlier, newest = edition_of(context, id), context.shop.editions.newest(context.storefront)
    if newest is None or newest.published.fingerprint == earlier.published.fingerprint:
        raise Conflict(Fault(FaultCode.EDITION_NEWEST, "edition", str(earlier.number)))
    if newest.published.checkout.mode is not (mode := earlier.published.checkout.mode):
        raise Conflict(Fault(FaultCode.EDITION_OTHER_MODE, "edition", str(earlier.number), {"mode": mode.value}))
    _refuse_unready(context, as_published(earlier.published, id))
    with context.shop.together():
        return context.shop.editions.add(
            earlier.published, context.now, note=note, actor=context.actor.value, of_edition=id
        )


def back_would_change(context: Context, id: int) -> list[Change]:
    """Tells what going back to an earlier edition would change for buyers."""
    newest = context.shop.editions.newest(context.storefront)
    return differences(newest.published if newest else None, edition_of(context, id).published)


def plan(context: Context, fingerprint: str, at: datetime, note: str) -> Planned:
    """Plan what the owner looked at as the edition from a moment on; what was planned before is replaced."""
    if at <= context.now:
        raise Conflict(Fault(FaultCode.PLANNED_PAST, "at", at.isoformat()))
    with context.shop.together():
        shown = to_publish(context)
        refuse_unlike(shown, fingerprint)
        forbade = [_known_by(item) for item in stands_in_the_way(context, drafted(context), context.day)]
        planned = Planned(at, note, context.now, forbade, None, shown)
        context.shop.planned.put(planned)
    return planned


def plan_no_more(context: Context) -> None:
    """Take a planned edition back."""
    if not context.shop.planned.remove(context.storefront):
        raise NotFound(Fault(FaultCode.NOT_FOUND, "edition", "", {"what": "edition"}))


def publish_planned(context: Context) -> Edition | None:
    """Publish the planned edition of a storefront, whose moment has come.

    It is looked at again first: where something forbids now that did not when it was planned, it stays unpublished and
    says so. In live mode anything that forbids stops it.
    """
    with context.shop.together():
        planned = context.shop.planned.of(context.storefront)
        if planned is None or planned.stopped is not None or planned.at > context.now:
            return None
        mode = planned.published.checkout.mode
        before = () if mode is Mode.LIVE else planned.forbade
        stands = stands_in_the_way(context, as_published(planned.published, None), context.day)
        stops = [item for item in stands if _known_by(item) not in before]
        if stops:
            context.shop.planned.put(planned._replace(stopped=stops))
            return None
        context.shop.planned.remove(context.storefront)
        return context.shop.editions.add(
            planned.published, context.now, note=planned.note, actor=context.actor.value
        )


def publish_due(context: Context) -> None:
    """Publish every planned edition whose moment has come, by the clock."""
    for storefront in context.shop.planned.due(context.now):
        publish_planned(replace(context.at(storefront), actor=Actor.CLOCK))


def _known_by(item: ReadyItem) -> str:
    """An item by its code and what it is about: a count that is another one is no new obstacle."""
    return f"{item.code.value} {item.about}"


def _refuse_unready(context: Context, snapshot: CheckoutSnapshot) -> None:
    if snapshot.checkout.mode is not Mode.LIVE:
        return
    if stands_in_the_way(context, snapshot, context.day):
        raise Conflict(Fault(FaultCode.NOT_READY, "storefront", context.storefront))
