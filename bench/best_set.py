"""The best set of ways by `monedero mix`: 12 providers of 3 plans, 15 methods, 100,000 orders from 6 countries."""

import itertools
import json
import random
import resource
import subprocess
import sys
import tempfile
import time
from pathlib import Path
from typing import Any

from monedero.core.method import Family
from monedero.figures import buyers, methods

ORDERS, PROVIDERS, PLANS = 100_000, 12, 3
COUNTRIES = {"PT": "EUR", "ES": "EUR", "DE": "EUR", "FR": "EUR", "GB": "GBP", "US": "USD"}
METHODS = [name for name, method in methods.known().items() if method.family is not Family.OWN][:15]
SECONDS, MEGABYTES = 10, 500


def card(chance: random.Random, number: int) -> dict[str, Any]:
    """A rate card with a price for each method under each plan."""
    rates: list[dict[str, Any]] = []
    for plan in range(PLANS):
        for method in METHODS:
            percent = chance.uniform(0.4, 3.5)
            rate = {"method": method, "plans": [f"plan-{plan}"], "fixed": f"{chance.randint(0, 40) / 100:.2f} EUR"}
            if method == "card":
                near = {"when": {"origin": ["domestic", "region"]}, "percent": f"{percent * 0.6:.2f}"}
                rates.append({**rate, **near, "id": f"r-{len(rates)}"})
            when = {"amount": {"from": f"{chance.choice([20, 50, 100])} EUR"}} if chance.random() < 0.1 else {}
            rates.append({**rate, "when": when, "percent": f"{percent:.2f}", "id": f"r-{len(rates)}"})
    return {
        "format": "monedero/rate-card/1",
        "provider": {
            "id": f"p-{number}",
            "name": f"P {number}",
            "countries": ["PT"],
            "region": ["PT", "ES", "DE", "FR"],
            "settles_in": ["EUR"],
        },
        "plans": [
            {
                "id": f"plan-{plan}",
                "name": f"Plan {plan}",
                "monthly": f"{charge * chance.uniform(0.5, 1.5):.2f} EUR",
            }
            for plan, charge in enumerate((0, 29, 99))
        ],
        "rates": rates,
    }


def kinds(chance: random.Random) -> list[dict[str, Any]]:
    """Two kinds of buyer for each family of each country, by the first guesses, moved a little."""
    made = []
    for country in COUNTRIES:
        families = [entry.family.value for entry in buyers.guess(country)]
        cuts = sorted([0, *(chance.randint(1, 999) for _ in range(2 * len(families) - 1)), 1000])
        for place, (low, high) in enumerate(itertools.pairwise(cuts)):
            first = families[place // 2]
            others = [family for family in families if family != first] if place % 2 else []
            made.append({"country": country, "share": f"{(high - low) / 10:.1f}", "ways": [first, *others]})
    return made


def fill(folder: Path, seed: int) -> list[str]:
    """The files of a case, and the words of the command."""
    chance = random.Random(seed)
    cards = []
    for number in range(PROVIDERS):
        cards.append(str(folder / f"{number}.json"))
        Path(cards[-1]).write_text(json.dumps(card(chance, number)))
    (folder / "buyers.json").write_text(json.dumps({"format": "monedero/buyers/1", "kinds": kinds(chance)}))
    with (folder / "orders.csv").open("w") as file:
        file.write("id,placed_on,amount,currency,buyer_country\n")
        for number in range(ORDERS):
            country = chance.choices(list(COUNTRIES), [40, 15, 15, 10, 10, 10])[0]
            amount = max(1, chance.lognormvariate(4, 0.7))
            file.write(
                f"{number},2026-01-{chance.randint(1, 28):02},{amount:.2f},{COUNTRIES[country]},{country}\n"
            )
    shop = ["--shop-country", "PT", "--shop-currency", "EUR", "--margin", "20"]
    files = ["--orders", str(folder / "orders.csv"), "--buyers", str(folder / "buyers.json")]
    return [*cards, *files, *shop]


def run() -> str:
    """Find the best set of three cases, each in a process of its own, and say what they took."""
    taken, peak = [], 0
    for seed in (1, 2, 3):
        with tempfile.TemporaryDirectory() as folder:
            words = fill(Path(folder), seed)
            began = time.perf_counter()
            done = subprocess.run(
                [sys.executable, "-c", "from monedero.cli import app; app()", "mix", *words],
                capture_output=True,
                text=True,
                check=True,
            )
            taken.append(time.perf_counter() - began)
            assert json.loads(done.stdout)["best"]["ways"]
        peak = max(peak, resource.getrusage(resource.RUSAGE_CHILDREN).ru_maxrss)
    told = ", ".join(f"{seconds:.1f}" for seconds in taken)
    return (
        f"best set of {PROVIDERS} x {PLANS} plans and {len(METHODS)} methods over {ORDERS:,} orders: {told} s "
        f"(budget {SECONDS} s), peak {peak / 1024:.0f} MB (budget {MEGABYTES} MB)"
    )


if __name__ == "__main__":
    print(run())
