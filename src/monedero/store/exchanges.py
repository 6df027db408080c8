"""Tells what was said between the shop and its gateways, in both directions, to be read again later."""

from datetime import datetime
from typing import Literal

from peewee import SqliteDatabase
from pydantic import BaseModel

from monedero.core.account import Mode
from monedero.core.errors import Fault
from monedero.formats import stored
from monedero.store.tables import ExchangeRow

Verdict = Literal["counted", "again", "early", "refused", "read", "sent", "failed"]


class Exchange(BaseModel):
    """One thing that was said. `headers` holds no secret; `text` is what was said, as it came.

    `message` is the id of a notification, `by_hand` whether it was counted again by the owner, `faults` are why it was
    refused, `answer` is the status that was given or got. `told` is why as a sentence, where an
    earlier state kept one.
    """

    account: str
    mode: Mode
    at: datetime
    incoming: bool
    what: str
    by_hand: bool = False
    verdict: Verdict
    message: str | None = None
    payment: str = ""
    order_number: int | None = None
    faults: tuple[Fault, ...] = ()
    told: str = ""
    answer: int | None = None
    text: str = ""
    headers: dict[str, str] = {}


class KeptExchange(BaseModel):
    """An exchange with its number."""

    number: int
    exchange: Exchange


class Exchanges:
    """The record of exchanges, by account and mode."""

    def __init__(self, database: SqliteDatabase) -> None:
        self._database = database

    def add(self, exchange: Exchange) -> bool:
        """Keep an exchange; False for a notification whose id is there already."""
        # Notifications come by the thousand: their statements are written out, which is several times faster.
        added = self._database.execute_sql(
            "INSERT OR IGNORE INTO exchange (account, mode, at, incoming, message, body) VALUES (?, ?, ?, ?, ?, ?)",
            (
                exchange.account,
                exchange.mode.value,
                exchange.at.isoformat(),
                int(exchange.incoming),
                exchange.message,
                stored.written(exchange),
            ),
        )
        return bool(added.rowcount)

    def has(self, account: str, mode: Mode, message: str) -> bool:
        """True if a notification is there already."""
        found = self._database.execute_sql(
            "SELECT 1 FROM exchange WHERE account = ? AND mode = ? AND message = ?", (account, mode.value, message)
        )
        return found.fetchone() is not None

    def last_asked(self, account: str, mode: Mode, what: str) -> Exchange | None:
        """The newest time that the same was asked of a gateway."""
        found = self._database.execute_sql(
            "SELECT body FROM exchange WHERE account = ? AND mode = ? AND incoming = 0 "
            "AND json_extract(body, '$.what') = ? ORDER BY id DESC LIMIT 1",
            (account, mode.value, what),
        ).fetchone()
        return None if found is None else stored.read(found[0], Exchange)

    def newest(
        self, account: str, mode: Mode, *, incoming: bool = False, before: int | None = None, at_most: int = 200
    ) -> list[KeptExchange]:
        """The newest exchanges of an account, the newest first, from before a number on where one is given.

        Only those that came in where `incoming` says so.
        """
        where = (ExchangeRow.account == account) & (ExchangeRow.mode == mode.value)
        if incoming:
            where &= ExchangeRow.incoming == 1
        if before is not None:
            where &= ExchangeRow.id < before
        rows = (
            ExchangeRow.select()
            .where(where)
            .order_by(ExchangeRow.id.desc())
            .limit(at_most)
            .execute(self._database)
        )
        return [KeptExchange(number=row.id, exchange=stored.read(row.body, Exchange)) for row in rows]

    def get(self, number: int) -> Exchange | None:
        """An exchange by its number."""
        row = ExchangeRow.select().where(ExchangeRow.id == number).first(self._database)
        return None if row is None else stored.read(row.body, Exchange)
