"""A room in which a draft is rehearsed: a copy of its shop with a world outside and a clock of its own.

Nothing in it touches the shop: no number of an invoice, no voucher and no order of it is spent. Every account is played
under its name, also one that is held elsewhere or lies at a gateway of the owner's own. When it is left, or the server
is killed meanwhile, the copy is nothing but a folder that the next start takes away.
"""

import tempfile
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from datetime import datetime, timedelta
from pathlib import Path

import httpx2
from starlette.types import ASGIApp

from monedero.core.account import Mode, Stage
from monedero.server.internal_server import entrance
from monedero.server.listening import listening
from monedero.server.played_accounts import open_there
from monedero.server.shops import ROOMS, RunningShop, Shops
from monedero.standins.provider.merchants import Holder
from monedero.work.shop.lookups import described_shop

FILE = "room"


class Room(Shops):
    """The copy of one shop; its time stands still until it is wound."""

    def __init__(self, folder: Path, of: RunningShop, at: datetime) -> None:
        """`folder` is empty; `at` is the true time at which the rehearsal begins."""
        self.folder = folder
        self._allowed: frozenset[str] = frozenset()
        self._client: httpx2.Client | None = None
        self._at = at
        self.true_time = lambda: self._at
        of.store.copy_to(folder / f"{FILE}.sqlite")
        self.shop = self._running(folder, of.id, FILE, rehearsal=True)
        self._by_id = {of.id: self.shop}
        self._open_accounts()

    def wind_to(self, moment: datetime) -> None:
        """Let time go on to a moment of the shop's clock."""
        self._at += max(moment - self.shop.clock.now(), timedelta(0))

    def close(self) -> None:
        """Close the files."""
        self.shop.store.close()
        self.shop.provider.world.memory.close()

    def _open_accounts(self) -> None:
        """Open a merchant for every account that stands ready, at a provider that is played under its name."""
        store, provider = self.shop.store, self.shop.provider
        name, country = (shop := described_shop(store).value).name, shop.country
        for facts in store.providers.all().values():
            if facts.gateway is not None:
                store.providers.put(facts.model_copy(update={"gateway": None}))
        with store.together(), provider.world.memory.together():
            for account in store.accounts.of(Mode.TEST).values():
                if account.stage is Stage.CONNECTED:
                    holder = Holder(name, "", country)
                    store.accounts.put(open_there(store, provider, account, holder, self.shop.clock.now()))


@contextmanager
def room_of(shops: Shops, running: RunningShop, make_app: Callable[[Shops], ASGIApp]) -> Iterator[Room]:
    """A room for a shop, whose provider and shop reach each other over the loopback address; it is cleared away.

    It lies in the data folder, for its owner alone; one that a kill leaves is cleared away at the next start.
    """
    with tempfile.TemporaryDirectory(prefix=ROOMS, dir=shops.folder) as folder:
        room = Room(Path(folder), running, shops.true_time())
        try:
            with (
                entrance(make_app(room), listening(0)) as address,
                httpx2.Client(base_url=address, timeout=10, trust_env=False) as client,
            ):
                room.connect(client)
                yield room
        finally:
            room.close()
