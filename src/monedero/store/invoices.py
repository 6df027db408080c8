"""The numbers of invoices: one after another in each mode, one for each order, each given out once and for good."""

from peewee import SqliteDatabase

from monedero.core.account import Mode


class Invoices:
    """The invoices of a shop, by mode and number."""

    def __init__(self, database: SqliteDatabase) -> None:
        self._database = database

    def number_of(self, mode: Mode, order: str, payment: int) -> int:
        """The number of an order's invoice; the next one where it has none, given to a payment of it.

        It is given in the transaction of whoever asks.
        """
        known = self._database.execute_sql(
            "SELECT number FROM invoice WHERE order_token = ? ORDER BY number DESC LIMIT 1", (order,)
        ).fetchone()
        if known is not None:
            return int(known[0])
        last = "SELECT coalesce(max(number), 0) + 1 FROM invoice WHERE mode = ?"
        number = int(self._database.execute_sql(last, (mode.value,)).fetchone()[0])
        self._database.execute_sql("INSERT INTO invoice VALUES (?, ?, ?, ?)", (mode.value, number, order, payment))
        return number
