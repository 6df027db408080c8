"""Order records with the messages about them: a record, its messages and what led to it are written together."""

from collections.abc import Callable
from datetime import UTC, datetime
from typing import NamedTuple

from peewee import SqliteDatabase

from monedero.core.account import Mode
from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.record import Message, OrderRecord
from monedero.formats import stored
from monedero.store.tables import MessageRow, OrderRow

FIRST_NUMBER = 1001
FOUND = """
(CAST(number AS TEXT) LIKE ? ESCAPE '^' OR body ->> '$.line_name' LIKE ? ESCAPE '^' OR EXISTS (
  SELECT 1 FROM json_each(body, '$.payments') AS payment WHERE payment.value ->> '$.chosen.name' LIKE ? ESCAPE '^'
))
"""
# How many records of earlier states are filled in at a time.
AT_ONCE = 500


class Key(NamedTuple):
    """The idempotency key of an order in a mode, and a digest of the order that was asked for under it."""

    mode: Mode
    key: str
    asked: str


class VersionedOrder(NamedTuple):
    """A record with its version."""

    version: int
    record: OrderRecord


class Wanted(NamedTuple):
    """The records that are wanted: of a mode, in a state, and with a text in their number, line or way to pay."""

    mode: Mode
    state: str = ""
    text: str = ""


class RecordsPage(NamedTuple):
    """Some records, how many there are of those that are wanted and of all, and before which number to go on."""

    records: list[VersionedOrder]
    matching: int
    total: int
    older: int | None


