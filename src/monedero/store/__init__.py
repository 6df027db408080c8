"""The store of a shop, in one SQLite file: tables, migrations, and one repository per thing."""

import sqlite3
from contextlib import AbstractContextManager, closing
from datetime import timedelta
from pathlib import Path
from typing import NamedTuple

from peewee import DatabaseError

from monedero.core.account import Mode
from monedero.core.cost.assumption import Assumptions
from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.profile import Profile
from monedero.core.shop import Shop
from monedero.store.acceptances import Acceptances
from monedero.store.accounts import Accounts
from monedero.store.checkouts import Checkouts
from monedero.store.counting import CountingDatabase
from monedero.store.documents import Document
from monedero.store.exchanges import Exchanges
from monedero.store.invoices import Invoices
from monedero.store.migrations import migrate
from monedero.store.orders import Orders
from monedero.store.papers import Papers
from monedero.store.past_orders import PastOrders
from monedero.store.pauses import Pauses
from monedero.store.pictures import Pictures
from monedero.store.planned import PlannedEditions
from monedero.store.providers_and_editions import Editions, Providers
from monedero.store.rate_cards import RateCards
from monedero.store.rehearsals import Rehearsals
from monedero.store.tables import AssumptionsRow, ProfileRow, ShopRow
from monedero.store.vault import Sealed, Vault
from monedero.store.vouchers import Vouchers

FIRST_MODE = Mode.TEST
"""The mode in which every checkout begins: nothing is sold before somebody says so."""

NOT_COPIED = (
    *("past_order", "past_paid", "past_reading", "order_record", "order_key", "message", "exchange"),
    *("payment_at", "payment_reference", "checkout_step", "rehearsal", "planned_edition", "pause"),
)
"""The tables that a copy to rehearse in does without."""

__all__ = ["FIRST_MODE", "DatabaseError", "Store", "for_its_owner"]


def for_its_owner(path: Path) -> None:
    """Make a file of the data folder where it is missing, and let nobody but its owner read it."""
    path.touch(mode=0o600)
    path.chmod(0o600)


class Revision(NamedTuple):
    """How often what comparisons rest on was changed, by cause.

    `prices`: the shop, rate cards, providers, assumptions. `month`: the order profile and past orders.
    """

    prices: int
    month: int
    accounts: int
    checkout: int


class Store:
    """Everything of one shop."""

    def __init__(self, path: Path, key: Path | None = None, *, lasting: bool = True) -> None:
        """Open the file, make it where it is missing, and bring its schema up to date.

        `key` is the file of the key to what is sealed; it lies beside the database unless it is said otherwise. One
        that is not `lasting` need not outlive a loss of power, and is written without waiting for the disk.
        """
        for_its_owner(path)
        pragmas = {
            "journal_mode": "wal",
            "foreign_keys": 1,
            "busy_timeout": 30_000,
            "synchronous": "full" if lasting else "off",
        }
        self._database = CountingDatabase(str(path), pragmas=pragmas)
        try:
            migrate(self._database)
        except DatabaseError as broken:
            raise Conflict(Fault(FaultCode.DATABASE_BROKEN, "data", str(path), {"why": str(broken)})) from broken
        self.description = Document(self._database, ShopRow, Shop)
        self.checkouts = Checkouts(self._database)
        self.profile = Document(self._database, ProfileRow, Profile)
        self.assumptions = Document(self._database, AssumptionsRow, Assumptions)
        self.rate_cards = RateCards(self._database)
        self.providers = Providers(self._database)
        self.past_orders = PastOrders(self._database)
        self.accounts = Accounts(self._database)
        self.editions = Editions(self._database)
        self.planned = PlannedEditions(self._database)
        self.acceptances = Acceptances(self._database)
        self.pauses = Pauses(self._database)
        self.rehearsals = Rehearsals(self._database)
        self.orders = Orders(self._database)
        self.orders.fill_in()
        self._key = key or path.with_suffix(".key")
        vault = Vault(self._key, sealed=self._holds_sealed())
        self.sealed = Sealed(self._database, vault)
        self.papers = Papers(self._database, vault)
        self.exchanges = Exchanges(self._database)
        self.invoices = Invoices(self._database)
        self.pictures = Pictures(self._database)
        self.vouchers = Vouchers(self._database)

    def _holds_sealed(self) -> bool:
        found = "SELECT EXISTS (SELECT 1 FROM sealed) OR EXISTS (SELECT 1 FROM paper)"
        return bool(self._database.execute_sql(found).fetchone()[0])

    def copy_to(self, path: Path) -> None:
        """Copy the shop as it is described and composed, without its orders and past orders, with the key beside it."""
        for_its_owner(path)
        with closing(sqlite3.connect(path)) as copy:
            self._database.connection().backup(copy)
            there = {row[0] for row in copy.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
            for table in there.intersection(NOT_COPIED):
                copy.execute(f"DELETE FROM {table}")
            copy.commit()
        key = path.with_suffix(".key")
        for_its_owner(key)
        key.write_bytes(self._key.read_bytes())

    def revision(self) -> Revision:
        """Numbers that rise with every change, each for one cause; read anew only after something was written."""
        return self._database.kept("revision", self._revision)

    def _revision(self) -> Revision:
        row = self._database.execute_sql("SELECT prices, month, accounts, checkout FROM revision").fetchone()
        return Revision(*row)

    def revisions(self) -> dict[str, int]:
        """Numbers by which a reader sees that what it read has changed: by cause, by the clock, and by any write."""
        ahead = int(self.clock_ahead().total_seconds())
        return {**self.revision()._asdict(), "clock": ahead, "any": self._database.writes}

    def changed_elsewhere(self) -> None:
        """Another process wrote to the file: what was kept in memory of it holds no longer."""
        self._database.writes += 1
        self.past_orders.changes += 1

    def together(self) -> AbstractContextManager[object]:
        """Keep all that is written within, or nothing of it."""
        return self._database.atomic("IMMEDIATE")

    def first_storefront(self) -> str:
        """The id of the shop's first storefront; empty until the shop is described."""

        def read() -> str:
            shop = self.description.read()
            return shop.value.storefronts[0].id if shop else ""

        return self._database.kept("first-storefront", read)

    def mode(self, storefront: str) -> Mode:
        """The mode of a storefront's checkout; the first one where nothing was put in it yet."""

        def read() -> Mode:
            draft = self.checkouts.read(storefront)
            return draft.value.mode if draft else FIRST_MODE

        return self._database.kept(f"mode-{storefront}", read)

    def buyers_mode(self, storefront: str) -> Mode:
        """The mode of the edition that buyers of a storefront see; of its checkout before the first one."""

        def read() -> Mode:
            newest = self.editions.newest(storefront)
            return newest.published.checkout.mode if newest else self.mode(storefront)

        return self._database.kept(f"buyers-mode-{storefront}", read)

    def clock_ahead(self) -> timedelta:
        """By how much the shop's clock was wound forward."""
        return self._database.kept("clock", self._clock_ahead)

    def _clock_ahead(self) -> timedelta:
        row = self._database.execute_sql("SELECT ahead_seconds FROM clock").fetchone()
        return timedelta(seconds=int(row[0]))

    def wind_clock(self, by: timedelta) -> None:
        """Wind the shop's clock forward."""
        self._database.execute_sql(
            "UPDATE clock SET ahead_seconds = ahead_seconds + ?", (int(by.total_seconds()),)
        )

    def close(self) -> None:
        """Close the connection of this thread."""
        self._database.close()
