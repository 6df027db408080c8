"""The simulated phone and mailbox of the owner: what is sent there can be read in the application."""

import secrets
from collections.abc import Callable
from datetime import datetime

from monedero.core.letter import Letter, Way, Words
from monedero.standins.memory import OutsideMemory


class Letterbox:
    """Everything that was sent to the owner."""

    def __init__(self, memory: OutsideMemory, now: Callable[[], datetime]) -> None:
        self._memory = memory
        self._now = now

    def send(self, way: Way, sender: str, to: str, words: Words) -> None:
        """Send something to the owner."""
        id = secrets.token_hex(8)
        self._memory.put(id, Letter(id=id, way=way, sender=sender, to=to, at=self._now(), **words._asdict()))

    def all(self) -> list[Letter]:
        """Everything that was sent, the newest first."""
        return self._memory.all(Letter)[::-1]
