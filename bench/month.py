"""Plans and providers over 100,000 past orders in eight currencies, and the month after an edit."""

import random
import resource
import subprocess
import sys
import tempfile
import time
from collections.abc import Iterator
from datetime import UTC, date, datetime, timedelta
from datetime import time as time_of_day
from pathlib import Path

from monedero.core.profile import Profile, Source
from monedero.core.shop import Shop
from monedero.server.shops import Shops
from monedero.store import Store
from monedero.store.past_orders import PastOrder
from monedero.work.context import Actor, Context
from monedero.work.month.figures import month_of
from monedero.work.month.plans import plans_and_providers

ORDERS, TODAY = 100_000, date(2026, 11, 24)
MOMENT = datetime.combine(TODAY, time_of_day(10), UTC)
SECONDS, MEGABYTES, AGAIN = 3, 400, 1
BUYERS = [
    ("PT", "EUR"),
    ("ES", "EUR"),
    ("GB", "GBP"),
    ("US", "USD"),
    ("CH", "CHF"),
    ("SE", "SEK"),
    ("JP", "JPY"),
    ("PL", "PLN"),
    ("NO", "NOK"),
]


def past_orders() -> Iterator[list[PastOrder]]:
    """Orders over three years of days, in batches."""
    chance = random.Random(7)
    batch = []
    for number in range(ORDERS):
        country, currency = chance.choice(BUYERS)
        minor = int(10 ** chance.uniform(2.5, 5.5))
        day = TODAY - timedelta(days=chance.randrange(1, 1000))
        kind = chance.choice(["consumer-debit", "consumer-credit", "commercial", None])
        network = chance.choice(["aster", "borealis", "cygnet", None])
        line = chance.choice(["goods", "download", "course", "membership", "booking"])
        told = (None, line, line == "membership", kind, network, None)
        batch.append(PastOrder(str(number), day.isoformat(), minor, currency, country, *told))
        if len(batch) == 5_000:
            yield batch
            batch = []


def fill(folder: Path) -> Store:
    """The demo shop with a month of past orders and nothing typed of its takings."""
    store = Shops(folder).demo.store
    store.past_orders.add(past_orders())
    profile, shop = store.profile.read(), store.description.read()
    assert profile
    assert shop
    store.profile.save(Profile(source=Source.PAST_ORDERS, cards=profile.value.cards), profile.version)
    plain = shop.value.model_dump(mode="json", by_alias=True)
    store.description.save(Shop.model_validate({**plain, "takings": None}), shop.version)
    return store


def measure(folder: Path) -> tuple[float, float, int]:
    """Seconds for plans and providers; for the month after an edit of one card; peak kilobytes."""
    store = Store(folder / "demo.sqlite")
    began = time.perf_counter()
    plans_and_providers(Context.of(store, Actor.OWNER, MOMENT), TODAY)
    first = time.perf_counter() - began
    peak = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss
    held = store.rate_cards.get("orlenta", "2026-01-01")
    assert held
    rates = [rate.model_copy(update={"percent": rate.percent}) for rate in held.card.rates]
    rates[0] = rates[0].model_copy(update={"percent": rates[0].percent and rates[0].percent * 2})
    store.rate_cards.put(held.card.model_copy(update={"rates": rates}))
    began = time.perf_counter()
    month_of(Context.of(store, Actor.OWNER, MOMENT), TODAY)
    return first, time.perf_counter() - began, peak


def run() -> str:
    """Compute both in a process of its own and say what they took."""
    with tempfile.TemporaryDirectory() as folder:
        fill(Path(folder)).close()
        done = subprocess.run(
            [sys.executable, "-m", "bench.month", folder], capture_output=True, text=True, check=True
        )
        first, again, kilobytes = done.stdout.split()
    return (
        f"plans and providers over {ORDERS:,} past orders in 8 currencies: {float(first):.2f} s (budget {SECONDS} s), "
        f"peak {int(kilobytes) / 1024:.0f} MB (budget {MEGABYTES} MB); the month after an edit of one card: "
        f"{float(again):.2f} s (budget {AGAIN} s)"
    )


if __name__ == "__main__":
    print(*measure(Path(sys.argv[1])))
