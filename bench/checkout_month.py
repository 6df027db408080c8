"""The month of the checkout right after a limit was edited, and the best set after a share of buyers was typed."""

import shutil
import tempfile
import time
from pathlib import Path
from signal import SIGTERM
from statistics import median

import httpx2
from tests.api.shopkeeper import BOAT
from tests.work.orders.test_killed import served

ROUNDS, MILLISECONDS, SECONDS = 20, 100, 2


def run() -> str:
    """Edit a limit and ask for the month, again and again; then type a share and ask for the best set."""
    folder, months, sets = Path(tempfile.mkdtemp()), [], []
    try:
        with (
            served(folder, SIGTERM) as shop,
            httpx2.Client(base_url=shop.base_url, trust_env=False, timeout=120) as client,
        ):
            client.get("/api/checkouts/web-shop/month", params=BOAT).raise_for_status()
            for number in range(ROUNDS):
                held = client.get("/api/checkouts/web-shop").json()
                first = {**held["tenders"][0], "windows": [{"up_to": f"{200 + number}.00 EUR"}]}
                body = {"version": held["version"], "tenders": [first, *held["tenders"][1:]]}
                client.put("/api/checkouts/web-shop", json=body).raise_for_status()
                began = time.perf_counter()
                client.get("/api/checkouts/web-shop/month", params=BOAT).raise_for_status()
                months.append(time.perf_counter() - began)
            for number in range(5):
                version = client.get("/api/buyers").json()["version"]
                share = {"version": version, "country": None, "family": "card", "share": str(50 + number)}
                client.post("/api/buyers/shares", json=share).raise_for_status()
                began = time.perf_counter()
                client.get("/api/compare/best-set").raise_for_status()
                sets.append(time.perf_counter() - began)
    finally:
        shutil.rmtree(folder, ignore_errors=True)
    return (
        f"the month of the checkout after an edited limit: {1000 * median(months):.0f} ms (budget {MILLISECONDS} ms); "
        f"the best set of the demo after a share was typed: {median(sets):.1f} s (budget {SECONDS} s)"
    )


if __name__ == "__main__":
    print(run())
