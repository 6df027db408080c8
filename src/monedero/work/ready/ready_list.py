"""One list of what stands between a checkout and real buyers, with the reasons for which warnings are accepted."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date

from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, NotFound
from monedero.core.ready import Accepted, ReadyItem, Weight, in_sequence
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, drafted
from monedero.work.context import Context
from monedero.work.ready.of_accounts import of_accounts
from monedero.work.ready.of_checkout import of_checkout
from monedero.work.ready.of_rehearsal import of_rehearsal
from monedero.work.ready.of_shop import of_shop


@dataclass(frozen=True, slots=True)
class ReadyEntry:
    """An item, and the reason for which it is accepted (None: it is not)."""

    item: ReadyItem
    accepted: Accepted | None


def ready_items(context: Context, snapshot: CheckoutSnapshot, day: date) -> list[ReadyItem]:
    """Everything that stands in the way of a snapshot, what forbids first."""
    every = (
        of_checkout(context, snapshot, day),
        of_accounts(context, snapshot),
        of_shop(context),
        of_rehearsal(context, snapshot),
    )
    return in_sequence(item for items in every for item in items)


def with_reasons(context: Context, items: Iterable[ReadyItem]) -> list[ReadyEntry]:
    """The items with the reasons for which they are accepted."""
    accepted = context.shop.acceptances.of(context.storefront)
    return [ReadyEntry(item, accepted.get(item.id)) for item in in_sequence(items)]


def accept(context: Context, items: Iterable[ReadyItem], id: str, reason: str) -> None:
    """Keep the reason for which a warning of a list is accepted; what forbids cannot be."""
    item = next((item for item in items if item.id == id), None)
    if item is None:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "item", id[:80], {"what": "item"}))
    if item.weight is Weight.FORBIDS:
        raise Conflict(Fault(FaultCode.CANNOT_ACCEPT, "item", id))
    if not reason.strip():
        raise InvalidInput(Fault(FaultCode.BLANK, "reason", reason))
    told = Accepted(reason.strip(), context.actor.value, context.now)
    context.shop.acceptances.put(context.storefront, id, told)


def accept_no_more(context: Context, id: str) -> None:
    """Take a reason back; refused where none was given."""
    if not context.shop.acceptances.remove(context.storefront, id):
        raise NotFound(Fault(FaultCode.NOT_FOUND, "item", id[:80], {"what": "item"}))


def stands_in_the_way(context: Context, snapshot: CheckoutSnapshot, day: date) -> list[ReadyItem]:
    """The items of a snapshot that forbid."""
    return [item for item in ready_items(context, snapshot, day) if item.weight is Weight.FORBIDS]


def draft_items(context: Context, day: date) -> list[ReadyItem]:
    """The items of the draft."""
    return ready_items(context, drafted(context), day)
