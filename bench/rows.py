"""A million past orders read from a file, with what others wait meanwhile: an answer, an edit, an order."""

import shutil
import tempfile
import threading
import time
from collections.abc import Callable
from pathlib import Path
from signal import SIGTERM
from typing import Any

import httpx2
from tests.api.shopkeeper import BOAT
from tests.work.orders.test_killed import served

ROWS, WAIT_MILLISECONDS = 1_000_000, 200
PAUSE = 0.02


def orders_file(rows: int) -> bytes:
    """A file of past orders, as a shop's software would give it."""
    head = "order,date,total,currency,country,item\n"
    return (
        head.encode()
        + "".join(
            f"N-{number},{2024 + number % 2}-{number % 12 + 1:02}-{number % 28 + 1:02},"
            f"{number % 200 + 1}.{number % 100:02},EUR,ES,Star chart\n"
            for number in range(rows)
        ).encode()
    )


class Waits:
    """The longest wait for one kind of request, asked again and again in a thread of its own."""

    def __init__(self, address: str, ask: Callable[[httpx2.Client], Any]) -> None:
        """Begin to ask."""
        self.longest = 0.0
        self.failed = 0
        self._ended = threading.Event()
        self._address, self._ask = address, ask
        self._thread = threading.Thread(target=self._run)
        self._thread.start()

    def _run(self) -> None:
        with httpx2.Client(base_url=self._address, trust_env=False, timeout=60) as client:
            self._ask(client)
            while not self._ended.wait(PAUSE):
                began = time.perf_counter()
                answer = self._ask(client)
                self.longest = max(self.longest, time.perf_counter() - began)
                self.failed += answer.status_code >= 500

    def end(self) -> str:
        """Stop asking; the longest wait in words."""
        self._ended.set()
        self._thread.join()
        return f"{1000 * self.longest:.0f} ms" + (f" ({self.failed} failed)" if self.failed else "")


def look(client: httpx2.Client) -> Any:
    """Ask for the shop."""
    return client.get("/api/shop")


def edit(client: httpx2.Client) -> Any:
    """Change the shop's name."""
    held = client.get("/api/shop").json()
    name = f"Cabo Noite {time.time_ns()}"
    return client.put("/api/shop", json={"version": held["version"], "shop": {**held["shop"], "name": name}})


def order(client: httpx2.Client) -> Any:
    """Place an order."""
    return client.post("/api/checkouts/web-shop/orders", json={"order": BOAT, "tender": "bank-transfer"})


def read(client: httpx2.Client, content: bytes) -> dict[str, float]:
    """Take the file in and read it; how long each took."""
    began = time.perf_counter()
    taken = client.post("/api/past-orders/files", content=content).raise_for_status().json()
    took = time.perf_counter() - began
    path = f"/api/past-orders/files/{taken['file']}/import"
    progress = client.post(path, json=taken["matching"]).raise_for_status().json()
    while progress["state"] == "under-way":
        time.sleep(0.25)
        progress = client.get(f"/api/past-orders/imports/{progress['id']}").json()
    assert (progress["state"], progress["new"]) == ("done", ROWS), progress
    return {"take": took, "all": time.perf_counter() - began}


def run() -> str:
    """Read the file while others ask."""
    folder = Path(tempfile.mkdtemp())
    content = orders_file(ROWS)
    try:
        with served(folder, SIGTERM) as client:
            address = str(client.base_url)
            with httpx2.Client(base_url=address, trust_env=False, timeout=600) as owner:
                asked = {
                    name: Waits(address, ask)
                    for name, ask in (("an answer", look), ("an edit", edit), ("an order", order))
                }
                took = read(owner, content)
                waits = ", ".join(f"{name} {held.end()}" for name, held in asked.items())
        return (
            f"{ROWS:,} past orders ({len(content) // 1_000_000} MB): taken in after {took['take']:.1f} s, read after "
            f"{took['all']:.1f} s; longest wait meanwhile: {waits} (budget {WAIT_MILLISECONDS} ms)"
        )
    finally:
        shutil.rmtree(folder, ignore_errors=True)


if __name__ == "__main__":
    print(run())
