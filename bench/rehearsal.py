"""All cases of the demo's draft, played; the list of what stands in the way; the grid. Each of them over HTTP."""

import shutil
import tempfile
import time
from pathlib import Path
from signal import SIGTERM
from statistics import median

import httpx2
from tests.work.orders.test_killed import served

AT = "/api/checkouts/web-shop"
SECONDS, MILLISECONDS, ROUNDS = 20, 200, 10


def run() -> str:
    """Play everything once; then ask for the list and the grid, again and again."""
    folder = Path(tempfile.mkdtemp())
    try:
        with (
            served(folder, SIGTERM) as shop,
            httpx2.Client(base_url=shop.base_url, trust_env=False, timeout=120) as client,
        ):
            began = time.perf_counter()
            client.post(f"{AT}/rehearsal/play", json={"cases": []}).raise_for_status()
            while not (told := client.get(f"{AT}/rehearsal").json())["progress"]["over"]:
                time.sleep(0.2)
            played = time.perf_counter() - began
            asked = {path: _median(client, f"{AT}/{path}") for path in ("ready", "rehearsal")}
    finally:
        shutil.rmtree(folder, ignore_errors=True)
    return (
        f"{told['progress']['of']} cases of the demo rehearsed: {played:.1f} s (budget {SECONDS} s); the list before "
        f"publishing {1000 * asked['ready']:.0f} ms (budget {MILLISECONDS} ms), the grid "
        f"{1000 * asked['rehearsal']:.0f} ms"
    )


def _median(client: httpx2.Client, path: str) -> float:
    times = []
    for _ in range(ROUNDS):
        began = time.perf_counter()
        client.get(path).raise_for_status()
        times.append(time.perf_counter() - began)
    return median(times)


if __name__ == "__main__":
    print(run())
