"""The world outside that ships with the server: a simulated provider for each shop, and where it is reached."""

from collections.abc import Callable, Iterator, Mapping
from datetime import datetime
from pathlib import Path
from typing import TypeVar

from monedero import demo
from monedero.core.ratecard.model import RateCard
from monedero.standins.letterbox import Letterbox
from monedero.standins.memory import OutsideMemory
from monedero.standins.provider.courier import Post
from monedero.standins.provider.program import CONTRACT_AT, MOUNTED_AT, SimulatedProvider
from monedero.standins.provider.world import World
from monedero.store import Store
from monedero.store.rate_cards import day_of

V = TypeVar("V")

# Decides the numbers of merchants and how notifications are shuffled, so that a demo can be told again.
SEED = 2026


class Live(Mapping[str, V]):
    """The fixed providers, and beside them what a shop has now: a provider that an owner put in is played as well."""

    def __init__(self, fixed: Mapping[str, V], now: Callable[[], Mapping[str, V]]) -> None:
        self._fixed, self._now = fixed, now

    def __getitem__(self, key: str) -> V:
        """Fixed entries go first."""
        return self._fixed[key] if key in self._fixed else self._now()[key]

    def __iter__(self) -> Iterator[str]:
        """Every key of both."""
        return iter({**self._now(), **self._fixed})

    def __len__(self) -> int:
        """How many there are of both."""
        return len({**self._now(), **self._fixed})


def played_for(  # noqa: PLR0913 - what a world outside needs of its shop
    name: str, memory: Path, now: Callable[[], datetime], post: Post, store: Store, *, rehearsal: bool = False
) -> SimulatedProvider:
    """The world outside of a shop, with its memory in a file; `post` carries its notifications.

    The invented providers have prices of their own; any other one is played by what the shop has of it, and so are all
    of them in a `rehearsal`, which need not outlive a loss of power.
    """
    kept = OutsideMemory(memory, lasting=not rehearsal)

    def newest() -> Mapping[str, RateCard]:
        return {card.provider.id: card for card in sorted(store.rate_cards.all(), key=day_of)}

    facts = Live({entry.id: entry for entry in demo.providers()}, store.providers.all)
    cards = Live({} if rehearsal else {card.provider.id: card for card in demo.rate_cards()}, newest)
    world = World(kept, Letterbox(kept, now), facts, cards, now, pages_of(name), SEED)
    return SimulatedProvider(world, post)


def pages_of(name: str) -> str:
    """Tells where the simulated provider's pages for a shop are."""
    return f"{MOUNTED_AT}/{name}"


def gateways_of(name: str) -> str:
    """Tells where the simulated provider answers a shop by the contract of `docs/gateway.md`."""
    return f"{CONTRACT_AT}/{name}"


def may_be_framed(path: str) -> bool:
    """True if a page may stand in a frame of this site: where a provider that is played here takes a payment."""
    return path.startswith(f"{MOUNTED_AT}/") and path.split("/")[4:5] == ["pay"]
