"""The numbers of invoices: one after another, each given out once and for good."""

from peewee import SqliteDatabase


class Invoices:
    """The invoices of a shop, by number."""

    def __init__(self, database: SqliteDatabase) -> None:
        self._database = database

    def next_number(self, order: str, payment: int) -> int:
        """Give out the next number, to a payment of an order; it is given in the transaction of whoever asks."""
        cursor = self._database.execute_sql(
            "INSERT INTO invoice (order_token, payment) VALUES (?, ?)", (order, payment)
        )
        return int(cursor.lastrowid)
