"""Where a server keeps its shops: the owner's own, and the demo shop beside it, never mixed."""

import secrets
from collections.abc import Callable
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path

from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.standins.provider import SimulatedProvider
from monedero.store import Store
from monedero.work.beginning import open_demo
from monedero.work.importing import Imports
from monedero.work.ordering import Till


@dataclass(frozen=True, slots=True)
class Room:
    """One shop with all that works on it."""

    demo: bool
    store: Store
    till: Till
    imports: Imports


class Premises:
    """The two shops of a data folder."""

    def __init__(self, folder: Path, now: Callable[[], datetime] | None = None) -> None:
        """Open the folder, make it where it is missing; `now` tells the time in UTC."""
        folder.mkdir(parents=True, exist_ok=True)
        self.now = now or (lambda: datetime.now(UTC))
        self.provider = SimulatedProvider(_key(folder / "simulated-provider.key"))
        self.own = self._room(folder / "shop.sqlite", demo=False)
        self.demo = self._room(folder / "demo.sqlite", demo=True)
        open_demo(self.demo.store, self.now())

    def room_with_order(self, token: str) -> Room:
        """The shop in which an order was placed."""
        for room in (self.own, self.demo):
            if room.store.orders.get(token) is not None:
                return room
        raise NotFound(Fault(FaultCode.NOT_FOUND, "order", token, {"what": "order"}))

    def _room(self, path: Path, *, demo: bool) -> Room:
        store = Store(path)
        return Room(demo, store, Till(store, self.provider, self.now), Imports(store))


def _key(path: Path) -> str:
    """The secret shared with the simulated provider, kept beside the databases, readable by the owner alone."""
    if not path.exists():
        path.touch(mode=0o600)
        path.write_text(secrets.token_urlsafe(32), encoding="ascii")
    return path.read_text(encoding="ascii")
