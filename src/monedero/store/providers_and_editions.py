"""Providers and editions: things kept side by side."""

from datetime import datetime
from typing import NamedTuple

from monedero.core.account import Mode
from monedero.core.checkout.edition import Published
from monedero.core.provider import ProviderFacts
from monedero.formats import stored
from monedero.store.counting import CountingDatabase
from monedero.store.parsed import Parsed
from monedero.store.tables import EditionRow, ProviderRow


class Edition(NamedTuple):
    """A published state: who published it, the note on it, and the id of the edition that it goes back to.

    `id` is its own among all, which orders keep; `number` counts the editions of its storefront in its mode, from 1.
    """

    id: int
    number: int
    published_at: datetime
    published: Published
    note: str = ""
    actor: str = "owner"
    of_edition: int | None = None


class Providers:
    """Holds what is known of each provider besides its prices."""

    def __init__(self, database: CountingDatabase) -> None:
        self._database = database
        self._parsed = Parsed(lambda body: stored.read(body, ProviderFacts))

    def all(self) -> dict[str, ProviderFacts]:
        """Every provider by its id, in the sequence in which they came."""
        return dict(self._database.kept("providers", self._all))

    def _all(self) -> dict[str, ProviderFacts]:
        rows = self._database.execute_sql("SELECT id, body FROM provider ORDER BY rowid").fetchall()
        return dict(zip((row[0] for row in rows), self._parsed.all([row[1] for row in rows]), strict=True))

    def put(self, provider: ProviderFacts) -> None:
        """Keep a provider; what was known of it before is replaced."""
        ProviderRow.replace(id=provider.id, body=stored.written(provider)).execute(self._database)

    def remove(self, id: str) -> None:
        """Take a provider away."""
        ProviderRow.delete().where(ProviderRow.id == id).execute(self._database)


class Editions:
    """The editions of all storefronts; they are never changed."""

    def __init__(self, database: CountingDatabase) -> None:
        self._database = database
        # An edition never changes, so that it is read once.
        self._read: dict[int, Edition] = {}

    def of(self, storefront: str) -> list[Edition]:
        """Every edition of a storefront's checkout, the newest first."""
        ids = EditionRow.select(EditionRow.id).where(EditionRow.storefront == storefront)
        rows = ids.order_by(EditionRow.id.desc()).execute(self._database)
        return [edition for row in rows if (edition := self.get(row.id))]

    def newest(self, storefront: str) -> Edition | None:
        """The edition that real buyers of a storefront see, or None before the first."""
        ids = EditionRow.select(EditionRow.id).where(EditionRow.storefront == storefront)
        row = ids.order_by(EditionRow.id.desc()).first(self._database)
        return None if row is None else self.get(row.id)

    def next_number(self, storefront: str, mode: Mode) -> int:
        """The number of the next edition of a storefront in a mode."""
        own = (EditionRow.storefront == storefront) & (EditionRow.mode == mode.value)
        return 1 + EditionRow.select().where(own).count(self._database)

    def storefronts(self) -> list[str]:
        """The storefronts for which something was published."""
        found = EditionRow.select(EditionRow.storefront).distinct().order_by(EditionRow.storefront)
        return [row.storefront for row in found.execute(self._database)]

    def get(self, id: int) -> Edition | None:
        """An edition by its id."""
        if id not in self._read:
            row = EditionRow.select().where(EditionRow.id == id).first(self._database)
            if row is None:
                return None
            self._read[id] = _edition(row)
        return self._read[id]

    def number_of(self, id: int | None) -> int | None:
        """The number of an edition, as its owner knows it; None without one."""
        edition = None if id is None else self.get(id)
        return edition.number if edition else None

    def add(
        self,
        published: Published,
        at: datetime,
        *,
        note: str = "",
        actor: str = "owner",
        of_edition: int | None = None,
    ) -> Edition:
        """Publish the next edition; `of_edition` is the one that it goes back to, if it does."""
        with self._database.atomic("IMMEDIATE"):
            storefront, mode = published.checkout.storefront, published.checkout.mode
            number = self.next_number(storefront, mode)
            id = EditionRow.insert(
                published_at=at.isoformat(),
                storefront=storefront,
                mode=mode.value,
                number=number,
                note=note,
                actor=actor,
                of_edition=of_edition,
                body=stored.written(published),
            ).execute(self._database)
        return Edition(id, number, at, published, note, actor, of_edition)


def _edition(row: EditionRow) -> Edition:
    moment = datetime.fromisoformat(row.published_at)
    published = stored.read(row.body, Published)
    return Edition(row.id, row.number, moment, published, row.note, row.actor, row.of_edition)
