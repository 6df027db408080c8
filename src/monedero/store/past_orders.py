"""Past orders, as they were read from the owner's files: by id, each once.

Orders of zero and refunds are kept beside the others, so that they can be counted.
"""

from collections.abc import Iterable
from typing import NamedTuple

import polars as pl
from peewee import SqliteDatabase

from monedero.core.order.facts import KIND, LINE
from monedero.core.order.model import Order

INSERT = """
INSERT OR IGNORE INTO past_order (id, placed_on, minor, currency, country, line, kinds, recurring, card_kind,
  card_network, refund_of, method, reading) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
"""
DONE = "reading IN (SELECT id FROM past_reading WHERE done = 1)"
# A file that is read again with its column of methods matched says of orders that are kept how they were paid.
LEARN = f"""
INSERT OR REPLACE INTO past_paid (id, method, card_kind, card_network) SELECT ?, ?, ?, ? WHERE EXISTS
  (SELECT 1 FROM past_order WHERE id = ? AND method IS NOT ? AND {DONE})
"""
LEARNT = """
UPDATE past_order SET method = told.method, card_kind = coalesce(told.card_kind, past_order.card_kind),
  card_network = coalesce(told.card_network, past_order.card_network)
FROM past_paid AS told WHERE told.id = past_order.id
"""
PAID_BY = f"""
SELECT country, method, count(*) FROM past_order WHERE minor > 0 AND method IS NOT NULL AND {DONE}
GROUP BY country, method
"""
PAID = f"""
SELECT minor, currency, placed_on, country, card_network, card_kind, recurring, kinds, line
FROM past_order WHERE minor > 0 AND {DONE}
"""
COUNTS = f"""
SELECT count(*) FILTER (WHERE minor > 0), count(*) FILTER (WHERE minor = 0), count(*) FILTER (WHERE minor < 0),
  min(placed_on) FILTER (WHERE minor > 0), max(placed_on) FILTER (WHERE minor > 0)
FROM past_order WHERE {DONE}
"""
TAKE_AWAY = f"""
DELETE FROM past_order WHERE id IN (SELECT id FROM past_order WHERE NOT {DONE} LIMIT ?)
"""
MEMORY = "SELECT body FROM matching WHERE header = ?"
REMEMBER = "INSERT OR REPLACE INTO matching (header, body) VALUES (?, ?)"


# How many rows are taken away in one transaction.
AT_ONCE = 5000


class PastOrder(NamedTuple):
    """A past order, in the sequence of its table; an unknown value is None, kinds are joined by `+`."""

    id: str
    placed_on: str
    minor: int
    currency: str
    country: str
    line: str | None
    kinds: str | None
    recurring: bool | None
    card_kind: str | None
    card_network: str | None
    refund_of: str | None
    method: str | None = None

    @classmethod
    def of(cls, id: str, order: Order, refund_of: str | None, method: str | None) -> "PastOrder":
        """The row of an order."""
        line, kinds = LINE.text(order) or None, KIND.text(order) or None
        placed = (id, order.placed_on.isoformat(), *order.amount, order.country)
        return cls(*placed, line, kinds, order.recurring, order.card_kind, order.card_network, refund_of, method)


class PaidBy(NamedTuple):
    """So many paid orders from a country by a method."""

    country: str
    method: str
    orders: int


class Counts(NamedTuple):
    """How many are paid, free and refunds; the first and last day of the paid ones."""

    paid: int
    free: int
    refunds: int
    first: str | None
    last: str | None


