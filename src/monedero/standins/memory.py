"""The memory of the stand-ins: things by kind and id, in one SQLite file of their own.

It is the only store of the outside world that is played here, apart from the shop's, as it would be in truth. Things
hold tokens, secrets and names: each is sealed under a key beside the file, and found by a digest of its id.
"""

import hashlib
import sqlite3
import threading
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import UTC, datetime
from pathlib import Path
from typing import TypeVar

from cryptography.fernet import Fernet
from pydantic import BaseModel

from monedero.formats import stored

M = TypeVar("M", bound=BaseModel)


class OutsideMemory:
    """Things by kind and id. One connection, one writer at a time."""

    def __init__(self, path: Path, *, lasting: bool = True) -> None:
        """Open the file, made where it is missing, for its owner alone; so is its key.

        One that is not `lasting` is written without waiting for the disk.
        """
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
        self._database.execute(f"PRAGMA synchronous={'full' if lasting else 'off'}")
        self._database.execute(
            "CREATE TABLE IF NOT EXISTS thing "
            "(place INTEGER PRIMARY KEY, kind TEXT NOT NULL, id TEXT NOT NULL, body TEXT NOT NULL, "
            "waits INTEGER NOT NULL, UNIQUE (kind, id))"
        )
        if "due" not in [row[1] for row in self._database.execute("PRAGMA table_info(thing)")]:
            self._database.execute("ALTER TABLE thing ADD COLUMN due TEXT")
        self._database.execute("CREATE INDEX IF NOT EXISTS due ON thing (kind, due) WHERE waits = 1")
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
        return stored.read(self._fernet.decrypt(body), model)

    def put(self, id: str, thing: BaseModel, *, waits: bool = False, due: datetime | None = None) -> None:
        """Keep a thing; what it was before is replaced, in its place. One that `waits` has something to come, `due`
        at a moment.
        """
        with self.together():
            self._database.execute(
                "INSERT INTO thing (kind, id, body, waits, due) VALUES (?, ?, ?, ?, ?) "
                "ON CONFLICT (kind, id) DO UPDATE SET body = excluded.body, waits = excluded.waits, due = excluded.due",
                (
                    type(thing).__name__,
                    _digest(id),
                    self._fernet.encrypt(stored.written(thing).encode()),
                    int(waits),
                    due.astimezone(UTC).isoformat() if due else None,
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

    def waiting(self, model: type[M], by: datetime | None = None) -> list[M]:
        """Every thing of a kind that has something to come (by a moment), in the sequence in which they came."""
        moment = by.astimezone(UTC).isoformat() if by else "~"
        with self._lock:
            rows = self._database.execute(
                "SELECT body FROM thing WHERE kind = ? AND waits = 1 AND (due IS NULL OR due <= ?) ORDER BY place",
                (model.__name__, moment),
            ).fetchall()
        return [self._opened(model, row[0]) for row in rows]

    def close(self) -> None:
        """Close the file."""
        self._database.close()


def _digest(id: str) -> str:
    """An id as it is kept: some are tokens that open an account."""
    return hashlib.sha256(id.encode()).hexdigest()
