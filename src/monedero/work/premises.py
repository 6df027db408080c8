"""Where a server keeps its shops: the owner's own, and the demo shop beside it, never mixed."""

from collections.abc import Callable, Iterable
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path

import httpx2
from pydantic import ValidationError

from monedero import demo as demo_data
from monedero.core.account import Mode
from monedero.core.errors import Fault, FaultCode, NotFound, Refused
from monedero.standins.letterbox import Letterbox
from monedero.standins.provider.program import CONTRACT_AT, MOUNTED_AT, SimulatedProvider
from monedero.standins.provider.world import World
from monedero.standins.shelf import Shelf
from monedero.store import Store
from monedero.work.accounts.applying import Applying
from monedero.work.accounts.business import Drawer
from monedero.work.accounts.connecting import Connecting
from monedero.work.accounts.hearing import Hearing
from monedero.work.accounts.phone_codes import PhoneCodes
from monedero.work.beginning import open_demo
from monedero.work.clock import Clock
from monedero.work.gateways import Gateways
from monedero.work.hosts import LOOPBACK, Hosts
from monedero.work.importing import Imports
from monedero.work.ordering import Till
from monedero.work.settling import Settling

SEED = 2026


@dataclass(frozen=True, slots=True)
class Room:
    """One shop with all that works on it, and the world outside that is played for it."""

    name: str
    store: Store
    clock: Clock
    provider: SimulatedProvider
    gateways: Gateways
    till: Till
    settling: Settling
    applying: Applying
    connecting: Connecting
    hearing: Hearing
    drawer: Drawer
    imports: Imports

    @property
    def demo(self) -> bool:
        """Whether it is the demo shop."""
        return self.name == "demo"

    def beat(self) -> None:
        """Let everything happen whose moment has come: at the provider, on its way, and in the shop."""
        self.provider.tick()
        self.settling.tick()

    def ask_around(self) -> None:
        """Ask where every application stands, and how every account does."""
        for mode in Mode:
            for account in self.store.accounts.of(mode).values():
                self.connecting.refresh(self.applying.refresh(account))


def set_aside(folder: Path) -> None:
    """Give the files of the demo other names, so that it begins anew."""
    number = 1
    while (folder / f"demo-before-{number}").exists():
        number += 1
    before = folder / f"demo-before-{number}"
    before.mkdir(mode=0o700)
    for file in [*folder.glob("demo.*"), *folder.glob("demo-outside.*")]:
        file.rename(before / file.name)


class Premises:
    """The two shops of a data folder."""

    def __init__(
        self, folder: Path, now: Callable[[], datetime] | None = None, allowed: Iterable[str] = ()
    ) -> None:
        """Open the folder, make it where it is missing; `now` tells the time in UTC.

        `allowed` are hosts on which gateways of the owner's own may lie besides public ones.
        """
        self._allowed = frozenset(allowed)
        folder.mkdir(mode=0o700, parents=True, exist_ok=True)
        folder.chmod(0o700)
        self.true_time = now or (lambda: datetime.now(UTC))
        self._client: httpx2.Client | None = None
        self.own = self._room(folder, "own", "shop")
        try:
            self.demo = self._opened_demo(folder)
        except (Refused, ValidationError):
            # The demo holds nothing of the owner's: where an earlier state of it cannot be opened, it is made anew.
            set_aside(folder)
            self.demo = self._opened_demo(folder)

    def _opened_demo(self, folder: Path) -> Room:
        room = self._room(folder, "demo", "demo")
        open_demo(room.store, room.provider, room.clock.now())
        return room

    def connect(self, client: httpx2.Client, address: str | None = None) -> None:
        """Say how gateways and shops reach each other over HTTP, and at which address others reach this server."""
        self._client = client
        for room in (self.own, self.demo):
            room.gateways.client = client
            room.gateways.address = address or str(client.base_url)

    def beat(self) -> None:
        """Let everything happen whose moment has come, in both shops."""
        for room in (self.own, self.demo):
            room.beat()

    def ask_around(self) -> None:
        """Ask where applications and accounts stand, in both shops."""
        for room in (self.own, self.demo):
            room.ask_around()

    def room(self, name: str) -> Room:
        """A shop by its name, `own` or `demo`."""
        for room in (self.own, self.demo):
            if room.name == name:
                return room
        raise NotFound(Fault(FaultCode.NOT_FOUND, "room", name, {"what": "shop"}))

    def room_with_order(self, token: str) -> Room:
        """The shop in which an order was placed."""
        for room in (self.own, self.demo):
            if room.store.orders.get(token) is not None:
                return room
        raise NotFound(Fault(FaultCode.NOT_FOUND, "order", token, {"what": "order"}))

    def _room(self, folder: Path, name: str, file: str) -> Room:
        store = Store(folder / f"{file}.sqlite")
        clock = Clock(store, self.true_time)
        shelf = Shelf(folder / f"{file}-outside.sqlite")
        letters = Letterbox(shelf, clock.now)
        pages = f"{MOUNTED_AT}/{name}"
        facts = {entry.id: entry for entry in demo_data.providers()}
        cards = {card.provider.id: card for card in demo_data.rate_cards()}
        world = World(shelf, letters, facts, cards, clock.now, pages, SEED)
        provider = SimulatedProvider(world, self._post)
        hosts = Hosts(self._allowed | LOOPBACK if name == "demo" else self._allowed)
        gateways = Gateways(store, f"{CONTRACT_AT}/{name}", clock.now, hosts)
        till = Till(store, gateways, clock.now)
        codes = PhoneCodes(store, letters, clock.now)
        return Room(
            name=name,
            store=store,
            clock=clock,
            provider=provider,
            gateways=gateways,
            till=till,
            settling=Settling(store, till, gateways),
            applying=Applying(store, gateways, codes, clock.now),
            connecting=Connecting(store, gateways, pages, clock.now),
            hearing=Hearing(store, till, clock.now),
            drawer=Drawer(store, clock.now),
            imports=Imports(store),
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
