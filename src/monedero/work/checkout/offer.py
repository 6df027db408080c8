"""Tells what a checkout offers, by its compiled decision: made once for what it rests on, then asked for any order.

Nothing is read from the database for an order, as long as nothing was written to it.
"""

from collections.abc import Callable, Hashable
from dataclasses import dataclass, field
from weakref import WeakKeyDictionary

from monedero.core.checkout.coverage.parts import Examined
from monedero.core.checkout.decision import Decision, Outcome
from monedero.core.order.model import Order
from monedero.store import Revision, Store
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, published, setting_of
from monedero.work.context import Context
from monedero.work.prices.kept import Kept

MOST_EXAMINED = 16


@dataclass
class _KeptDecisions:
    """Holds what was made at a revision of a shop: buyers' bases by storefront, and decisions by draft or edition."""

    revision: Revision
    newest: dict[str | None, CheckoutSnapshot] = field(default_factory=dict)
    examined: Kept[Examined] = field(default_factory=lambda: Kept(MOST_EXAMINED))
    decisions: dict[tuple[str, int | None, int | None], Decision] = field(default_factory=dict)


_by_store: WeakKeyDictionary[Store, _KeptDecisions] = WeakKeyDictionary()


def _kept(context: Context) -> _KeptDecisions:
    revision, kept = context.shop.revision(), _by_store.get(context.shop)
    if kept is None or kept.revision != revision:
        kept = _by_store[context.shop] = _KeptDecisions(revision)
    return kept


def newest(context: Context) -> CheckoutSnapshot:
    """Tells what buyers of a storefront see, kept in memory; refused until its first edition is published."""
    kept = _kept(context)
    if context.storefront not in kept.newest:
        kept.newest[context.storefront] = published(context)
    return kept.newest[context.storefront]


def decision_of(context: Context, snapshot: CheckoutSnapshot) -> Decision:
    """The compiled decision of a draft or an edition, with the accounts as they stand now.

    That of a checkout that is neither, such as a draft before its last change, is not kept.
    """
    decisions = _kept(context).decisions
    key = (snapshot.checkout.storefront, snapshot.edition, snapshot.draft_version)
    if key not in decisions:
        checkout = snapshot.checkout
        made = Decision(
            checkout.tenders, setting_of(context, snapshot), checkout.shared_conditions, checkout.headings
        )
        if snapshot.edition is None and snapshot.draft_version is None:
            return made
        decisions[key] = made
    return decisions[key]


def kept_examined(context: Context, key: Hashable, make: Callable[[], Examined]) -> Examined:
    """A checkout that is examined for coverage, kept as long as nothing changes."""
    return _kept(context).examined.get(key, make)


def placed(context: Context, snapshot: CheckoutSnapshot, order: Order) -> list[Outcome]:
    """The tenders that are offered for an order, as buyers meet them; none for an order of zero."""
    return [] if order.nothing_to_pay else decision_of(context, snapshot).placed(order)


def outcomes_of(context: Context, snapshot: CheckoutSnapshot, order: Order) -> list[Outcome]:
    """Every tender with its place or all its reasons; none for an order of zero, which needs no payment."""
    return [] if order.nothing_to_pay else decision_of(context, snapshot).outcomes(order)
