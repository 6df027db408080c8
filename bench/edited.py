"""A comparison right after a tender was described anew, with many past orders: nothing of the month is made again."""

import shutil
import tempfile
import time
from pathlib import Path
from signal import SIGTERM
from statistics import median

import httpx2
from tests.api.shopkeeper import BOAT
from tests.work.orders.test_killed import served

from bench.rows import orders_file

ORDERS, ROUNDS, MILLISECONDS = 100_000, 10, 100


def with_past_orders(client: httpx2.Client) -> None:
    """Read past orders, and let the month be made of them."""
    look = client.post("/api/past-orders/files", content=orders_file(ORDERS)).raise_for_status().json()
    begun = client.post(f"/api/past-orders/files/{look['file']}/import", json=look["matching"]).json()
    while client.get(f"/api/past-orders/imports/{begun['id']}").json()["state"] == "under-way":
        time.sleep(0.2)
    held = client.get("/api/profile").json()
    profile = {**held["profile"], "source": "past-orders"}
    client.put("/api/profile", json={"version": held["version"], "profile": profile}).raise_for_status()


def run() -> str:
    """Describe a tender, then compare, again and again."""
    folder, taken = Path(tempfile.mkdtemp()), []
    try:
        with (
            served(folder, SIGTERM) as shop,
            httpx2.Client(base_url=shop.base_url, trust_env=False, timeout=120) as client,
        ):
            with_past_orders(client)
            began = time.perf_counter()
            client.get("/api/compare", params=BOAT).raise_for_status()
            first = time.perf_counter() - began
            for number in range(ROUNDS):
                held = client.get("/api/checkouts/web-shop").json()
                tenders = [
                    {**held["tenders"][0], "texts": {"en": {"description": f"Round {number}."}}},
                    *held["tenders"][1:],
                ]
                body = {"version": held["version"], "tenders": tenders}
                client.put("/api/checkouts/web-shop", json=body).raise_for_status()
                began = time.perf_counter()
                client.get("/api/compare", params=BOAT).raise_for_status()
                taken.append(time.perf_counter() - began)
    finally:
        shutil.rmtree(folder, ignore_errors=True)
    return (
        f"a comparison after an edited description, {ORDERS:,} past orders: {1000 * median(taken):.0f} ms "
        f"(budget {MILLISECONDS} ms; the first one, which makes the month: {first:.1f} s)"
    )


if __name__ == "__main__":
    print(run())
