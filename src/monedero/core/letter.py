"""A letter to the owner: a text message, the words of a call, or a mail.

Source: own design.

>>> Words("Your code is 123456.").subject
''
"""

from datetime import datetime
from typing import Literal, NamedTuple, Protocol

from pydantic import BaseModel

Way = Literal["text", "call", "mail"]


class Letter(BaseModel):
    """A letter as it arrived; `link` is where its link leads, within the application."""

    id: str
    way: Way
    sender: str
    to: str
    at: datetime
    subject: str
    text: str
    link: str = ""


class Words(NamedTuple):
    """Holds what a letter says; a text message or a call has no subject."""

    text: str
    subject: str = ""
    link: str = ""


class Carrier(Protocol):
    """Whoever brings letters to the owner."""

    def send(self, way: Way, sender: str, to: str, words: Words) -> None:
        """Bring a letter."""
