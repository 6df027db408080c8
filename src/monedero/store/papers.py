"""Papers: sealed like every secret, told apart by their kind."""

import hashlib
import secrets
from collections.abc import Sequence
from datetime import datetime
from typing import Any, NamedTuple

from peewee import SqliteDatabase

from monedero.core.card_number import lettered
from monedero.store.tables import PaperRow
from monedero.store.vault import Vault


class Paper(NamedTuple):
    """Holds what is known of a paper without opening it."""

    id: str
    kind: str
    name: str
    media_type: str
    size: int
    digest: str
    added_at: datetime
    order: str | None


class Papers:
    """The papers of a shop, and the transfer receipts that its buyers sent."""

    def __init__(self, database: SqliteDatabase, vault: Vault) -> None:
        self._database = database
        self._vault = vault

    def add(self, paper: Paper, content: bytes) -> Paper:
        """Keep a paper; id, size and digest are its own."""
        kept = paper._replace(
            id=lettered(secrets.token_hex(8)), size=len(content), digest=hashlib.sha256(content).hexdigest()
        )
        PaperRow.insert(
            id=kept.id,
            kind=kept.kind,
            name=kept.name,
            media_type=kept.media_type,
            size=kept.size,
            digest=kept.digest,
            added_at=kept.added_at.isoformat(),
            order_token=kept.order,
            body=self._vault.seal(content),
        ).execute(self._database)
        return kept

    def of_shop(self) -> list[Paper]:
        """The shop's papers, in the sequence in which they were added."""
        return self._papers(PaperRow.order_token.is_null())

    def of_order(self, token: str) -> list[Paper]:
        """The transfer receipts of an order."""
        return self._papers(PaperRow.order_token == token)

    def _papers(self, where: Any) -> list[Paper]:
        rows: Sequence[Any] = PaperRow.select().where(where).order_by(PaperRow.added_at).execute(self._database)
        return [_paper(row) for row in rows]

    def get(self, id: str) -> tuple[Paper, bytes] | None:
        """A paper with its content, opened."""
        row = PaperRow.select().where(PaperRow.id == id).first(self._database)
        return None if row is None else (_paper(row), self._vault.open(bytes(row.body)))

    def drop(self, id: str) -> None:
        """Take a paper away."""
        PaperRow.delete().where(PaperRow.id == id).execute(self._database)


def _paper(row: Any) -> Paper:
    added = datetime.fromisoformat(row.added_at)
    return Paper(row.id, row.kind, row.name, row.media_type, row.size, row.digest, added, row.order_token)
