"""Which storefronts an account serves, and whose it is."""

from collections.abc import Sequence

from monedero.core.account import Account
from monedero.core.errors import Fault, FaultCode, InvalidInput
from monedero.store import Store
from monedero.work.basis import described_shop, draft


def serve(store: Store, account: Account, storefronts: Sequence[str], *, pooled: bool) -> Account:
    """Let an account serve these storefronts (none named: all); one that the shop does not have is refused."""
    known = {storefront.name for storefront in described_shop(store).value.storefronts}
    known.add(draft(store).value.storefront)
    unknown = [
        Fault(FaultCode.NOT_FOUND, f"storefronts.{place}", name, {"what": "storefront"})
        for place, name in enumerate(storefronts)
        if name not in known
    ]
    if unknown:
        raise InvalidInput(*unknown)
    update = {"storefronts": list(storefronts) or None, "pooled": pooled}
    changed = Account.model_validate(account.model_copy(update=update).model_dump())
    store.accounts.put(changed)
    return changed