class Orders:
    """The records of orders and the simulated mailbox."""

    def __init__(self, database: SqliteDatabase) -> None:
        self._database = database

    def add(
        self,
        build: Callable[[int], OrderRecord],
        messages: Callable[[OrderRecord | None, OrderRecord], list[Message]],
        mode: Mode,
        key: Key | None = None,
    ) -> OrderRecord:
        """Keep a new record, built with the next number of its mode, and the messages about it.

        What was kept under a key before is there already; the key of another order is refused.
        """
        with self._database.atomic("IMMEDIATE"):
            kept = self.under(key) if key else None
            if kept is not None:
                return kept
            last = "SELECT max(number) FROM order_record WHERE mode = ?"
            number = self._database.execute_sql(last, (mode.value,)).fetchone()[0]
            record = build(number + 1 if number else FIRST_NUMBER)
            OrderRow.insert(
                mode=mode.value,
                number=record.number,
                token=record.token,
                version=1,
                buyer=record.buyer,
                state=record.state.value,
                due_at=_due_at(record),
                body=stored.written(record),
            ).execute(self._database)
            self._post(record.mode, messages(None, record))
            if key:
                self._database.execute_sql(
                    "INSERT INTO order_key VALUES (?, ?, ?, ?)", (key.mode.value, key.key, key.asked, record.token)
                )
        return record

    def under(self, key: Key) -> OrderRecord | None:
        """The order that was placed under a key; the key of another order is refused."""
        row = self._database.execute_sql(
            "SELECT asked, order_token FROM order_key WHERE mode = ? AND key = ?", (key.mode.value, key.key)
        ).fetchone()
        if row is not None and row[0] != key.asked:
            raise Conflict(Fault(FaultCode.KEY_REUSED, "idempotency-key", key.key))
        return None if row is None else self.get(row[1])

    def change(
        self,
        token: str,
        move: Callable[[OrderRecord], OrderRecord],
        messages: Callable[[OrderRecord | None, OrderRecord], list[Message]],
        version: int | None = None,
    ) -> OrderRecord | None:
        """Read a record, move it on, and keep it with its messages, in one transaction; None: no such order.

        Where a `version` is given and is not that of the record, nothing is done and the writer is told.
        """
        with self._database.atomic("IMMEDIATE"):
            stored_order = self.stored_order(token)
            if stored_order is None:
                return None
            if version is not None and version != stored_order.version:
                raise Conflict(
                    Fault(FaultCode.VERSION_OLD, "version", str(version), {"current": str(stored_order.version)})
                )
            before = stored_order.record
            record = move(before)
            if record == before:
                return record
            self._database.execute_sql(
                "UPDATE order_record SET version = ?, state = ?, due_at = ?, body = ? WHERE token = ?",
                (stored_order.version + 1, record.state.value, _due_at(record), stored.written(record), token),
            )
            for payment in record.payments:
                if payment.reference is not None:
                    self._database.execute_sql(
                        "INSERT OR IGNORE INTO payment_at VALUES (?, ?, ?, ?)",
                        (payment.chosen.account or "", record.mode.value, payment.reference, token),
                    )
            self._post(record.mode, messages(before, record))
        return record

    def get(self, token: str) -> OrderRecord | None:
        """A record by its token."""
        stored_order = self.stored_order(token)
        return None if stored_order is None else stored_order.record

    def stored_order(self, token: str) -> VersionedOrder | None:
        """A record with its version."""
        row = self._database.execute_sql(
            "SELECT version, body FROM order_record WHERE token = ?", (token,)
        ).fetchone()
        return None if row is None else VersionedOrder(row[0], stored.read(row[1], OrderRecord))

    def by_payment(self, account: str, mode: Mode, reference: str) -> str | None:
        """The token of the order that a payment of an account pays, by what its gateway calls the payment."""
        row = self._database.execute_sql(
            "SELECT order_token FROM payment_at WHERE account = ? AND mode = ? AND reference = ?",
            (account, mode.value, reference),
        ).fetchone()
        return None if row is None else str(row[0])

    def with_reference(self, reference: str) -> list[str]:
        """The tokens of the orders with a payment that some gateway calls so."""
        rows = self._database.execute_sql("SELECT order_token FROM payment_at WHERE reference = ?", (reference,))
        return [str(row[0]) for row in rows.fetchall()]

    def all(self) -> list[VersionedOrder]:
        """Every record, the newest first."""
        rows = OrderRow.select().order_by(OrderRow.id.desc()).execute(self._database)
        return [VersionedOrder(row.version, stored.read(row.body, OrderRecord)) for row in rows]

    def page(self, wanted: Wanted, at_most: int, before: int | None = None) -> RecordsPage:
        """The newest records that are wanted, from before a number on, with how many there are."""
        where, given = _where(wanted)
        matching = int(
            self._database.execute_sql(f"SELECT count(*) FROM order_record {where}", given).fetchone()[0]
        )
        every = "SELECT count(*) FROM order_record WHERE mode = ?"
        total = int(self._database.execute_sql(every, (wanted.mode.value,)).fetchone()[0])
        older = f"{where} AND number < ?" if before is not None else where
        rows = self._database.execute_sql(
            f"SELECT version, body FROM order_record {older} ORDER BY number DESC LIMIT ?",
            (*given, *([before] if before is not None else []), at_most + 1),
        ).fetchall()
        stored_orders = [VersionedOrder(row[0], stored.read(row[1], OrderRecord)) for row in rows[:at_most]]
        return RecordsPage(
            stored_orders, matching, total, stored_orders[-1].record.number if len(rows) > at_most else None
        )

    def due(self, now: datetime) -> list[OrderRecord]:
        """The records that time changes now, or that wait for an answer of a provider."""
        rows = self._database.execute_sql(
            "SELECT body FROM order_record WHERE due_at <= ? ORDER BY id", (_moment(now),)
        ).fetchall()
        return [stored.read(row[0], OrderRecord) for row in rows]

    def fill_in(self) -> None:
        """Give the records of earlier states of the application their state and their moment."""
        while True:
            rows = OrderRow.select().where(OrderRow.state == "").limit(AT_ONCE).execute(self._database)
            found = [(row.token, stored.read(row.body, OrderRecord)) for row in rows]
            with self._database.atomic("IMMEDIATE"):
                for token, record in found:
                    self._database.execute_sql(
                        "UPDATE order_record SET state = ?, due_at = ? WHERE token = ?",
                        (record.state.value, _due_at(record), token),
                    )
            if len(found) < AT_ONCE:
                return

    def of_buyer(self, buyer: str, mode: Mode) -> list[OrderRecord]:
        """The orders in a mode of a buyer who comes again, the newest first."""
        rows = (
            OrderRow.select()
            .where((OrderRow.buyer == buyer) & (OrderRow.mode == mode.value))
            .order_by(OrderRow.number.desc())
            .limit(20)
            .execute(self._database)
        )
        return [stored.read(row.body, OrderRecord) for row in rows]

    def messages(self, token: str) -> list[Message]:
        """The messages about an order, in the sequence in which they were sent."""
        rows = (
            MessageRow.select()
            .where(MessageRow.order_token == token)
            .order_by(MessageRow.id)
            .execute(self._database)
        )
        return [stored.read(row.body, Message) for row in rows]

    def all_messages(self, mode: Mode, at_most: int = 200) -> list[Message]:
        """The newest messages to buyers in a mode, the newest first."""
        of_mode = MessageRow.select().where(MessageRow.mode == mode.value)
        rows = of_mode.order_by(MessageRow.id.desc()).limit(at_most).execute(self._database)
        return [stored.read(row.body, Message) for row in rows]

    def _post(self, mode: Mode, messages: list[Message]) -> None:
        for message in messages:
            row = {"order_token": message.order, "body": stored.written(message), "mode": mode.value}
            MessageRow.insert(**row).execute(self._database)


def _due_at(record: OrderRecord) -> str | None:
    """When a record is looked at again, as its column has it: at once while an answer is still to come."""
    if record.asks:
        return ""
    return _moment(record.changes_at) if record.changes_at else None


def _moment(at: datetime) -> str:
    return at.astimezone(UTC).isoformat()


def _where(wanted: Wanted) -> tuple[str, tuple[str, ...]]:
    parts, given = ["mode = ?"], [wanted.mode.value]
    if wanted.state:
        parts.append("state = ?")
        given.append(wanted.state)
    if wanted.text:
        # Looked for as it stands: what has a meaning in a pattern is taken as itself.
        text = wanted.text.replace("^", "^^").replace("%", "^%").replace("_", "^_")
        parts.append(FOUND)
        given += [f"{text}%", f"%{text}%", f"%{text}%"]
    return f"WHERE {' AND '.join(parts)}", tuple(given)
