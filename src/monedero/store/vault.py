"""What is secret or personal is sealed under a key that lies outside the database.

Source: Fernet (AES-128-CBC with HMAC-SHA256) of the package cryptography.
"""

from pathlib import Path
from typing import NamedTuple, TypeVar

from cryptography.fernet import Fernet, InvalidToken
from peewee import SqliteDatabase
from pydantic import BaseModel

from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.store.tables import SealedRow

M = TypeVar("M", bound=BaseModel)


class Vault:
    """Seals and opens bytes by the key in one file, made where it is missing and readable by its owner alone."""

    def __init__(self, path: Path) -> None:
        """Read the key."""
        if not path.exists():
            path.touch(mode=0o600)
            path.write_bytes(Fernet.generate_key())
        self._fernet = Fernet(path.read_bytes())

    def seal(self, content: bytes) -> bytes:
        """What nobody reads without the key."""
        return self._fernet.encrypt(content)

    def open(self, sealed: bytes) -> bytes:
        """What was sealed; refused where it was sealed under another key, or changed since."""
        try:
            return self._fernet.decrypt(sealed)
        except InvalidToken as broken:
            raise Conflict(Fault(FaultCode.VAULT_KEY)) from broken


class Opened(NamedTuple):
    """Something that was sealed, with its version."""

    version: int
    body: bytes


class Sealed:
    """Sealed things by name."""

    def __init__(self, database: SqliteDatabase, vault: Vault) -> None:
        """Work on one database with one key."""
        self._database = database
        self._vault = vault

    def get(self, name: str, model: type[M]) -> M | None:
        """A thing by its name."""
        row = self._database.execute_sql("SELECT body FROM sealed WHERE name = ?", (name,)).fetchone()
        return None if row is None else model.model_validate_json(self._vault.open(bytes(row[0])))

    def version(self, name: str) -> int:
        """The version of a thing; 0 before it was ever kept."""
        row = SealedRow.select(SealedRow.version).where(SealedRow.name == name).first(self._database)
        return 0 if row is None else int(row.version)

    def put(self, name: str, thing: BaseModel, version: int | None = None) -> int:
        """Keep a thing, over the version that was read where one is given; returns the new version."""
        body = self._vault.seal(thing.model_dump_json().encode())
        with self._database.atomic("IMMEDIATE"):
            current = self.version(name)
            if version is not None and version != current:
                raise Conflict(Fault(FaultCode.VERSION_OLD, "version", str(version), {"current": str(current)}))
            SealedRow.replace(name=name, version=current + 1, body=body).execute(self._database)
        return current + 1

    def drop(self, name: str) -> None:
        """Take a thing away."""
        SealedRow.delete().where(SealedRow.name == name).execute(self._database)
