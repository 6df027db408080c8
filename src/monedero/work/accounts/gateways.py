"""The gateways of a shop: which one an account goes through, and what opens the account there."""

import logging
from collections.abc import Callable
from datetime import datetime

import httpx2
from pydantic import BaseModel

from monedero.core.account import Account, Mode
from monedero.core.errors import Conflict, Fault, FaultCode, NotFound
from monedero.store import DatabaseError, Store
from monedero.store.exchanges import Exchange
from monedero.work.accounts.gateway import Gateway, Wire
from monedero.work.accounts.hosts import Hosts


class HeldSecret(BaseModel):
    """A secret that signs notifications; one that was replaced is still believed until `until`."""

    secret: str
    until: datetime | None = None


class Access(BaseModel):
    """Holds what opens an account: the token, and the credentials or the address that it was given for. Always
    sealed.
    """

    token: str
    fields: dict[str, str] = {}
    email: str = ""
    changed_at: datetime
    secrets: list[HeldSecret] = []


def access_name(account: str, mode: Mode) -> str:
    """The name under which what opens an account is sealed."""
    return f"access {mode.value} {account}"


class Gateways:
    """The gateways of one shop."""

    def __init__(self, store: Store, base: str, now: Callable[[], datetime], hosts: Hosts) -> None:
        """`base` is the address under which every provider answers by its id; `hosts` are those of own gateways."""
        self.hosts = hosts
        self._store = store
        self._base = base
        self._now = now
        self.client: httpx2.Client | None = None
        self.address = ""

    def of(self, account: Account) -> Gateway:
        """The gateway of a connected account, opened."""
        access = self._store.sealed.get(access_name(account.id, account.mode), Access)
        if access is None:
            raise Conflict(Fault(FaultCode.NOT_CONNECTED, "account", account.id))
        return self.without_access(account, access.token)

    def by_id(self, account: str, mode: Mode) -> Gateway:
        """The gateway of an account by its id."""
        found = self._store.accounts.get(account, mode)
        if found is None:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "account", account, {"what": "account"}))
        return self.of(found)

    def without_access(self, account: Account, token: str = "") -> Gateway:
        """The gateway of an account that is not opened yet."""
        if self.client is None:
            raise Conflict(Fault(FaultCode.PROVIDER_SILENT, "provider", account.provider))
        blank = Exchange(
            account=account.id, mode=account.mode, at=self._now(), incoming=False, what="", verdict="sent"
        )
        own = self._own(account.provider)
        if own is not None:
            self.hosts.check(own)
        base = own or f"{self._base}/{account.provider}"
        wire = Wire(self.client, base, account.provider, blank, self._keep)
        return Gateway(wire, token)

    def here(self, provider: str, path: str) -> str:
        """A path of this application as a provider can reach it: whole, where it runs somewhere else."""
        return path if self._own(provider) is None else f"{self.address.rstrip('/')}{path}"

    def there(self, provider: str, page: str) -> str:
        """A page of a provider as a browser can reach it from here."""
        own = self._own(provider)
        return page if own is None or "://" in page else f"{own}{page}"

    def _keep(self, exchange: Exchange) -> None:
        """Keep what was asked, for reading alone: what cannot be kept fails nothing that was asked."""
        try:
            self._note(exchange)
        except DatabaseError:
            logging.getLogger(__name__).exception("not kept: %s", exchange.what)

    def _note(self, exchange: Exchange) -> None:
        """Keep an exchange; a reading that is done over and over only where its answer is another one."""
        if exchange.what.startswith("GET "):
            last = self._store.exchanges.last_asked(exchange.account, exchange.mode, exchange.what)
            if last is not None and (last.answer, last.text) == (exchange.answer, exchange.text):
                return
        self._store.exchanges.add(exchange)

    def _own(self, provider: str) -> str | None:
        """The address of a gateway of the shop's own; None for a provider that is simulated."""
        facts = self._store.providers.all().get(provider)
        return facts.gateway if facts else None
