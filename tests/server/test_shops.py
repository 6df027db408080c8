"""A server's two shops: kept apart, kept over a restart, their secret readable by the owner alone."""

from datetime import UTC, datetime
from pathlib import Path

import pytest

from monedero.core.errors import NotFound
from monedero.core.shop import Shop
from monedero.server.demo_shop import open_demo
from monedero.server.shops import Shops
from monedero.work.checkout.checkout_snapshot import drafted
from monedero.work.shop.order_in_hand import OrderSentence, order_in_hand
from tests.conftest import at_desk

NOW = datetime(2026, 11, 24, 10, 0, tzinfo=UTC)


def test_the_keys_to_what_is_sealed_are_for_the_owner_alone_and_stay(tmp_path: Path) -> None:
    Shops(tmp_path / "data")
    for name in ("shop.key", "demo.key"):
        key = tmp_path / "data" / name
        before = key.read_bytes()
        assert key.stat().st_mode & 0o077 == 0
        Shops(tmp_path / "data")
        assert key.read_bytes() == before


def test_the_demo_is_opened_once_and_what_was_tried_in_it_stays(tmp_path: Path) -> None:
    demo = Shops(tmp_path / "data").demo
    held = demo.store.description.read()
    assert held is not None
    demo.store.description.save(held.value.model_copy(update={"name": "Cabo Dia"}), held.version)
    open_demo(demo.store, demo.provider, NOW)
    again = Shops(tmp_path / "data").demo.store.description.read()
    assert again is not None
    assert again.value.name == "Cabo Dia"
    assert [edition.number for edition in demo.store.editions.of("web-shop")] == [1]


def test_the_own_shop_knows_nothing_of_the_demo(shops: Shops) -> None:
    assert shops.own.store.description.read() is None
    assert shops.own.store.rate_cards.all() == []
    shops.own.store.description.save(Shop(name="Lume", country="PT", currency="EUR"), 0)
    assert shops.demo.store.description.read() != shops.own.store.description.read()


def test_an_order_is_found_in_its_own_shop(shops: Shops) -> None:
    snapshot = drafted(at_desk(shops.demo.store))
    order = order_in_hand(snapshot.shop, OrderSentence("es-eur", "night-boat-tour", "85.00", "EUR", NOW.date()))
    record = shops.demo.intake.place(snapshot, order, "bank-transfer")
    assert shops.with_order(record.token) is shops.demo
    assert shops.own.store.orders.all() == []
    with pytest.raises(NotFound):
        shops.with_order("nobody")
