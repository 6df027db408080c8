"""The vault seals what is secret or personal under a key that lies outside the database.

Source: Fernet (AES-128-CBC with HMAC-SHA256) of the package cryptography.
"""

import os
from pathlib import Path
from typing import TypeVar

from cryptography.fernet import Fernet, InvalidToken
from peewee import SqliteDatabase
from pydantic import BaseModel

from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.formats import stored
from monedero.store.tables import SealedRow

M = TypeVar("M", bound=BaseModel)


class Vault:
    """Seals and opens bytes by the key in one file, made where it is missing and readable by its owner alone."""

    def __init__(self, path: Path, *, sealed: bool) -> None:
        """Read the key, or make one where nothing was `sealed` yet; refused where it is missing or broken.

        A new key is on the disk before anything is sealed under it.
        """
        if not path.exists() or (not sealed and not path.stat().st_size):
            if sealed:
                raise Conflict(Fault(FaultCode.KEY_FILE_MISSING, "key", str(path)))
            _write(path, Fernet.generate_key())
        try:
            self._fernet = Fernet(path.read_bytes())
        except ValueError as broken:
            raise Conflict(Fault(FaultCode.KEY_FILE_BROKEN, "key", str(path))) from broken

    def seal(self, content: bytes) -> bytes:
        """Seals something so that nobody reads it without the key."""
        return self._fernet.encrypt(content)

    def open(self, sealed: bytes) -> bytes:
        """Opens what was sealed; refused where it was sealed under another key, or changed since."""
        try:
            return self._fernet.decrypt(sealed)
        except InvalidToken as broken:
            raise Conflict(Fault(FaultCode.VAULT_KEY)) from broken


def _write(path: Path, key: bytes) -> None:
    """Write a file for its owner alone, whole or not at all, and onto the disk."""
    draft = path.with_suffix(".new")
    draft.unlink(missing_ok=True)
    file = os.open(draft, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600)
    try:
        os.write(file, key)
        os.fsync(file)
    finally:
        os.close(file)
    draft.replace(path)
    folder = os.open(path.parent, os.O_RDONLY)
    try:
        os.fsync(folder)
    finally:
        os.close(folder)


class Sealed:
    """Sealed things by name."""

    def __init__(self, database: SqliteDatabase, vault: Vault) -> None:
        self._database = database
        self._vault = vault

    def get(self, name: str, model: type[M]) -> M | None:
        """A thing by its name."""
        row = self._database.execute_sql("SELECT body FROM sealed WHERE name = ?", (name,)).fetchone()
        return None if row is None else stored.read(self._vault.open(bytes(row[0])), model)

    def versioned(self, name: str, model: type[M]) -> tuple[int, M] | None:
        """A thing by its name with its version, read at once."""
        row = self._database.execute_sql("SELECT version, body FROM sealed WHERE name = ?", (name,)).fetchone()
        return None if row is None else (int(row[0]), stored.read(self._vault.open(bytes(row[1])), model))

    def version(self, name: str) -> int:
        """The version of a thing; 0 before it was ever kept."""
        row = SealedRow.select(SealedRow.version).where(SealedRow.name == name).first(self._database)
        return 0 if row is None else int(row.version)

    def put(self, name: str, thing: BaseModel, version: int | None = None) -> int:
        """Keep a thing, over the version that was read where one is given; returns the new version."""
        body = self._vault.seal(stored.written(thing).encode())
        with self._database.atomic("IMMEDIATE"):
            current = self.version(name)
            if version is not None and version != current:
                raise Conflict(Fault(FaultCode.VERSION_OLD, "version", str(version), {"current": str(current)}))
            SealedRow.replace(name=name, version=current + 1, body=body).execute(self._database)
        return current + 1

    def drop(self, name: str) -> None:
        """Take a thing away."""
        SealedRow.delete().where(SealedRow.name == name).execute(self._database)
