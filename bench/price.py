"""`monedero price` on 100,000 orders, as it is run: seconds and peak memory, against the budget and a plain script.

How fast a machine is changes from minute to minute. A script that only reads the orders and writes as many rows, run in
turn with it, says what the seconds are worth.
"""

import subprocess
import sys
import tempfile
import time
from pathlib import Path
from statistics import median

from bench.orders import write_orders
from monedero import demo
from monedero.formats import rate_card

ORDERS, ROUTES = 100_000, 20
SECONDS, MEGABYTES, ROUNDS, SHARE = 3, 150, 3, 0.8
PLAIN = """
import csv, sys
with open(sys.argv[1], newline="") as orders:
    for id, day, amount, currency, *_ in csv.reader(orders):
        for _ in range(int(sys.argv[2])):
            sys.stdout.write(f"{id},provider,plan,method,priced,rate,{amount},{currency},\\n")
"""


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


def taken(command: list[str | Path], told: Path) -> tuple[float, int]:
    """The seconds that a command takes that writes to a file, and the most memory it holds, in kilobytes."""
    began, peak = time.perf_counter(), 0
    with told.open("wb") as output, subprocess.Popen(command, stdout=output) as running:
        while running.poll() is None:
            peak = max(peak, memory_of(running.pid))
            time.sleep(0.05)
    return time.perf_counter() - began, peak


def run() -> str:
    """Price the file and say what it took."""
    with tempfile.TemporaryDirectory() as folder:
        cards, routes = write_cards(Path(folder))
        orders = Path(folder) / "orders.csv"
        write_orders(orders, ORDERS)
        monedero = Path(sys.executable).parent / "monedero"
        command: list[str | Path] = [monedero, "price", *cards, "--orders", orders, "--shop-country", "PT"]
        plain: list[str | Path] = [sys.executable, "-c", PLAIN, orders, str(routes)]
        told = Path(folder) / "fees.csv"
        runs = [(taken(command, told), taken(plain, told)) for _ in range(ROUNDS)]
    seconds, peak = (median(figures) for figures in zip(*(ours for ours, _ in runs), strict=True))
    script = median(theirs for _, (theirs, _) in runs)
    return (
        f"monedero price, {ORDERS:,} orders x {routes} routes: {seconds:.1f} s (budget {SECONDS} s), "
        f"{seconds / script:.0%} of a plain script (budget {SHARE:.0%}), "
        f"peak of all its processes {peak / 1024:.0f} MB (budget {MEGABYTES} MB)"
    )
