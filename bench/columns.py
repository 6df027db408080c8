"""100,000 orders over 30 routes priced in columns, file read and rates by day included, against the exact core."""

import resource
import subprocess
import sys
import tempfile
import time
from pathlib import Path

from bench.orders import write_orders
from bench.price import write_cards

ORDERS, ROUTES, EXACT = 100_000, 30, 1_000
SECONDS, TIMES = 2, 20


def measure(folder: Path) -> tuple[float, int, int]:
    """Seconds for all orders in columns, peak kilobytes of this process, and how many routes there were."""
    import polars as pl

    from monedero.core.columns.fees import FeeColumns
    from monedero.core.fx import ReferenceRates
    from monedero.core.ratecard.catalogue import Catalogue
    from monedero.figures import reference_rates
    from monedero.formats import rate_card

    cards = [rate_card.read(path.read_bytes()) for path in sorted(folder.glob("*.json"))]
    began = time.perf_counter()
    rates = ReferenceRates(reference_rates.bundled())
    unknown = [pl.when(pl.col(name) != "").then(name).alias(name) for name in ("card_kind", "card_network")]
    frame = pl.read_csv(folder / "orders.csv", infer_schema=False).with_columns(
        pl.col("placed_on").str.to_date().alias("day"),
        pl.col("amount").str.replace(".", "", literal=True).cast(pl.Int64).alias("minor"),
        pl.col("recurring") == "true",
        pl.col("line_kind").alias("kinds"),
        *unknown,
    )
    columns = FeeColumns(Catalogue(cards, "PT", rates), "EUR", rates)
    fees = columns.price(columns.orders(frame))
    seconds = time.perf_counter() - began
    return seconds, resource.getrusage(resource.RUSAGE_SELF).ru_maxrss, fees.width - 1


def exact(folder: Path) -> float:
    """Seconds that the exact core takes for all orders, from the first of them."""
    from monedero.core.fx import ReferenceRates
    from monedero.core.ratecard.catalogue import Catalogue
    from monedero.figures import reference_rates
    from monedero.formats import orders_csv, rate_card

    cards = [rate_card.read(path.read_bytes()) for path in sorted(folder.glob("*.json"))]
    catalogue = Catalogue(cards, "PT", ReferenceRates(reference_rates.bundled()))
    began = time.perf_counter()
    with (folder / "orders.csv").open(encoding="utf-8", newline="") as lines:
        for number, row in enumerate(orders_csv.read(lines)):
            if number == EXACT:
                break
            catalogue.price(row.order)
    return (time.perf_counter() - began) * ORDERS / EXACT


def run() -> str:
    """Price both ways, in processes of their own, and say what they took."""
    with tempfile.TemporaryDirectory() as folder:
        _, routes = write_cards(Path(folder), ROUTES)
        write_orders(Path(folder) / "orders.csv", ORDERS)
        done = subprocess.run(
            [sys.executable, "-m", "bench.columns", folder], capture_output=True, text=True, check=True
        )
        seconds, kilobytes, _ = done.stdout.split()
        slowly = exact(Path(folder))
    return (
        f"in columns, {ORDERS:,} orders x {routes} routes: {float(seconds):.2f} s (budget {SECONDS} s), "
        f"peak {int(kilobytes) / 1024:.0f} MB; {slowly / float(seconds):.0f} times the exact core on one process "
        f"(budget {TIMES} times)"
    )


if __name__ == "__main__":
    print(*measure(Path(sys.argv[1])))
