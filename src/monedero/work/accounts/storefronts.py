"""Tells which storefronts an account serves, and whose it is."""

from collections.abc import Sequence

from monedero.core.account import Account
from monedero.core.errors import Fault, FaultCode, InvalidInput
from monedero.store import Store
from monedero.work.shop.lookups import described_shop


def serving(store: Store, account: Account, storefronts: Sequence[str], *, pooled: bool) -> Account:
    """An account as it would serve storefronts by their ids (none: all); refuses one that the shop does not have."""
    known = {storefront.id for storefront in described_shop(store).value.storefronts}
    unknown = [
        Fault(FaultCode.NOT_FOUND, f"storefronts.{place}", id, {"what": "storefront"})
        for place, id in enumerate(storefronts)
        if id not in known
    ]
    if unknown:
        raise InvalidInput(*unknown)
    update = {"storefronts": list(storefronts) or None, "pooled": pooled}
    return Account.model_validate(account.model_copy(update=update).model_dump())


def serve(store: Store, account: Account, storefronts: Sequence[str], *, pooled: bool) -> Account:
    """Let an account serve storefronts."""
    return store.accounts.change(
        account.id, account.mode, lambda now: serving(store, now, storefronts, pooled=pooled)
    )
