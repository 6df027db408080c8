"""Tells what a change of a draft would do to the shop's orders of a month, before it is made."""

from monedero.core.checkout.decision import Decision
from monedero.core.checkout.limit_cost import Moved, moved
from monedero.work.checkout.checkout_snapshot import drafted, setting_of
from monedero.work.checkout.dangling import refuse_dangling
from monedero.work.checkout.month_of_orders import same_orders
from monedero.work.checkout.offer import decision_of
from monedero.work.checkout.tenders import Edit, edited
from monedero.work.context import Context
from monedero.work.shop.order_in_hand import OrderInHand


def would_move(context: Context, edit: Edit, hand: OrderInHand) -> list[tuple[str, Moved]]:
    """The tenders, by name, that would gain or lose orders of the month if a draft were as an edit says."""
    snapshot = drafted(context)
    before = snapshot.checkout
    after = edited(before, edit)
    refuse_dangling(snapshot.shop, after)
    decision = Decision(after.tenders, setting_of(context, snapshot), after.shared_conditions, after.headings)
    month = same_orders(context, snapshot, hand)
    found = moved(decision_of(context, snapshot), decision, month)
    names = {tender.id: tender.name for tender in [*before.tenders, *after.tenders]}
    return [(names[id], found[id]) for id in names if id in found]
