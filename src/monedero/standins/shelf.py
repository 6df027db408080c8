"""Where the stand-ins keep what they know: things by kind and id, in one SQLite file of their own.

It is the only store of the outside world that is played here, apart from the shop's, as it would be in truth. Things
hold tokens, secrets and names: each is sealed under a key beside the file, and found by a digest of its id.
"""

import hashlib
import sqlite3
import threading
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import TypeVar

from cryptography.fernet import Fernet
from pydantic import BaseModel

M = TypeVar("M", bound=BaseModel)


class Shelf:
    """Things by kind and id. One connection, one writer at a time."""

    def __init__(self, path: Path) -> None:
        """Open the file, made where it is missing, for its owner alone; so is its key."""
        path.touch(mode=0o600)
        path.chmod(0o600)
        key = path.with_suffix(".key")
        if not key.exists() or not key.stat().st_size:
            key.touch(mode=0o600)
            key.write_bytes(Fernet.generate_key())
        self._fernet = Fernet(key.read_bytes())
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
        self._seal_what_is_plain()

    def _seal_what_is_plain(self) -> None:
        """Earlier states of the application kept things as they are."""
        plain = self._database.execute("SELECT place, id, body FROM thing WHERE typeof(body) = 'text'").fetchall()
        with self.together():
            for place, id, body in plain:
                change = "UPDATE thing SET id = ?, body = ? WHERE place = ?"
                self._database.execute(change, (_digest(id), self._fernet.encrypt(body.encode()), place))

    def clear(self) -> None:
        """Take everything away."""
        with self.together():
            self._database.execute("DELETE FROM thing")

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
                "SELECT body FROM thing WHERE kind = ? AND id = ?", (model.__name__, _digest(id))
            ).fetchone()
        return None if row is None else self._opened(model, row[0])

    def _opened(self, model: type[M], body: bytes) -> M:
        return model.model_validate_json(self._fernet.decrypt(body))

    def put(self, id: str, thing: BaseModel, *, waits: bool = False) -> None:
        """Keep a thing; what it was before is replaced, in its place. One that `waits` has something to come."""
        with self.together():
            self._database.execute(
                "INSERT INTO thing (kind, id, body, waits) VALUES (?, ?, ?, ?) "
                "ON CONFLICT (kind, id) DO UPDATE SET body = excluded.body, waits = excluded.waits",
                (
                    type(thing).__name__,
                    _digest(id),
                    self._fernet.encrypt(thing.model_dump_json().encode()),
                    int(waits),
                ),
            )

    def drop(self, model: type[BaseModel], id: str) -> None:
        """Take a thing away."""
        with self.together():
            self._database.execute("DELETE FROM thing WHERE kind = ? AND id = ?", (model.__name__, _digest(id)))

    def all(self, model: type[M]) -> list[M]:
        """Every thing of a kind, in the sequence in which they came."""
        with self._lock:
            rows = self._database.execute(
                "SELECT body FROM thing WHERE kind = ? ORDER BY place", (model.__name__,)
            ).fetchall()
        return [self._opened(model, row[0]) for row in rows]

    def waiting(self, model: type[M]) -> list[M]:
        """Every thing of a kind that has something to come, in the sequence in which they came."""
        with self._lock:
            rows = self._database.execute(
                "SELECT body FROM thing WHERE kind = ? AND waits = 1 ORDER BY place", (model.__name__,)
            ).fetchall()
        return [self._opened(model, row[0]) for row in rows]

    def close(self) -> None:
        """Close the file."""
        self._database.close()


def _digest(id: str) -> str:
    """An id as it is kept: some are tokens that open an account."""
    return hashlib.sha256(id.encode()).hexdigest()
