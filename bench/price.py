"""`monedero price` on 100,000 orders, as it is run: seconds and peak memory, against the budget."""

import subprocess
import sys
import tempfile
import time
from pathlib import Path

from bench.orders import write_orders
from monedero import demo
from monedero.formats import rate_card

ORDERS, ROUTES = 100_000, 20
SECONDS, MEGABYTES = 3, 150


def write_cards(folder: Path, enough: int = ROUTES) -> tuple[list[Path], int]:
    """Write the demo's cards, open to every shop on every day, and copies of them, until routes are enough."""
    paths: list[Path] = []
    routes = 0
    for number, card in enumerate(demo.rate_cards() * 5):
        if routes < enough:
            countries = sorted({*card.provider.countries, "PT"})
            provider = card.provider.model_copy(
                update={"id": f"{card.provider.id}-{number}", "countries": countries}
            )
            held = card.model_copy(update={"provider": provider, "valid_from": None})
            paths.append(folder / f"{number}.json")
            paths[-1].write_bytes(rate_card.write(held))
            routes += len(held.routes)
    return paths, routes


def memory_of(process: int) -> int:
    """Kilobytes that a process and its children hold, shared pages counted once (Linux)."""
    held = 0
    children = Path(f"/proc/{process}/task/{process}/children")
    try:
        family = [process, *map(int, children.read_text().split())]
        for member in family:
            lines = Path(f"/proc/{member}/smaps_rollup").read_text().splitlines()
            held += sum(int(line.split()[1]) for line in lines if line.startswith("Pss:"))
    except OSError:  # one of them has just ended
        return 0
    return held


def run() -> str:
    """Price the file and say what it took."""
    with tempfile.TemporaryDirectory() as folder:
        cards, routes = write_cards(Path(folder))
        orders = Path(folder) / "orders.csv"
        write_orders(orders, ORDERS)
        monedero = Path(sys.executable).parent / "monedero"
        command: list[str | Path] = [monedero, "price", *cards, "--orders", orders, "--shop-country", "PT"]
        began, peak = time.perf_counter(), 0
        with (Path(folder) / "fees.csv").open("wb") as fees, subprocess.Popen(command, stdout=fees) as pricing:
            while pricing.poll() is None:
                peak = max(peak, memory_of(pricing.pid))
                time.sleep(0.1)
        seconds = time.perf_counter() - began
    return (
        f"monedero price, {ORDERS:,} orders x {routes} routes: {seconds:.1f} s (budget {SECONDS} s), "
        f"peak of all its processes {peak / 1024:.0f} MB (budget {MEGABYTES} MB)"
    )
