"""The numbers of invoices: one after another, one for each order, each given out once and for good."""

from peewee import SqliteDatabase


class Invoices:
    """The invoices of a shop, by number."""

    def __init__(self, database: SqliteDatabase) -> None:
        self._database = database

    def number_of(self, order: str, payment: int) -> int:
        """The number of an order's invoice; the next one where it has none, given to a payment of it.

        It is given in the transaction of whoever asks.
        """
        known = self._database.execute_sql(
            "SELECT number FROM invoice WHERE order_token = ? ORDER BY number DESC LIMIT 1", (order,)
        ).fetchone()
        if known is not None:
            return int(known[0])
        cursor = self._database.execute_sql(
            "INSERT INTO invoice (order_token, payment) VALUES (?, ?)", (order, payment)
        )
        return int(cursor.lastrowid)
