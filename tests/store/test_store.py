"""Tests what is kept: versions, editions that never change, one schema, and nothing half written."""

import json
import sqlite3
from collections.abc import Iterator
from datetime import date
from pathlib import Path

import pytest

from monedero import demo
from monedero.core.account import Mode
from monedero.core.errors import Conflict
from monedero.core.record import OrderRecord
from monedero.core.shop import Shop
from monedero.server.shops import RunningShop
from monedero.store import Store
from monedero.store.migrations import MIGRATIONS
from monedero.store.past_orders import PastOrder


@pytest.fixture
def store(tmp_path: Path) -> Store:
    return Store(tmp_path / "shop.sqlite")


def shop(name: str = "Cabo Noite") -> Shop:
    return Shop(name=name, country="PT", currency="EUR")


def schema(path: Path) -> list[tuple[str]]:
    with sqlite3.connect(path) as database:
        return database.execute("SELECT sql FROM sqlite_master WHERE sql IS NOT NULL ORDER BY name").fetchall()


def test_an_older_version_is_refused_and_nothing_is_lost(tmp_path: Path) -> None:
    store = Store(tmp_path / "shop.sqlite")
    first = store.description.save(shop(), 0)
    store.description.save(shop("Cabo Dia"), first.version)
    with pytest.raises(Conflict, match="version-old"):
        store.description.save(shop("Too late"), first.version)
    held = store.description.read()
    assert held is not None
    assert (held.version, held.value.name) == (2, "Cabo Dia")


def test_everything_survives_a_restart(tmp_path: Path) -> None:
    Store(tmp_path / "shop.sqlite").description.save(shop(), 0)
    again = Store(tmp_path / "shop.sqlite").description.read()
    assert again is not None
    assert again.value == shop()


@pytest.mark.parametrize("statement", ["UPDATE edition SET body = '{}'", "DELETE FROM edition"])
def test_an_edition_never_changes(demo: RunningShop, tmp_path: Path, statement: str) -> None:
    assert demo.store.editions.newest("web-shop") is not None
    with (
        sqlite3.connect(tmp_path / "data" / "demo.sqlite") as database,
        pytest.raises(sqlite3.IntegrityError, match="an edition is immutable"),
    ):
        database.execute(statement)


def test_an_old_database_and_an_empty_one_reach_the_same_schema(tmp_path: Path) -> None:
    old = tmp_path / "old.sqlite"
    with sqlite3.connect(old) as database:
        database.execute("CREATE TABLE migration (name TEXT PRIMARY KEY, applied_at TEXT NOT NULL)")
        name, statements = MIGRATIONS[0]
        for statement in statements:
            database.execute(statement)
        database.execute("INSERT INTO migration VALUES (?, '2026-01-01')", (name,))
    Store(old).close()
    Store(tmp_path / "new.sqlite")
    names = [name for name, _ in MIGRATIONS]
    assert names == sorted(names)
    assert {row for row in schema(old) if "migration" not in row[0]} == {
        row for row in schema(tmp_path / "new.sqlite") if "migration" not in row[0]
    }


def test_an_order_of_an_earlier_version_keeps_its_story(tmp_path: Path) -> None:
    path = tmp_path / "old.sqlite"
    body = {
        "token": "t",
        "number": 1001,
        "mode": "test",
        "edition": 1,
        "draft_version": None,
        "placed_at": "2026-11-24T10:00:00Z",
        "country": "ES",
        "line_name": "Night boat tour",
        "kind": "booking",
        "recurring": False,
        "amount": "85.00 EUR",
        "state": "paid",
        "chosen": {"tender": "card", "name": "Card", "method": "card", "provider": "orlenta"},
        "attempt": 2,
        "happened": [
            {"at": "2026-11-24T10:00:00Z", "move": "placed", "tender": "Card"},
            {"at": "2026-11-24T10:00:01Z", "move": "outcome-set-aside", "tender": "Card"},
            {"at": "2026-11-24T10:00:02Z", "move": "paid", "tender": "Card"},
        ],
    }
    with sqlite3.connect(path) as database:
        database.execute("CREATE TABLE migration (name TEXT PRIMARY KEY, applied_at TEXT NOT NULL)")
        for name, statements in MIGRATIONS[:4]:
            for statement in statements:
                database.execute(statement)
            database.execute("INSERT INTO migration VALUES (?, '2026-01-01')", (name,))
        database.execute("INSERT INTO order_record VALUES (1001, 't', 1, ?)", (json.dumps(body),))
    record = Store(path).orders.get("t")
    assert record is not None
    assert (record.state.value, record.payment.books.kept, record.payment.chosen.name) == ("paid", 8500, "Card")
    assert [(entry.what.value, str(entry.kept)) for entry in record.happened] == [
        ("placed", "0.00 EUR"),
        ("notice-refused", "0.00 EUR"),
        ("paid", "85.00 EUR"),
    ]


