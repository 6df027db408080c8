"""Where the stand-ins keep what they know: things by kind and id, in one SQLite file of their own.

It is the only store of the outside world that is played here, apart from the shop's, as it would be in truth.
"""

import sqlite3
import threading
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import TypeVar

from pydantic import BaseModel

M = TypeVar("M", bound=BaseModel)


class Shelf:
    """Things by kind and id. One connection, one writer at a time."""

    def __init__(self, path: Path) -> None:
        """Open the file, made where it is missing."""
        self._lock = threading.RLock()
        self._depth = 0
        self._database = sqlite3.connect(path, isolation_level=None, check_same_thread=False)
        self._database.execute("PRAGMA journal_mode=wal")
        self._database.execute("PRAGMA synchronous=full")
        self._database.execute(
            "CREATE TABLE IF NOT EXISTS thing "
            "(place INTEGER PRIMARY KEY, kind TEXT NOT NULL, id TEXT NOT NULL, body TEXT NOT NULL, "
            "waits INTEGER NOT NULL, UNIQUE (kind, id))"
        )
        self._database.execute("CREATE INDEX IF NOT EXISTS waiting ON thing (kind, place) WHERE waits = 1")

    @contextmanager
    def together(self) -> Iterator[None]:
        """Keep all that is put within, or nothing of it."""
        with self._lock:
            if self._depth == 0:
                self._database.execute("BEGIN IMMEDIATE")
            self._depth += 1
            try:
                yield
            except BaseException:
                self._depth -= 1
                if self._depth == 0:
                    self._database.execute("ROLLBACK")
                raise
            self._depth -= 1
            if self._depth == 0:
                self._database.execute("COMMIT")

    def get(self, model: type[M], id: str) -> M | None:
        """A thing by its id."""
        with self._lock:
            row = self._database.execute(
                "SELECT body FROM thing WHERE kind = ? AND id = ?", (model.__name__, id)
            ).fetchone()
        return None if row is None else model.model_validate_json(row[0])

    def put(self, id: str, thing: BaseModel, *, waits: bool = False) -> None:
        """Keep a thing; what it was before is replaced, in its place. One that `waits` has something to come."""
        with self.together():
            self._database.execute(
                "INSERT INTO thing (kind, id, body, waits) VALUES (?, ?, ?, ?) "
                "ON CONFLICT (kind, id) DO UPDATE SET body = excluded.body, waits = excluded.waits",
                (type(thing).__name__, id, thing.model_dump_json(), int(waits)),
            )

    def drop(self, model: type[BaseModel], id: str) -> None:
        """Take a thing away."""
        with self.together():
            self._database.execute("DELETE FROM thing WHERE kind = ? AND id = ?", (model.__name__, id))

    def all(self, model: type[M]) -> list[M]:
        """Every thing of a kind, in the sequence in which they came."""
        with self._lock:
            rows = self._database.execute(
                "SELECT body FROM thing WHERE kind = ? ORDER BY place", (model.__name__,)
            ).fetchall()
        return [model.model_validate_json(row[0]) for row in rows]

    def waiting(self, model: type[M]) -> list[M]:
        """Every thing of a kind that has something to come, in the sequence in which they came."""
        with self._lock:
            rows = self._database.execute(
                "SELECT body FROM thing WHERE kind = ? AND waits = 1 ORDER BY place", (model.__name__,)
            ).fetchall()
        return [model.model_validate_json(row[0]) for row in rows]

    def close(self) -> None:
        """Close the file."""
        self._database.close()
