"""The shops of a server by their ids: the owner's own, and the demo shop beside it, never mixed."""

from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path
from shutil import rmtree

import httpx2
from pydantic import ValidationError

from monedero.core.account import Mode
from monedero.core.errors import Fault, FaultCode, NotFound, Refused
from monedero.letters.order_letter import write_letter
from monedero.letters.phone_code import write_code
from monedero.server.clock import Clock
from monedero.server.demo_shop import open_demo
from monedero.server.outside import gateways_of, pages_of, played_for
from monedero.standins.provider.contract import Played
from monedero.standins.provider.program import SimulatedProvider
from monedero.store import Store
from monedero.work.accounts.applications import Applications
from monedero.work.accounts.connections import Connections
from monedero.work.accounts.gateways import Gateways
from monedero.work.accounts.hosts import LOOPBACK, Hosts
from monedero.work.accounts.merchant_file import MerchantFile
from monedero.work.accounts.phone_codes import PhoneCodes
from monedero.work.context import Actor, Context
from monedero.work.orders.acts import OrderActs
from monedero.work.orders.notifications import Notifications
from monedero.work.orders.paid_later import PaidLater
from monedero.work.orders.place_order import OrderIntake
from monedero.work.ready.publishing import publish_due
from monedero.work.shop.past_orders import Imports

OWN, DEMO = "own", "demo"
ROOMS = "rehearsal-"
"""The beginning of the names of the folders in which drafts are rehearsed."""


@dataclass(frozen=True, slots=True)
class RunningShop:
    """One shop with all that works on it, and the world outside that is played for it."""

    id: str
    store: Store
    clock: Clock
    provider: SimulatedProvider
    gateways: Gateways
    intake: OrderIntake
    order_acts: OrderActs
    paid_later: PaidLater
    applications: Applications
    connections: Connections
    notifications: Notifications
    merchant_file: MerchantFile
    imports: Imports

    @property
    def demo(self) -> bool:
        """True if it is the demo shop."""
        return self.id == DEMO

    def beat(self) -> None:
        """Let everything happen whose moment has come: at the provider, on its way, and in the shop."""
        self.provider.tick()
        self.order_acts.tick()
        if self.store.description.read() is not None:
            publish_due(Context.of(self.store, Actor.CLOCK, self.clock.now()))

    def ask_around(self) -> None:
        """Ask where every application stands, and how every account does."""
        for mode in Mode:
            for account in self.store.accounts.of(mode).values():
                self.connections.refresh(self.applications.refresh(account))


def set_aside(folder: Path) -> None:
    """Give the files of the demo other names, so that it begins anew."""
    number = 1
    while (folder / f"demo-before-{number}").exists():
        number += 1
    before = folder / f"demo-before-{number}"
    before.mkdir(mode=0o700)
    for file in [*folder.glob("demo.*"), *folder.glob("demo-outside.*")]:
        file.rename(before / file.name)


class Shops:
    """The shops of a data folder, by their ids in one registry."""

    def __init__(
        self, folder: Path, now: Callable[[], datetime] | None = None, allowed: Iterable[str] = ()
    ) -> None:
        """Open the folder, make it where it is missing; `now` tells the time in UTC.

        `allowed` are hosts on which gateways of the owner's own may lie besides public ones.
        """
        self._allowed = frozenset(allowed)
        folder.mkdir(mode=0o700, parents=True, exist_ok=True)
        folder.chmod(0o700)
        self.folder = folder
        for left in folder.glob(f"{ROOMS}*"):
            # A rehearsal that was killed left its copy of the shop.
            rmtree(left, ignore_errors=True)
        self.true_time = now or (lambda: datetime.now(UTC))
        self._client: httpx2.Client | None = None
        self._by_id = {OWN: self._running(folder, OWN, "shop")}
        try:
            self._by_id[DEMO] = self._opened_demo(folder)
        except (Refused, ValidationError):
            # The demo holds nothing of the owner's: where an earlier state of it cannot be opened, it is made anew.
            set_aside(folder)
            self._by_id[DEMO] = self._opened_demo(folder)

    def _opened_demo(self, folder: Path) -> RunningShop:
        running = self._running(folder, DEMO, "demo")
        open_demo(running.store, running.provider, running.clock.now())
        return running

    def connect(self, client: httpx2.Client, address: str | None = None) -> None:
        """Say how gateways and shops reach each other over HTTP, and at which address others reach this server."""
        self._client = client
        for running in self:
            running.gateways.client = client
            running.gateways.address = address or str(client.base_url)

    def beat(self) -> None:
        """Let everything happen whose moment has come, in both shops."""
        for running in self:
            running.beat()

    def ask_around(self) -> None:
        """Ask where applications and accounts stand, in both shops."""
        for running in self:
            running.ask_around()

    def __iter__(self) -> Iterator[RunningShop]:
        """Every shop, the owner's own first."""
        return iter(self._by_id.values())

    @property
    def own(self) -> RunningShop:
        """The shop of the owner."""
        return self._by_id[OWN]

    @property
    def demo(self) -> RunningShop:
        """The demo shop."""
        return self._by_id[DEMO]

    def find(self, id: str) -> RunningShop | None:
        """A shop by its id; None where there is none."""
        return self._by_id.get(id)

    def running(self, id: str) -> RunningShop:
        """A shop by its id; refused where there is none."""
        found = self.find(id)
        if found is None:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "shop", id[:40], {"what": "shop"}))
        return found

    def with_order(self, token: str) -> RunningShop:
        """The shop in which an order was placed."""
        for running in self:
            if running.store.orders.get(token) is not None:
                return running
        raise NotFound(Fault(FaultCode.NOT_FOUND, "order", token, {"what": "order"}))

    def played(self, id: str) -> Played:
        """Tells who is played for a shop, and how a file of its storefront's domain is read."""
        return Played(self.running(id).provider, self.fetch)

    def _running(self, folder: Path, id: str, file: str, *, rehearsal: bool = False) -> RunningShop:
        store = Store(folder / f"{file}.sqlite", lasting=not rehearsal)
        clock = Clock(store, self.true_time)
        provider = played_for(
            id, folder / f"{file}-outside.sqlite", clock.now, self._post, store, rehearsal=rehearsal
        )
        hosts = Hosts(self._allowed | LOOPBACK if id == DEMO else self._allowed)
        gateways = Gateways(store, gateways_of(id), clock.now, hosts)
        intake = OrderIntake(store, gateways, clock.now, write_letter)
        acts = OrderActs(store, intake)
        codes = PhoneCodes(store, provider.letters, clock.now, write_code)
        return RunningShop(
            id=id,
            store=store,
            clock=clock,
            provider=provider,
            gateways=gateways,
            intake=intake,
            order_acts=acts,
            paid_later=PaidLater(intake, acts),
            applications=Applications(store, gateways, codes, clock.now),
            connections=Connections(store, gateways, pages_of(id), clock.now),
            notifications=Notifications(store, intake, clock.now),
            merchant_file=MerchantFile(store, clock.now),
            imports=Imports(store, folder / f"{file}.sqlite"),
        )

    def _post(self, path: str, headers: dict[str, str], body: bytes) -> int | None:
        """Carry a notification to a shop; None where nobody answers."""
        if self._client is None:
            return None
        try:
            return self._client.post(path, headers=headers, content=body).status_code
        except httpx2.TransportError:
            return None

    def fetch(self, path: str) -> str | None:
        """Read a file of a storefront's domain, as a provider would."""
        if self._client is None:
            return None
        try:
            answer = self._client.get(path)
        except httpx2.TransportError:
            return None
        return answer.text if answer.status_code == 200 else None