def test_an_order_and_its_message_are_written_together_or_not_at_all(demo: RunningShop) -> None:
    before = len(demo.store.orders.all())

    def build(number: int) -> OrderRecord:
        raise RuntimeError(number)

    with pytest.raises(RuntimeError):
        demo.store.orders.add(build, lambda before, after: [], Mode.TEST)
    assert len(demo.store.orders.all()) == before
    assert demo.store.orders.change("nobody", lambda record: record, lambda before, after: []) is None


def test_the_revision_rises_with_what_prices_rest_on_and_with_nothing_else(store: Store) -> None:
    before = store.revision()
    store.rate_cards.put(demo.rate_cards()[0])
    held = store.revision()
    assert held == before._replace(prices=before.prices + 1)
    store.past_orders.remember("[]", "{}")
    assert store.past_orders.add(iter([[]])) == 0
    assert store.revision() == held
    order = PastOrder("7", "2026-10-03", 500, "EUR", "PT", None, None, None, None, None, None)
    assert store.past_orders.add(iter([[order], [order]])) == 1
    assert store.revision() == held._replace(month=held.month + 1)
    told = order._replace(method="cash", minor=900)
    assert store.past_orders.add(iter([[told]])) == 0
    assert [*store.past_orders.paid_by()] == [("PT", "cash", 1)]
    assert store.past_orders.paid()["minor"].to_list() == [500]
    assert store.past_orders.clear() == 1
    assert store.revision() == held._replace(month=held.month + 3)
    held = store.revision()
    saved = store.checkouts.save(demo.checkout(), 0)
    store.accounts.put(demo.accounts()[0])
    assert store.revision() == held._replace(checkout=held.checkout + 1, accounts=held.accounts + 1)
    held = store.revision()
    # A draft that is saved as it was changes nothing, not even its version.
    assert store.checkouts.save(demo.checkout(), saved.version) == saved
    store.accounts.put(demo.accounts()[0])
    first = store.description.save(demo.shop(), 0)
    held = store.revision()
    assert store.description.save(demo.shop(), first.version) == first
    assert store.revision() == held


def test_orders_that_break_off_leave_nothing(store: Store) -> None:
    def batches() -> Iterator[list[PastOrder]]:
        yield [PastOrder("7", "2026-10-03", 500, "EUR", "PT", None, None, None, None, None, None)]
        raise ValueError("stopped")

    with pytest.raises(ValueError, match="stopped"):
        store.past_orders.add(batches())
    assert store.past_orders.counts().paid == 0
    assert store.past_orders.paid().is_empty()


def test_a_card_is_saved_over_the_version_that_was_read(store: Store) -> None:
    card = demo.rate_cards()[0]
    kept = store.rate_cards.save(card, card.provider.id, "2026-01-01", 0)
    assert kept.version == 1
    with pytest.raises(Conflict, match="version-old"):
        store.rate_cards.save(card, card.provider.id, "2026-01-01", 0)
    later = card.model_copy(update={"valid_from": date(2026, 6, 1)})
    assert store.rate_cards.save(later, card.provider.id, "2026-01-01", 1).version == 2
    assert store.rate_cards.get(card.provider.id, "2026-01-01") is None
    assert store.rate_cards.remove(card.provider.id, "2026-06-01")
    assert not store.rate_cards.remove(card.provider.id, "2026-06-01")
