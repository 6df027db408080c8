"""Tests what an attack by files and load found: each smallest case, as it is now."""

import signal
import sqlite3
import threading
import time
from datetime import timedelta
from pathlib import Path
from typing import Any

import httpx2
import pytest

from monedero.core.account import Mode
from monedero.store import Store
from monedero.store.exchanges import Exchange
from monedero.store.orders import Wanted
from monedero.store.past_orders import PastOrder
from tests.api.shopkeeper import BOAT, Shopkeeper
from tests.work.orders.test_killed import served


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
                    buyer.post("/api/checkouts/web-shop/orders", json={"order": BOAT, "tender": "card"}).json()
                )

        buyers = [threading.Thread(target=pay) for _ in range(64)]
        for buyer in buyers:
            buyer.start()
        for buyer in buyers:
            buyer.join()
    assert len(answers) == 64
    assert all("/pay/" in answer["go_to"] for answer in answers)


def test_records_come_some_at_a_time_and_are_found(keeper: Shopkeeper) -> None:
    tokens = [keeper.place("bank-transfer" if number % 3 else "card")["token"] for number in range(12)]
    first = keeper.get("/api/records", at_most=5)
    assert ([line["number"] for line in first["records"]], first["older"]) == (
        [1012, 1011, 1010, 1009, 1008],
        1008,
    )
    assert (first["total"], first["matching"]) == (12, 12)
    rest = keeper.get("/api/records", at_most=100, before=first["older"])
    assert (rest["records"][0]["number"], rest["older"]) == (1007, None)
    waiting = keeper.get("/api/records", state="awaiting-payment")
    assert (waiting["matching"], {line["state"] for line in waiting["records"]}) == (8, {"awaiting-payment"})
    assert [line["number"] for line in keeper.get("/api/records", text="1003")["records"]] == [1003]
    assert keeper.get("/api/records", text="transfer")["matching"] == 8
    assert keeper.get("/api/records", text="100% nobody")["matching"] == 0
    assert keeper.record(tokens[0])["number"] == 1001
    letters = keeper.client.get("/api/records", params={"before": "abc"})
    assert letters.json()["errors"][0]["detail"] == "“abc” is of the wrong type. Write a whole number."
    for wrong in ({"at_most": 1000}, {"state": "lost"}, {"before": 0}):
        assert keeper.client.get("/api/records", params=wrong).status_code == 422


def test_only_what_is_due_is_read_as_time_passes(keeper: Shopkeeper) -> None:
    orders, clock = keeper.running.store.orders, keeper.running.clock
    token = keeper.place("bank-transfer")["token"]
    keeper.place("card")
    assert orders.due(clock.now()) == []
    keeper.wind(days=6)
    assert keeper.record(token)["state"] == "overdue"
    assert orders.due(clock.now()) == []
    keeper.wind(days=60)
    assert keeper.record(token)["state"] == "lapsed"


def test_records_of_before_get_their_state_and_their_moment(keeper: Shopkeeper, tmp_path: Path) -> None:
    token = keeper.place("bank-transfer")["token"]
    with sqlite3.connect(tmp_path / "data" / "demo.sqlite") as other:
        other.execute("UPDATE order_record SET state = '', due_at = NULL")
    store = Store(tmp_path / "data" / "demo.sqlite")
    assert [held.record.token for held in store.orders.page(Wanted(Mode.TEST, "awaiting-payment"), 5).records] == [
        token
    ]
    assert len(store.orders.due(keeper.running.clock.now() + timedelta(days=30))) == 1


def test_a_file_whose_sender_leaves_is_not_read_on(tmp_path: Path) -> None:
    folder = tmp_path / "data"
    rows = b"id,date,amount\n" + b"1,2026-10-03,5.00\n" * 3_000_000
    with (
        served(folder, signal.SIGTERM) as client,
        httpx2.Client(base_url=client.base_url, trust_env=False) as owner,
    ):
        with pytest.raises(httpx2.ReadTimeout):
            owner.post("/api/past-orders/files", content=rows, timeout=httpx2.Timeout(30, read=1))
        until = time.monotonic() + 5
        while list((folder / "demo.files").iterdir()):
            assert time.monotonic() < until, "the rows are still written"
            time.sleep(0.05)
        assert client.get("/api/shop").status_code == 200


def test_exchanges_come_a_page_at_a_time(keeper: Shopkeeper) -> None:
    store, at = keeper.running.store, keeper.running.clock.now()
    before = len(keeper.get("/api/accounts/orlenta/exchanges")["exchanges"])
    for number in range(450):
        said = {"incoming": False, "what": "status", "verdict": "sent", "text": str(number)}
        store.exchanges.add(Exchange(account="orlenta", mode=Mode.TEST, at=at, **said))
    texts: list[str] = []
    page = keeper.get("/api/accounts/orlenta/exchanges")
    while page["older"]:
        texts += [entry["exchange"]["text"] for entry in page["exchanges"]]
        assert len(page["exchanges"]) == 200
        page = keeper.get("/api/accounts/orlenta/exchanges", before=page["older"])
    texts += [entry["exchange"]["text"] for entry in page["exchanges"]]
    assert texts[:450] == [str(number) for number in reversed(range(450))]
    assert len(texts) == 450 + before
