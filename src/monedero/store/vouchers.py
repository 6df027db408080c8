"""Vouchers with their entries, which are never edited; a code is known by its digest alone."""

import secrets
from collections.abc import Iterable
from datetime import date, datetime, timedelta
from typing import Any, NamedTuple

from peewee import SqliteDatabase

from monedero.core.account import Mode
from monedero.core.card_number import lettered
from monedero.core.money import Money
from monedero.core.voucher.books import Entry, Voucher

HANDLE_HOLDS = timedelta(hours=2)


class Head(NamedTuple):
    """A voucher besides its entries; one of a test pays no live order."""

    mode: Mode
    digest: str
    kind: str
    ends_in: str
    currency: str
    expires: date | None
    note: str
    sold_by: str


class Vouchers:
    """The vouchers of a shop, and the codes that were tried."""

    def __init__(self, database: SqliteDatabase) -> None:
        self._database = database

    def add(self, head: Head, first: Entry) -> Voucher:
        """Issue a voucher."""
        id = lettered(secrets.token_hex(8))
        self._database.execute_sql(
            "INSERT INTO voucher VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)",
            (
                *(id, head.digest, head.kind, head.ends_in, head.currency),
                *(head.expires.isoformat() if head.expires else None, head.note, head.sold_by, head.mode.value),
            ),
        )
        self._enter(id, first)
        found = self.get(id)
        assert found is not None  # it was just put in
        return found

    def get(self, id: str) -> Voucher | None:
        """A voucher by its id, with all its entries."""
        return next(iter(self._read("WHERE id = ?", (id,))), None)

    def with_digest(self, digest: str, mode: Mode) -> Voucher | None:
        """A voucher of a mode by the digest of its code."""
        return next(iter(self._read("WHERE digest = ? AND mode = ?", (digest, mode.value))), None)

    def sold_by(self, order: str) -> Voucher | None:
        """The voucher that an order paid for."""
        return next(iter(self._read("WHERE sold_by = ?", (order,))), None)

    def all(self, mode: Mode) -> list[Voucher]:
        """Every voucher of a mode, the newest first."""
        return list(self._read("WHERE mode = ?", (mode.value,)))

    def any(self, mode: Mode) -> bool:
        """True if there is one in a mode."""
        found = "SELECT EXISTS (SELECT 1 FROM voucher WHERE mode = ?)"
        return bool(self._database.execute_sql(found, (mode.value,)).fetchone()[0])

    def keep(self, before: Voucher, after: Voucher) -> None:
        """Write the entries that came to a voucher, in the transaction in which it was read."""
        for entry in after.entries[len(before.entries) :]:
            self._enter(after.id, entry)

    def hand_out(self, voucher: str, now: datetime) -> str:
        """A handle under which a voucher is used instead of its code, for some hours."""
        self._database.execute_sql("DELETE FROM voucher_handle WHERE until <= ?", (now.isoformat(),))
        handle = secrets.token_urlsafe(18)
        until = (now + HANDLE_HOLDS).isoformat()
        self._database.execute_sql("INSERT INTO voucher_handle VALUES (?, ?, ?)", (handle, voucher, until))
        return handle

    def by_handle(self, handle: str, mode: Mode, now: datetime) -> Voucher | None:
        """The voucher of a handle that still holds, in a mode."""
        row = self._database.execute_sql(
            "SELECT voucher FROM voucher_handle WHERE handle = ? AND until > ?", (handle, now.isoformat())
        ).fetchone()
        if row is None:
            return None
        return next(iter(self._read("WHERE id = ? AND mode = ?", (str(row[0]), mode.value))), None)

    def tried_wrong(self, names: Iterable[str], now: datetime, forget: datetime) -> None:
        """Note that somebody tried a code that is none; what was noted up to a moment is forgotten."""
        self._database.execute_sql("DELETE FROM voucher_wrong WHERE at <= ?", (forget.isoformat(),))
        for who in names:
            self._database.execute_sql("INSERT INTO voucher_wrong VALUES (?, ?)", (who, now.isoformat()))

    def wrong_since(self, who: str, since: datetime) -> list[datetime]:
        """When somebody tried codes that are none, from a moment on."""
        rows = self._database.execute_sql(
            "SELECT at FROM voucher_wrong WHERE who = ? AND at > ? ORDER BY at", (who, since.isoformat())
        )
        return [datetime.fromisoformat(row[0]) for row in rows.fetchall()]

    def _enter(self, voucher: str, entry: Entry) -> None:
        self._database.execute_sql(
            "INSERT INTO voucher_entry (voucher, at, what, minor, order_token) VALUES (?, ?, ?, ?, ?)",
            (voucher, entry.at.isoformat(), entry.what.value, entry.amount.minor, entry.order),
        )

    def _read(self, where: str, given: tuple[Any, ...]) -> Iterable[Voucher]:
        rows = self._database.execute_sql(
            f"SELECT id, kind, ends_in, currency, expires, note, sold_by FROM voucher {where} ORDER BY rowid DESC",
            given,
        ).fetchall()
        for id, kind, ends_in, currency, expires, note, sold_by in rows:
            entries = self._database.execute_sql(
                "SELECT at, what, minor, order_token FROM voucher_entry WHERE voucher = ? ORDER BY number", (id,)
            ).fetchall()
            yield Voucher(
                id=id,
                kind=kind,
                ends_in=ends_in,
                currency=currency,
                expires=date.fromisoformat(expires) if expires else None,
                note=note,
                sold_by=sold_by,
                entries=[
                    Entry(at=datetime.fromisoformat(at), what=what, amount=Money(minor, currency), order=order)
                    for at, what, minor, order in entries
                ],
            )
