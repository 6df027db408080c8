"""Providers and editions: things kept side by side."""

from datetime import datetime
from typing import NamedTuple

from peewee import SqliteDatabase

from monedero.core.fields import Strict
from monedero.core.provider import ProviderFacts
from monedero.core.shop import Shop
from monedero.core.tender.model import Checkout
from monedero.store.tables import EditionRow, ProviderRow


class Published(Strict):
    """What an edition holds: the shop and its checkout as they stood."""

    shop: Shop
    checkout: Checkout


class Edition(NamedTuple):
    """A published state with its number."""

    number: int
    published_at: datetime
    held: Published


class Providers:
    """What is known of each provider besides its prices."""

    def __init__(self, database: SqliteDatabase) -> None:
        """Work on one database."""
        self._database = database

    def all(self) -> dict[str, ProviderFacts]:
        """Every provider by its id, in the sequence in which they came."""
        rows = self._database.execute_sql("SELECT id, body FROM provider ORDER BY rowid").fetchall()
        return {row[0]: ProviderFacts.model_validate_json(row[1]) for row in rows}

    def put(self, provider: ProviderFacts) -> None:
        """Keep a provider; what was known of it before is replaced."""
        ProviderRow.replace(id=provider.id, body=provider.model_dump_json()).execute(self._database)


class Editions:
    """The editions, numbered from 1; they are never changed."""

    def __init__(self, database: SqliteDatabase) -> None:
        """Work on one database."""
        self._database = database
        # An edition never changes, so that it is read once.
        self._read: dict[int, Edition] = {}

    def all(self) -> list[Edition]:
        """Every edition, the newest first."""
        rows = EditionRow.select().order_by(EditionRow.number.desc()).execute(self._database)
        return [_edition(row) for row in rows]

    def newest(self) -> Edition | None:
        """The edition that real buyers see, or None before the first."""
        row = EditionRow.select().order_by(EditionRow.number.desc()).first(self._database)
        return None if row is None else _edition(row)

    def get(self, number: int) -> Edition | None:
        """An edition by its number."""
        if number not in self._read:
            row = EditionRow.select().where(EditionRow.number == number).first(self._database)
            if row is None:
                return None
            self._read[number] = _edition(row)
        return self._read[number]

    def add(self, held: Published, at: datetime) -> Edition:
        """Publish the next edition."""
        with self._database.atomic("IMMEDIATE"):
            newest = self.newest()
            number = newest.number + 1 if newest else 1
            EditionRow.insert(
                number=number, published_at=at.isoformat(), body=held.model_dump_json(by_alias=True)
            ).execute(self._database)
        return Edition(number, at, held)


def _edition(row: EditionRow) -> Edition:
    moment = datetime.fromisoformat(row.published_at)
    return Edition(row.number, moment, Published.model_validate_json(row.body))
