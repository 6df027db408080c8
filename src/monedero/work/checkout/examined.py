"""A checkout with the orders that its shop can receive, examined for coverage: a draft, an edition, a file."""

from collections.abc import Iterable, Mapping
from dataclasses import replace
from datetime import date
from typing import NamedTuple

from monedero.core.account import Account
from monedero.core.checkout.coverage.parts import Examined, accounts_aside, every_check
from monedero.core.checkout.coverage.space import Space
from monedero.core.checkout.decision import Decision, Setting
from monedero.core.checkout.model import Checkout
from monedero.core.shop import Shop
from monedero.formats.checkout_file import CheckoutFile
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, setting_of
from monedero.work.checkout.offer import decision_of, kept_examined
from monedero.work.context import Context


class Asked(NamedTuple):
    """The day of the orders, whether how accounts stand is left aside, and a provider whose accounts are left out."""

    day: date
    as_if_ready: bool = False
    without: str | None = None


def space_of(shop: Shop | CheckoutFile, day: date) -> Space:
    """The orders that a shop can receive on a day and that are paid when they are placed, at least in part."""
    ways, groups = [way.id for way in shop.deliveries], [group.id for group in shop.customer_groups]
    lines = [line for line in shop.lines if line.deposit is None or not line.deposit.nothing_now]
    return Space.of(shop.markets, lines, ways, groups, shop.areas, day)


def out_of(accounts: Iterable[Account], without: str | None) -> list[str]:
    """The ids of the accounts with a provider that is left out, and its own."""
    if not without:
        return []
    return [*(account.id for account in accounts if account.provider == without), without]


def examined(context: Context, snapshot: CheckoutSnapshot, asked: Asked) -> Examined:
    """A draft or an edition with the accounts as they stand, kept until something changes.

    One that is neither, such as an edition that is planned, is not kept.
    """
    key = (snapshot.checkout.storefront, snapshot.edition, snapshot.draft_version, asked)

    def make() -> Examined:
        if not asked.without:
            decision = decision_of(context, snapshot)
        else:
            decision = decided(snapshot.checkout, setting_without(setting_of(context, snapshot), asked.without))
        return looked_into(
            decision, space_of(snapshot.shop, asked.day), asked, setting_of(context, snapshot).accounts
        )

    if snapshot.edition is None and snapshot.draft_version is None:
        return make()
    return kept_examined(context, key, make)


def looked_into(decision: Decision, space: Space, asked: Asked, accounts: Mapping[str, Account]) -> Examined:
    """A decision over the orders of a shop, with the checks that count for what is asked."""
    keep = accounts_aside(out_of(accounts.values(), asked.without)) if asked.as_if_ready else every_check
    over = Examined(decision, space, keep)
    return replace(over, space=space.merged(over.told_of_line))


def decided(checkout: Checkout, setting: Setting) -> Decision:
    """The decision of a checkout."""
    return Decision(checkout.tenders, setting, checkout.shared_conditions, checkout.headings)


def setting_without(setting: Setting, provider: str) -> Setting:
    """A setting without the accounts of a provider."""
    kept = {id: account for id, account in setting.accounts.items() if account.provider != provider}
    return replace(setting, accounts=kept)
