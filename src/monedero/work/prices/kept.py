"""A cache of what was worked out, as long as it rests on the same inputs; its size is bounded."""

from collections.abc import Callable, Hashable
from typing import Generic, TypeVar

V = TypeVar("V")
MOST = 4096


class Kept(Generic[V]):
    """Values by key, each made once; when there are too many all are made anew."""

    def __init__(self, most: int = MOST) -> None:
        self._values: dict[Hashable, V] = {}
        self._most = most

    def get(self, key: Hashable, make: Callable[[], V]) -> V:
        """The value of a key, made where it is not kept."""
        value = self._values.get(key)
        if value is None:
            if len(self._values) >= self._most:
                self._values.clear()
            value = make()
            self._values[key] = value
        return value
