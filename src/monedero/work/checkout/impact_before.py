"""Tells what a change would take away from buyers, before it is made: of the shop, of an account, of a draft."""

from collections.abc import Iterable, Iterator
from dataclasses import replace
from datetime import date

from monedero.core.account import Account
from monedero.core.checkout.coverage.parts import Examined
from monedero.core.checkout.decision import Setting
from monedero.core.shop import Shop
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, drafted, edition_now, setting_of
from monedero.work.checkout.dangling import refuse_dangling, refuse_lacking
from monedero.work.checkout.examined import Asked, decided, examined, space_of
from monedero.work.checkout.impact import Impact, Months, moves
from monedero.work.checkout.month_of_orders import placed_orders
from monedero.work.checkout.tenders import Edit, edited
from monedero.work.context import Context
from monedero.work.shop.lookups import described_shop, methods_of

# These parts of a shop decide who can pay; the rest can be changed without a look.
DECIDES = (
    *("country", "currency", "markets", "lines", "deliveries", "customer_groups", "areas"),
    *("typed_rates", "own_methods", "storefronts"),
)


def shop_would_move(context: Context, shop: Shop, day: date) -> list[tuple[CheckoutSnapshot, Impact]]:
    """Tells what another shop would change for the drafts of its storefronts, as they stand.

    Refuses what saving it would refuse: a shop without something that a condition names.
    """
    refuse_lacking(shop, context.shop.checkouts.all())
    now = described_shop(context.shop).value
    if all(getattr(now, part) == getattr(shop, part) for part in DECIDES):
        return []
    kept = {storefront.id for storefront in shop.storefronts}
    found = []
    for snapshot in _drafts(context, kept.intersection(front.id for front in now.storefronts)):
        changed = replace(snapshot, shop=shop, methods=methods_of(shop))
        found.append((snapshot, _moves(context, snapshot, changed, setting_of(context, changed), day)))
    return found


def account_would_move(
    context: Context, account: Account, then: Account | None, day: date
) -> list[tuple[CheckoutSnapshot, Impact]]:
    """Tells what another state of an account (None: it is left) would change for what buyers see now.

    Where nothing is published for a storefront, its draft is meant.
    """
    storefronts = [front.id for front in described_shop(context.shop).value.storefronts]
    found = []
    for snapshot in _seen(context, storefronts):
        if snapshot.checkout.mode is account.mode:
            setting = setting_of(context, snapshot)
            left = {id: held for id, held in setting.accounts.items() if id != account.id}
            if then is not None:
                left[account.id] = then
            found.append((snapshot, _moves(context, snapshot, snapshot, replace(setting, accounts=left), day)))
    return found


def edit_would_move(context: Context, edit: Edit, day: date) -> tuple[CheckoutSnapshot, Impact]:
    """Tells what an edit would change for a draft; refuses what saving it would refuse."""
    snapshot = drafted(context)
    after = edited(snapshot.checkout, edit)
    refuse_dangling(snapshot.shop, after)
    changed = replace(snapshot, checkout=after)
    return snapshot, _moves(context, snapshot, changed, setting_of(context, changed), day)


def publishing_would_move(context: Context, day: date) -> Impact | None:
    """Tells what publishing a draft would change for buyers; None before the first edition."""
    before, after = edition_now(context), drafted(context)
    if before is None:
        return None
    months = Months(placed_orders(context, day, before.shop), placed_orders(context, day, after.shop))
    return moves(examined(context, before, Asked(day)), examined(context, after, Asked(day)), months)


def _moves(
    context: Context, before: CheckoutSnapshot, after: CheckoutSnapshot, setting: Setting, day: date
) -> Impact:
    now = examined(context, before, Asked(day))
    then = Examined(decided(after.checkout, setting), space_of(after.shop, day))
    return moves(
        now, then, Months(placed_orders(context, day, before.shop), placed_orders(context, day, after.shop))
    )


def _drafts(context: Context, storefronts: Iterable[str]) -> Iterator[CheckoutSnapshot]:
    for storefront in storefronts:
        snapshot = drafted(context.at(storefront))
        if snapshot.checkout.tenders:
            yield snapshot


def _seen(context: Context, storefronts: Iterable[str]) -> Iterator[CheckoutSnapshot]:
    for storefront in storefronts:
        own = context.at(storefront)
        yield edition_now(own) or drafted(own)
