"""Order records with the messages about them: a record and its message are written together or not at all."""

from collections.abc import Callable

from peewee import SqliteDatabase

from monedero.core.record import Message, OrderRecord
from monedero.store.tables import MessageRow, OrderRow

FIRST_NUMBER = 1001


class Orders:
    """The records of orders and the simulated mailbox."""

    def __init__(self, database: SqliteDatabase) -> None:
        """Work on one database."""
        self._database = database

    def add(
        self, build: Callable[[int], OrderRecord], messages: Callable[[OrderRecord], list[Message]]
    ) -> OrderRecord:
        """Keep a new record, built with the next number, and the messages about it."""
        with self._database.atomic("IMMEDIATE"):
            last = OrderRow.select().order_by(OrderRow.number.desc()).first(self._database)
            record = build(last.number + 1 if last else FIRST_NUMBER)
            OrderRow.insert(
                number=record.number, token=record.token, version=1, body=record.model_dump_json()
            ).execute(self._database)
            self._post(messages(record))
        return record

    def change(
        self,
        token: str,
        move: Callable[[OrderRecord], OrderRecord],
        messages: Callable[[OrderRecord], list[Message]],
    ) -> OrderRecord | None:
        """Read a record, move it on, and keep it with its messages, in one transaction; None: no such order."""
        with self._database.atomic("IMMEDIATE"):
            row = OrderRow.select().where(OrderRow.token == token).first(self._database)
            if row is None:
                return None
            before = OrderRecord.model_validate_json(row.body)
            record = move(before)
            OrderRow.update(version=row.version + 1, body=record.model_dump_json()).where(
                OrderRow.token == token
            ).execute(self._database)
            if record.state is not before.state:
                self._post(messages(record))
        return record

    def get(self, token: str) -> OrderRecord | None:
        """A record by its token."""
        row = OrderRow.select().where(OrderRow.token == token).first(self._database)
        return None if row is None else OrderRecord.model_validate_json(row.body)

    def all(self) -> list[OrderRecord]:
        """Every record, the newest first."""
        rows = OrderRow.select().order_by(OrderRow.number.desc()).execute(self._database)
        return [OrderRecord.model_validate_json(row.body) for row in rows]

    def messages(self, token: str) -> list[Message]:
        """The messages about an order, in the sequence in which they were sent."""
        rows = (
            MessageRow.select()
            .where(MessageRow.order_token == token)
            .order_by(MessageRow.id)
            .execute(self._database)
        )
        return [Message.model_validate_json(row.body) for row in rows]

    def _post(self, messages: list[Message]) -> None:
        for message in messages:
            MessageRow.insert(order_token=message.order, body=message.model_dump_json()).execute(self._database)
