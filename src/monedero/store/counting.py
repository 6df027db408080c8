"""A database that counts what was written to it, so that what was read can be kept in memory until the next write.

One server holds a data folder, so that its own writes are all there are; what a process of its own writes is told.
SQLite takes one writer at a time, and refuses one that has waited too long. So the threads of the server wait here, one
behind the other, for as long as it takes.
"""

import threading
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from typing import Any, TypeVar

from peewee import SqliteDatabase

V = TypeVar("V")
READS = ("SELECT", "PRAGMA")


class CountingDatabase(SqliteDatabase):
    """A SQLite database with the number of its writes, counted once they can be seen by others."""

    def __init__(self, path: str, pragmas: dict[str, Any]) -> None:
        """Open a file, made where it is missing."""
        super().__init__(path, pragmas=pragmas)
        self.writes = 0
        self._read: dict[str, tuple[int, Any]] = {}
        self._writer = threading.RLock()

    @contextmanager
    def atomic(self, *given: Any, **more: Any) -> Iterator[Any]:  # type: ignore[override]
        """Keep all that is written within, or nothing of it; one thread at a time."""
        with self._writer, super().atomic(*given, **more) as held:
            yield held

    def kept(self, name: str, read: Callable[[], V]) -> V:
        """Keeps what was read under a name in memory until the next write; within a transaction it is read anew.

        Whoever reads must not change what it is given.
        """
        writes = self.writes
        entry = self._read.get(name)
        if self.in_transaction():
            return read()
        if entry is None or entry[0] != writes:
            entry = self._read[name] = (writes, read())
        found: V = entry[1]
        return found

    def execute_sql(self, sql: str, params: Any = None) -> Any:
        """Run a statement; one that writes outside a transaction counts at once."""
        if sql.lstrip().upper().startswith(READS) or self.in_transaction():
            return super().execute_sql(sql, params)
        with self._writer:
            cursor = super().execute_sql(sql, params)
            if not self.in_transaction():
                self.writes += 1
        return cursor

    def commit(self) -> Any:
        """End a transaction; all that was written in it counts."""
        ended = super().commit()
        self.writes += 1
        return ended