class PastOrders:
    """The past orders of a shop."""

    def __init__(self, database: SqliteDatabase) -> None:
        """Work on one database; `changes` counts the changes since, so that what was read can be kept until one."""
        self._database = database
        self.changes = 0
        self._paid_by: tuple[int, tuple[PaidBy, ...]] | None = None

    def add(self, batches: Iterable[list[PastOrder]]) -> int:
        """Keep orders, all or none; of one whose id is kept already only how it was paid is taken over. Returns how
        many are new.

        Every batch is a short transaction of its own, so that others can write meanwhile; the orders count together
        once the last one is there.
        """
        self.drop_unfinished()
        with self._database.atomic("IMMEDIATE"):
            self._database.execute_sql("INSERT INTO past_reading (done) VALUES (0)")
            reading = int(self._database.execute_sql("SELECT max(id) FROM past_reading").fetchone()[0])
        added = 0
        try:
            for batch in batches:
                with self._database.atomic("IMMEDIATE"):
                    connection = self._database.connection()
                    before = connection.total_changes
                    connection.executemany(INSERT, [(*order, reading) for order in batch])
                    added += connection.total_changes - before
                    connection.executemany(LEARN, [_learnt(order) for order in batch if order.method])
        except BaseException:
            self.drop_unfinished()
            raise
        with self._database.atomic("IMMEDIATE"):
            self._database.execute_sql("UPDATE past_reading SET done = 1 WHERE id = ?", (reading,))
            learnt = self._database.execute_sql(LEARNT).rowcount
            self._database.execute_sql("DELETE FROM past_paid")
            if added or learnt:
                self._count()
        return added

    def drop_unfinished(self) -> None:
        """Take away what a reading left that was stopped or cut off, a short transaction at a time."""
        while True:
            with self._database.atomic("IMMEDIATE"):
                dropped = self._database.execute_sql(TAKE_AWAY, (AT_ONCE,)).rowcount
                if dropped < AT_ONCE:
                    self._database.execute_sql("DELETE FROM past_reading WHERE done = 0")
                    self._database.execute_sql("DELETE FROM past_paid")
                    return

    def known(self) -> dict[str, tuple[str, int, str]]:
        """Day, minor units and currency of every order that is kept, by its id."""
        rows = self._database.execute_sql(f"SELECT id, placed_on, minor, currency FROM past_order WHERE {DONE}")
        return {row[0]: (row[1], row[2], row[3]) for row in rows}

    def counts(self) -> Counts:
        """How many there are of each, and from when to when."""
        return Counts(*self._database.execute_sql(COUNTS).fetchone())

    def paid_by(self) -> tuple[PaidBy, ...]:
        """How many paid orders from each country say that they were paid by each method; counted once a change."""
        kept, changes = self._paid_by, self.changes
        if kept is None or kept[0] != changes:
            rows = self._database.execute_sql(PAID_BY).fetchall()
            kept = self._paid_by = (changes, tuple(PaidBy(*row) for row in rows))
        return kept[1]

    def paid(self) -> pl.DataFrame:
        """The paid orders as columns, as `OrderColumns` takes them, with their lines."""
        names = (
            *("minor", "currency", "day", "country", "card_network"),
            *("card_kind", "recurring", "kinds", "line"),
        )
        kinds = dict.fromkeys(names, pl.String) | {"minor": pl.Int64, "recurring": pl.Int64}
        rows = self._database.execute_sql(PAID).fetchall()
        frame = pl.DataFrame(rows, schema=kinds, orient="row")
        return frame.with_columns(pl.col("day").str.to_date(), pl.col("recurring").cast(pl.Boolean))

    def clear(self) -> int:
        """Take all of them away; returns how many there were."""
        with self._database.atomic("IMMEDIATE"):
            total = self._total()
            self._database.execute_sql("DELETE FROM past_order")
            self._count()
        return total

    def remembered(self, header: str) -> str | None:
        """How the columns under a header were matched the last time, as it was written."""
        row = self._database.execute_sql(MEMORY, (header,)).fetchone()
        return None if row is None else str(row[0])

    def remember(self, header: str, matching: str) -> None:
        """Remember how the columns under a header are matched."""
        self._database.execute_sql(REMEMBER, (header, matching))

    def _total(self) -> int:
        return int(self._database.execute_sql("SELECT count(*) FROM past_order").fetchone()[0])

    def _count(self) -> None:
        self.changes += 1
        self._database.execute_sql("UPDATE revision SET month = month + 1")


def _learnt(order: PastOrder) -> tuple[str | None, ...]:
    """The values of `LEARN`."""
    return (order.id, order.method, order.card_kind, order.card_network, order.id, order.method)
