"""What is kept, in one SQLite file: tables, migrations, and one repository per thing."""

from pathlib import Path

from peewee import SqliteDatabase

from monedero.core.shop import Shop
from monedero.core.tender.model import Checkout
from monedero.store.documents import Document
from monedero.store.migrations import migrate
from monedero.store.orders import Orders
from monedero.store.shelves import Accounts, Editions, RateCards
from monedero.store.tables import DraftRow, ShopRow


class Store:
    """Everything of one shop."""

    def __init__(self, path: Path) -> None:
        """Open the file, make it where it is missing, and bring its schema up to date."""
        pragmas = {"journal_mode": "wal", "foreign_keys": 1, "busy_timeout": 5000, "synchronous": "full"}
        self._database = SqliteDatabase(str(path), pragmas=pragmas)
        migrate(self._database)
        self.shop = Document(self._database, ShopRow, Shop)
        self.draft = Document(self._database, DraftRow, Checkout)
        self.rate_cards = RateCards(self._database)
        self.accounts = Accounts(self._database)
        self.editions = Editions(self._database)
        self.orders = Orders(self._database)

    def close(self) -> None:
        """Close the connection of this thread."""
        self._database.close()
