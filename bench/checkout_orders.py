"""`monedero offer` on 100,000 orders and 30 tenders, as it is run: seconds and peak memory, against the budget."""

import json
import random
import subprocess
import sys
import tempfile
import time
from datetime import date, timedelta
from pathlib import Path
from typing import Any

from bench.price import memory_of

ORDERS, TENDERS, SECONDS = 100_000, 30, 10
COUNTRIES = ["PT", "ES", "FR", "DE", "US", "JP", "GB"]
COLUMNS = "id,placed_on,amount,currency,buyer_country,line,delivery,postcode,device,card_network\n"


def checkout(draw: random.Random) -> dict[str, Any]:
    """A checkout of 30 tenders with conditions about most facts, windows, fees and headings."""
    lists = [("country", COUNTRIES, 3), ("kind", ["goods", "download", "course"], 2), ("delivery", ["courier"], 1)]
    lists += [("area", ["islands"], 1), ("device", ["phone"], 1)]
    tenders = []
    for number in range(TENDERS):
        conditions: list[dict[str, Any]] = [
            {"fact": fact, draw.choice(["only", "not"]): draw.sample(values, count)}
            for fact, values, count in lists
            if draw.random() < 0.45
        ]
        if draw.random() < 0.3:
            conditions.append({"fact": "day", "from": "2026-02-01"})
        tender = {
            "id": f"t-{number}",
            "method": "cash",
            "on": True,
            "name": {"en": f"T {number}"},
            "conditions": conditions,
            "heading": draw.choice([None, "now", "later"]),
            "shared": ["iberia"] if draw.random() < 0.3 else [],
        }
        if draw.random() < 0.7:
            tender["windows"] = [{"from": f"{draw.randint(1, 50)} EUR", "up_to": f"{draw.randint(100, 900)} EUR"}]
        if draw.random() < 0.6:
            networks = {"borealis": {"percent": "2"}}
            tender["fee"] = {"percent": "1.5", "fixed": "0.10 EUR", "tax_percent": "23", "networks": networks}
        tenders.append(tender)
    return {
        "format": "monedero/checkout/1",
        "shop": {"name": "Cabo Noite", "country": "PT", "currency": "EUR"},
        "storefront": {"id": "web", "name": "Web shop"},
        "mode": "test",
        "lines": [
            {
                "id": "chart",
                "name": "Chart",
                "kind": "goods",
                "recurring": False,
                "deliveries": ["courier", "pier"],
            },
            {"id": "course", "name": "Course", "kind": "course", "recurring": False},
        ],
        "deliveries": [{"id": "courier", "name": "Courier"}, {"id": "pier", "name": "Pier"}],
        "areas": [{"id": "islands", "name": "Islands", "postcodes": {"PT": ["9"], "ES": ["07", "35"]}}],
        "methods": [{"id": "cash", "name": "Cash", "family": "cash", "own": True, "recurring": True}],
        "shared_conditions": [
            {"id": "iberia", "name": "Iberia", "conditions": [{"fact": "country", "only": ["PT", "ES"]}]}
        ],
        "headings": [{"id": "now", "name": {"en": "Now"}}, {"id": "later", "name": {"en": "Later"}}],
        "tenders": tenders,
    }


def write_orders(path: Path, draw: random.Random) -> None:
    """Orders in which most facts are known now and then."""
    with path.open("w", encoding="utf-8") as file:
        file.write(COLUMNS)
        for number in range(ORDERS):
            cells = [
                str(number),
                (date(2026, 1, 1) + timedelta(days=draw.randint(0, 120))).isoformat(),
                f"{draw.randint(1, 1000)}.{draw.randint(0, 99):02}",
                draw.choice(["EUR", "EUR", "EUR", "GBP", "USD"]),
                draw.choice(COUNTRIES),
                draw.choice(["chart", "course", "chart+course", ""]),
                draw.choice(["courier", "pier", ""]),
                draw.choice(["9000-100", "1000-200", ""]),
                draw.choice(["phone", "desktop", ""]),
                draw.choice(["aster", "borealis", "", ""]),
            ]
            file.write(",".join(cells) + "\n")


def run() -> str:
    """Decide the file and say what it took."""
    draw = random.Random(3)
    with tempfile.TemporaryDirectory() as folder:
        file, orders = Path(folder) / "checkout.json", Path(folder) / "orders.csv"
        file.write_text(json.dumps(checkout(draw)), encoding="utf-8")
        write_orders(orders, draw)
        command: list[str | Path] = [Path(sys.executable).parent / "monedero", "offer", file, "--orders", orders]
        began, peak = time.perf_counter(), 0
        with (Path(folder) / "offered.csv").open("wb") as out, subprocess.Popen(command, stdout=out) as offering:
            while offering.poll() is None:
                peak = max(peak, memory_of(offering.pid))
                time.sleep(0.1)
        seconds = time.perf_counter() - began
    return (
        f"monedero offer, {ORDERS:,} orders x {TENDERS} tenders: {seconds:.1f} s (budget {SECONDS} s), "
        f"peak of all its processes {peak / 1024:.0f} MB"
    )
