"""A server under load: buyers who pay at once, a list of many records, and what many open orders cost when idle."""

import shutil
import sqlite3
import tempfile
import threading
import time
from pathlib import Path
from signal import SIGTERM
from statistics import median

import httpx2
from tests.api.shopkeeper import BOAT
from tests.browser.server import serving
from tests.work.orders.test_killed import served

BUYERS, ORDERS, ROUNDS = 64, 10_000, 20
LIST_MILLISECONDS, IDLE_SECONDS, IDLE_PERCENT = 100, 20, 2
# Copies of the newest order, each with a number and token of its own.
COPY = """
WITH RECURSIVE step (n) AS (SELECT 1 UNION ALL SELECT n + 1 FROM step WHERE n < ?)
INSERT INTO order_record (mode, number, token, version, buyer, state, due_at, body)
SELECT mode, number + n, token || n, version, buyer, state, due_at,
  json_set(body, '$.number', number + n, '$.token', token || n)
FROM step, (SELECT * FROM order_record ORDER BY number DESC LIMIT 1)
"""


def buyers(folder: Path) -> str:
    """All pay by card at the same moment; each asks for the page on which to pay."""
    taken: list[float] = []
    with served(folder, SIGTERM) as owner:
        address, ready = str(owner.base_url), threading.Barrier(BUYERS)

        def pay() -> None:
            with httpx2.Client(base_url=address, trust_env=False, timeout=60) as buyer:
                ready.wait()
                began = time.perf_counter()
                answer = buyer.post("/api/checkouts/web-shop/orders", json={"order": BOAT, "tender": "card"})
                if "/pay/" in answer.json()["go_to"]:
                    taken.append(time.perf_counter() - began)

        at_once = [threading.Thread(target=pay) for _ in range(BUYERS)]
        for buyer in at_once:
            buyer.start()
        for buyer in at_once:
            buyer.join()
    last = sorted(taken)[len(taken) * 99 // 100]
    return f"{BUYERS} buyers who pay at once: {len(taken)} get their page, p99 {last:.1f} s"


def records(folder: Path) -> str:
    """The list of many open orders, read over HTTP, and the processor's time while nobody asks."""
    with serving(folder) as address, httpx2.Client(base_url=address, trust_env=False) as owner:
        body = {"order": BOAT, "tender": "bank-transfer"}
        owner.post("/api/checkouts/web-shop/orders", json=body).raise_for_status()
        with sqlite3.connect(folder / "demo.sqlite") as demo:
            demo.execute(COPY, (ORDERS - 1,))
        taken = []
        for _ in range(ROUNDS):
            began = time.perf_counter()
            total = owner.get("/api/records").raise_for_status().json()["total"]
            taken.append(time.perf_counter() - began)
        began = time.process_time()
        time.sleep(IDLE_SECONDS)
        idle = time.process_time() - began
    return (
        f"the list of {total} open orders: median {1000 * median(taken):.0f} ms "
        f"(budget {LIST_MILLISECONDS} ms); idle with them: {100 * idle / IDLE_SECONDS:.1f} % of a core "
        f"(budget {IDLE_PERCENT} %)"
    )


def run() -> str:
    """Measure both, each on a demo shop of its own."""
    folder = Path(tempfile.mkdtemp())
    try:
        return "\n".join((buyers(folder / "buyers"), records(folder / "records")))
    finally:
        shutil.rmtree(folder, ignore_errors=True)
