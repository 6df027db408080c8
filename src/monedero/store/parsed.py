"""Bodies that were read before are not read again: a write to one thing leaves all others as they were.

>>> lengths = Parsed(len)
>>> lengths.all(["card", "wallet"]), lengths.all(["wallet", "invoice"])
([4, 6], [6, 7])
"""

from collections.abc import Callable, Sequence
from typing import Generic, TypeVar

V = TypeVar("V")


class Parsed(Generic[V]):
    """The values of the bodies that were last read; what is read from a body never changes."""

    def __init__(self, read: Callable[[str], V]) -> None:
        """`read` makes the value of a body."""
        self._read = read
        self._known: dict[str, V] = {}

    def all(self, bodies: Sequence[str]) -> list[V]:
        """The values of all the bodies that there are now; others are forgotten."""
        before = self._known
        now = {body: before[body] if body in before else self._read(body) for body in bodies}
        self._known = now
        return [now[body] for body in bodies]
