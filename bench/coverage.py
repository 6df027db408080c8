"""Coverage of a large shop, with what its dead ends are, against the budget; and of one with 300 tenders."""

import json
import random
import time
from datetime import date
from typing import Any

from monedero.formats.checkout_file import CheckoutFile, read
from monedero.work.checkout.coverage import coverage_report
from monedero.work.checkout.examined import Asked

COUNTRIES = (
    *("AT", "AU", "BE", "BG", "BR", "CA", "CH", "CL", "CY", "CZ", "DE", "DK", "EE", "ES", "FI", "FR", "GB", "GR"),
    *("HR", "HU", "IE", "IL", "IN", "IS", "IT", "JP", "KR", "LT", "LU", "LV", "MT", "MX", "NL", "NO", "NZ", "PT"),
)
# Conditions of shops: regions, buyers, delivery. Several tenders ask the same, and end at the same amounts.
ASKED: tuple[dict[str, Any], ...] = (
    {"fact": "country", "only": ["PT", "ES"]},
    {"fact": "country", "not": ["BR", "IN", "IL"]},
    {"fact": "delivery", "not": ["way-0"]},
    {"fact": "customer_group", "only": ["group-1"]},
    {"fact": "kind", "not": ["membership"]},
)
LIMITS = (None, {"up_to": "1200 EUR"}, {"from": "20 EUR"}, {"from": "45 EUR", "up_to": "900 EUR"})
DAY = date(2026, 11, 27)
MILLISECONDS, MEGABYTE = 100, 1_000_000


def shop(tenders: int, markets: int = 72) -> CheckoutFile:
    """A made-up shop: 72 markets in two currencies, 10 lines, 5 ways of delivery, 4 groups."""
    draw = random.Random(7)
    places = [(country, "EUR") for country in COUNTRIES] + [(country, "USD") for country in COUNTRIES]
    ways, groups = [f"way-{number}" for number in range(5)], [f"group-{number}" for number in range(4)]
    kinds = ("goods", "download", "course", "membership", "booking")
    lines = [
        {
            "id": f"line-{number}",
            "name": f"Line {number}",
            "kind": kinds[number % 5],
            "recurring": kinds[number % 5] == "membership",
            "deliveries": draw.sample(ways, 3) if number % 5 == 0 else None,
        }
        for number in range(10)
    ]

    own = {"family": "own", "own": True, "recurring": True}
    return read(
        json.dumps(
            {
                "format": "monedero/checkout/1",
                "shop": {"name": "Large", "country": "PT", "currency": "EUR"},
                "storefront": {"id": "web", "name": "Web shop"},
                "mode": "test",
                "markets": [
                    {"id": f"m-{number}", "country": country, "currency": currency}
                    for number, (country, currency) in enumerate(places[:markets])
                ],
                "lines": lines,
                "deliveries": [{"id": way, "name": way} for way in ways],
                "customer_groups": [{"id": group, "name": group} for group in groups],
                "methods": [{"id": f"own-{number}", "name": f"Own {number}", **own} for number in range(tenders)],
                "tenders": [
                    {
                        "id": f"t-{number}",
                        "method": f"own-{number}",
                        "on": True,
                        "name": {"en": f"T {number}"},
                        "windows": [limit] if (limit := draw.choice(LIMITS)) else [],
                        "conditions": draw.sample(ASKED, draw.choice([0, 0, 1, 2])),
                    }
                    for number in range(tenders)
                ],
            }
        ).encode()
    )


def run() -> str:
    """Cover both and say what it took and how long the answer is."""
    told = []
    for tenders in (30, 300):
        file = shop(tenders)
        coverage_report(shop(2, 2), Asked(DAY))
        began = time.perf_counter()
        report = coverage_report(file, Asked(DAY))
        took = (time.perf_counter() - began) * 1000
        size = len(json.dumps(report, separators=(",", ":"))) / MEGABYTE
        found = f"{len(report['dead_ends'])} dead ends, {len(report['offered'])} sets"
        told.append(f"{tenders} tenders {took:.0f} ms, {size:.2f} MB, {found}")
    return f"coverage of 72 markets: {'; '.join(told)} (budget {MILLISECONDS} ms and 1 MB, 300 tenders 2 s)"
