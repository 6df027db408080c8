"""The simulated phone and mailbox of the owner: what is sent there can be read in the application."""

import secrets
from collections.abc import Callable
from datetime import datetime
from typing import Literal, NamedTuple

from pydantic import BaseModel

from monedero.standins.shelf import Shelf

Way = Literal["text", "call", "mail"]


class Letter(BaseModel):
    """A text message, the words of a call, or a mail; `link` is where its link leads, within the application."""

    id: str
    way: Way
    sender: str
    to: str
    at: datetime
    subject: str
    text: str
    link: str = ""


class Words(NamedTuple):
    """What a letter says; a text message or a call has no subject."""

    text: str
    subject: str = ""
    link: str = ""


class Letterbox:
    """Everything that was sent to the owner."""

    def __init__(self, shelf: Shelf, now: Callable[[], datetime]) -> None:
        """Keep letters on a shelf."""
        self._shelf = shelf
        self._now = now

    def send(self, way: Way, sender: str, to: str, words: Words) -> None:
        """Send something to the owner."""
        id = secrets.token_hex(8)
        self._shelf.put(id, Letter(id=id, way=way, sender=sender, to=to, at=self._now(), **words._asdict()))

    def all(self) -> list[Letter]:
        """Everything that was sent, the newest first."""
        return self._shelf.all(Letter)[::-1]
