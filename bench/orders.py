"""Orders made up from a seed, for benchmarks."""

import csv
import random
from datetime import date, timedelta
from pathlib import Path

HEADER = (
    "id",
    "placed_on",
    "amount",
    "currency",
    "buyer_country",
    "card_kind",
    "card_network",
    "line_kind",
    "recurring",
)
BUYERS = [("PT", "EUR"), ("ES", "EUR"), ("DE", "EUR"), ("GB", "GBP"), ("US", "USD"), ("JP", "JPY")]


def write_orders(path: Path, count: int, seed: int = 7) -> None:
    """Write an orders file of `count` rows, spread over three years of days, in any sequence."""
    chance = random.Random(seed)
    first = date(2023, 11, 1)
    with path.open("w", encoding="utf-8", newline="") as file:
        rows = csv.writer(file, lineterminator="\n")
        rows.writerow(HEADER)
        for number in range(count):
            country, currency = chance.choice(BUYERS)
            minor = int(10 ** chance.uniform(2.5, 5.5))
            amount = str(minor) if currency == "JPY" else f"{minor // 100}.{minor % 100:02d}"
            day = first + timedelta(days=chance.randrange(1000))
            kind = chance.choice(["consumer-debit", "consumer-credit", "commercial", ""])
            network = chance.choice(["aster", "borealis", "cygnet", ""])
            line = chance.choice(["goods", "download", "course", "membership", "booking"])
            repeats = "true" if line == "membership" else "false"
            rows.writerow((number, day.isoformat(), amount, currency, country, kind, network, line, repeats))
