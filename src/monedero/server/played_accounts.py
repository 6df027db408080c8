"""Accounts with their other side at the simulated provider: those of the demo, and those that are held elsewhere."""

import secrets
from datetime import datetime

from monedero.core.account import Account, MethodStanding
from monedero.formats import webhook
from monedero.standins.provider.merchants import Holder
from monedero.standins.provider.program import SimulatedProvider
from monedero.store import Store
from monedero.work.accounts.connections import NOTIFY
from monedero.work.accounts.gateways import Access, HeldSecret, access_name


def open_there(
    store: Store, provider: SimulatedProvider, account: Account, holder: Holder, now: datetime
) -> Account:
    """Open a merchant for an account at the provider that is played here, and keep what opens it."""
    merchant = provider.merchants.open(account.provider, account.mode, holder)
    methods: dict[str, MethodStanding | None] = dict.fromkeys(account.active_methods)
    methods |= {standing.method: standing for standing in account.other_methods}
    provider.merchants.put(merchant.model_copy(update={"methods": methods}))
    endpoint, secret = secrets.token_urlsafe(12), webhook.new_secret()
    provider.merchants.set_endpoint(merchant.number, f"{NOTIFY}/{endpoint}", secret)
    access = Access(
        token=provider.merchants.new_token(merchant.number),
        fields=merchant.credentials[0].fields if merchant.credentials else {},
        changed_at=now,
        secrets=[HeldSecret(secret=secret)],
    )
    store.sealed.put(access_name(account.id, account.mode), access)
    return account.model_copy(update={"number": merchant.number, "endpoint": endpoint})
