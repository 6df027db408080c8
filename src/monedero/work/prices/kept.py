"""A cache of what was worked out, as long as it rests on the same inputs; its size is bounded."""

from collections.abc import Callable, Hashable
from concurrent.futures import Future
from threading import Lock
from typing import Generic, TypeVar

V = TypeVar("V")
MOST = 4096


class Kept(Generic[V]):
    """Values by key, each made once; when there are too many all are made anew.

    Views that ask for a value while it is being made wait for it: the first views of a shop all need its month.
    """

    def __init__(self, most: int = MOST) -> None:
        self._values: dict[Hashable, V] = {}
        self._being_made: dict[Hashable, Future[V]] = {}
        self._most = most
        self._lock = Lock()

    def get(self, key: Hashable, make: Callable[[], V]) -> V:
        """The value of a key, made where it is not kept; who waits for it meets the maker's error too."""
        value = self._values.get(key)
        if value is not None:
            return value
        with self._lock:
            being_made = self._being_made.get(key)
            mine: Future[V] = Future()
            if being_made is None:
                self._being_made[key] = mine
        if being_made is not None:
            return being_made.result()
        try:
            value = make()
        except BaseException as error:
            mine.set_exception(error)
            raise
        else:
            self._keep(key, value)
            mine.set_result(value)
            return value
        finally:
            del self._being_made[key]

    def _keep(self, key: Hashable, value: V) -> None:
        if len(self._values) >= self._most:
            self._values.clear()
        self._values[key] = value
