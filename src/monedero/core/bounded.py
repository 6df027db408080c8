"""A cache within a bound: when it is full, everything is forgotten and begun anew.

Source: own design.

>>> kept: Bounded[str, int] = Bounded(2)
>>> kept.put("a", 1), kept.put("b", 2), kept.put("c", 3)
(1, 2, 3)
>>> kept.get("a") is None, kept.get("c")
(True, 3)
"""

from typing import TypeVar

K = TypeVar("K")
V = TypeVar("V")


class Bounded(dict[K, V]):
    """Values by their keys, `most` of them at once."""

    def __init__(self, most: int) -> None:
        """Nothing is kept yet."""
        super().__init__()
        self._most = most

    def put(self, key: K, value: V) -> V:
        """Keep a value, and give it back."""
        if len(self) >= self._most:
            self.clear()
        self[key] = value
        return value
