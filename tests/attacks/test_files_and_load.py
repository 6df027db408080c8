"""What an attack by files and load found: each smallest case, as it is now."""

import signal
import sqlite3
import threading
import time
from pathlib import Path
from typing import Any

import httpx2
import pytest

from monedero.store import Store
from monedero.store.past_orders import PastOrder
from tests.api.shopkeeper import BOAT
from tests.work.test_killed import served


def past(number: int) -> PastOrder:
    kinds, card = "booking", ("consumer-debit", "aster")
    return PastOrder(str(number), "2026-10-03", 8500, "EUR", "ES", None, kinds, False, *card, None)


def test_an_edit_during_a_long_reading_does_not_wait_for_it(tmp_path: Path) -> None:
    """The write lock was held while a file was parsed: edits, orders and notifications failed."""
    store = Store(tmp_path / "shop.sqlite")
    parsing, go_on = threading.Event(), threading.Event()

    def batches() -> Any:
        yield [past(number) for number in range(1000)]
        parsing.set()
        assert go_on.wait(10)
        yield [past(number) for number in range(1000, 2000)]

    reading = threading.Thread(target=lambda: store.past_orders.add(batches()))
    reading.start()
    assert parsing.wait(10)
    began = time.monotonic()
    with store.together():
        store.wind_clock(store.clock_ahead())
    assert time.monotonic() - began < 0.2
    assert store.past_orders.counts().paid == 0, "nothing counts before all of it is there"
    go_on.set()
    reading.join()
    assert store.past_orders.counts().paid == 2000


def test_a_reading_that_breaks_off_leaves_nothing_and_the_next_one_takes_what_a_kill_left(tmp_path: Path) -> None:
    store = Store(tmp_path / "shop.sqlite")
    store.past_orders.add([[past(1)]])

    def broken() -> Any:
        yield [past(2), past(3)]
        raise OSError("the disk went away")

    with pytest.raises(OSError, match="went away"):
        store.past_orders.add(broken())
    assert store.past_orders.counts().paid == 1
    # A kill leaves the rows of its reading.
    with sqlite3.connect(tmp_path / "shop.sqlite") as other:
        other.execute("INSERT INTO past_reading (done) VALUES (0)")
        other.execute("UPDATE past_order SET reading = (SELECT max(id) FROM past_reading)")
    assert store.past_orders.counts().paid == 0
    assert store.past_orders.add([[past(1), past(2)], [past(2)]]) == 2
    assert store.past_orders.counts().paid == 2


def test_sixty_four_buyers_who_pay_at_once_all_get_their_page(tmp_path: Path) -> None:
    """The server asked itself with a second thread of the pool that answered buyers: 41 of them starved it."""
    with served(tmp_path / "data", signal.SIGTERM) as client:
        address, answers = str(client.base_url), []

        def pay() -> None:
            with httpx2.Client(base_url=address, trust_env=False, timeout=30) as buyer:
                answers.append(
                    buyer.post("/api/orders", json={"order": BOAT, "tender": "card", "by": "draft"}).json()
                )

        buyers = [threading.Thread(target=pay) for _ in range(64)]
        for buyer in buyers:
            buyer.start()
        for buyer in buyers:
            buyer.join()
    assert len(answers) == 64
    assert all("/pay/" in answer["go_to"] for answer in answers)
