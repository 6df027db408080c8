"""A full shop over HTTP: 40 markets, 200 lines, 15 providers of 60 routes, 30 ways to pay, 100,000 past orders.

What each view asks takes so many seconds of processor, measured at the server's process. They stand over those of a
fixed piece of work of the same run, so that a busy or slow machine changes nothing: budgets are for a machine on which
that takes a second.
"""

import os
import re
import signal
import subprocess
import sys
import tempfile
import time
from contextlib import suppress
from pathlib import Path
from typing import Any

import httpx2

HAND = {"market": "pt-eur", "line": "line-1", "amount": "85.00", "currency": "EUR"}
DRAFT = "/api/checkouts/web-shop"
MEGABYTES, TO_THE_END, BY_HALF = 700, 2, 1.5
TICKS = os.sysconf("SC_CLK_TCK")
# Asked one after the other of a server that was just started, each with its budget in seconds of processor.
ASKED = (
    ("what to decide next", "/api/next", 1.0),
    ("Compare, first, with the month of every plan", "/api/compare", 3.0),
    ("Compare for another order in hand", "/api/compare?line=line-2", 0.3),
    ("the month of the checkout, first", f"{DRAFT}/month", 3.0),
    ("the best set", "/api/compare/best-set", 10.0),
    ("the figures of Checkout", f"{DRAFT}/figures", 3.0),
    ("the mark of Coverage", f"{DRAFT}/coverage/state", 0.5),
    ("Coverage whole", f"{DRAFT}/coverage", 3.0),
    ("what ends its findings", f"{DRAFT}/coverage/fixes", 3.0),
    ("what publishing moves", f"{DRAFT}/publication/moves", 3.0),
    ("a month typed from past orders", "/api/profile/derived", 3.0),
)
# After a limit of the draft was edited.
EDITED = (
    ("the figures after an edit", f"{DRAFT}/figures", 0.3),
    ("the month after an edit", f"{DRAFT}/month", 0.2),
    ("the mark of Coverage after an edit", f"{DRAFT}/coverage/state", 0.5),
)


def fixed_work() -> float:
    """Seconds of processor that a fixed piece of work takes here: whole numbers, added up and looked up."""
    began, kept = time.process_time(), dict[int, int]()
    for number in range(2_400_000):
        kept[number % 1009] = kept.get(number % 1009, 0) + number
    return time.process_time() - began


class Server:
    """A server on a full shop in a process of its own."""

    def __init__(self, folder: Path) -> None:
        words = ["serve", "--data", str(folder), "--port", "0", "--example", "full"]
        command = [sys.executable, "-c", "from monedero.cli import app; app()", *words]
        self.process = subprocess.Popen(command, stdout=subprocess.PIPE, text=True)
        assert self.process.stdout is not None
        told = re.search(r"http://\S+", self.process.stdout.readline())
        assert told is not None
        self.client = httpx2.Client(base_url=told.group(), trust_env=False, timeout=300)

    def processor(self) -> float:
        """Seconds of processor that the server took until now."""
        fields = Path(f"/proc/{self.process.pid}/stat").read_text("utf-8").rpartition(")")[2].split()
        return (int(fields[11]) + int(fields[12])) / TICKS

    def megabytes(self) -> float:
        """The most memory that it ever held."""
        told = Path(f"/proc/{self.process.pid}/status").read_text("utf-8")
        [kilobytes] = re.findall(r"VmHWM:\s+(\d+)", told)
        return int(kilobytes) / 1024

    def ask(self, path: str) -> tuple[float, int]:
        """Seconds of processor that an answer takes, and how many bytes it has."""
        before = self.processor()
        answer = self.client.get(path, params={**HAND, **httpx2.URL(path).params})
        answer.raise_for_status()
        return self.processor() - before, len(answer.content)

    def edit(self, number: int) -> None:
        """Move a limit of the draft."""
        held: dict[str, Any] = self.client.get(DRAFT).json()
        first = {**held["tenders"][0], "windows": [{"up_to": f"{800 + number}.00 EUR"}]}
        body = {"version": held["version"], "tenders": [first, *held["tenders"][1:]]}
        self.client.put(DRAFT, json=body).raise_for_status()

    def end(self) -> float:
        """Seconds from SIGTERM to the end."""
        began = time.perf_counter()
        self.process.send_signal(signal.SIGTERM)
        self.process.wait(60)
        return time.perf_counter() - began


def run() -> str:
    """Ask for everything, and say what it took; ends with an error where a budget is missed by half."""
    slow, told, missed = fixed_work(), [], []

    def add(what: str, took: float, budget: float, unit: str = "s") -> None:
        told.append(f"  {what}: {took:.2f} {unit} (budget {budget:g})")
        if took > BY_HALF * budget:
            missed.append(what)

    with tempfile.TemporaryDirectory() as folder:
        server = Server(Path(folder) / "data")
        try:
            for what, path, budget in ASKED:
                took, size = server.ask(path)
                add(what, took / slow, budget)
                if path.endswith("/coverage"):
                    add("its answer", size / 1_000_000, 1, "MB")
            for number, (what, path, budget) in enumerate(EDITED):
                server.edit(number)
                took, _ = server.ask(path)
                add(what, took / slow, budget)
            add("memory", server.megabytes(), MEGABYTES, "MB")
            add("SIGTERM to the end", server.end(), TO_THE_END)
        finally:
            with suppress(ProcessLookupError):
                server.process.kill()
    head = f"a full shop, in seconds of processor over those of a fixed piece of work ({slow:.2f} s here):"
    if missed:
        raise SystemExit("\n".join([head, *told, f"missed by half: {', '.join(missed)}"]))
    return "\n".join([head, *told])


if __name__ == "__main__":
    print(run())
