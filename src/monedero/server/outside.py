"""The world outside that ships with the server: a simulated provider for each shop, and where it is reached."""

from collections.abc import Callable
from datetime import datetime
from pathlib import Path

from monedero import demo
from monedero.standins.letterbox import Letterbox
from monedero.standins.memory import OutsideMemory
from monedero.standins.provider.courier import Post
from monedero.standins.provider.program import CONTRACT_AT, MOUNTED_AT, SimulatedProvider
from monedero.standins.provider.world import World

# Decides the numbers of merchants and how notifications are shuffled, so that a demo can be told again.
SEED = 2026


def played_for(name: str, memory: Path, now: Callable[[], datetime], post: Post) -> SimulatedProvider:
    """The world outside of a shop, with its memory in a file; `post` carries its notifications."""
    kept = OutsideMemory(memory)
    facts = {entry.id: entry for entry in demo.providers()}
    cards = {card.provider.id: card for card in demo.rate_cards()}
    world = World(kept, Letterbox(kept, now), facts, cards, now, pages_of(name), SEED)
    return SimulatedProvider(world, post)


def pages_of(name: str) -> str:
    """Where the simulated provider's pages for a shop are."""
    return f"{MOUNTED_AT}/{name}"


def gateways_of(name: str) -> str:
    """Where the simulated provider answers a shop by the contract of `docs/gateway.md`."""
    return f"{CONTRACT_AT}/{name}"


def may_be_framed(path: str) -> bool:
    """Whether a page may stand in a frame of this site: where a provider that is played here takes a payment."""
    return path.startswith(f"{MOUNTED_AT}/") and path.split("/")[4:5] == ["pay"]
