"""Tells what every part of the simulated provider shares."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from datetime import datetime

from monedero.core.provider import ProviderFacts
from monedero.core.ratecard.model import RateCard
from monedero.standins.letterbox import Letterbox
from monedero.standins.memory import OutsideMemory


@dataclass(frozen=True, slots=True)
class World:
    """One memory, one clock, the providers by their data, and the path of their pages.

    `seed` decides the numbers of merchants and how notifications are shuffled; secrets are always drawn anew.
    """

    memory: OutsideMemory
    letters: Letterbox
    facts: Mapping[str, ProviderFacts]
    cards: Mapping[str, RateCard]
    now: Callable[[], datetime]
    mounted_at: str
    seed: int
