"""A server that is killed between any two steps loses nothing that was confirmed, and takes nothing twice."""

import json
import re
import signal
import subprocess
import sys
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

import httpx2

ROOT = Path(__file__).parent.parent.parent.parent
HAND = {"market": "es-eur", "line": "night-boat-tour", "amount": "85.00", "currency": "EUR"}


def told_by(module: str, *given: str) -> list[Any]:
    """The lines of a module that kills what it begins, run by itself."""
    ran = subprocess.run(
        [sys.executable, "-m", module, *given],
        cwd=ROOT,
        capture_output=True,
        text=True,
        timeout=300,
        check=False,
    )
    assert ran.returncode == 0, ran.stderr[-2000:]
    return [json.loads(line) for line in ran.stdout.splitlines()]


def test_killed_after_any_step_it_ends_the_same(tmp_path: Path) -> None:
    told = told_by("tests.work.orders.killed", str(tmp_path))
    assert told[-1]["steps"] >= 20
    for kill in told[:-1]:
        step = kill.pop("step")
        assert kill == {
            "lost": [],
            "payments": 1,
            "at_provider": 1,
            "taken_there": 8500,
            "state": "part-refunded",
            "books": ["85.00 EUR", "5.00 EUR", "80.00 EUR"],
            "orders": kill["orders"],
            "waiting": [],
        }, step
        assert kill["orders"] <= 1


@contextmanager
def served(folder: Path, ends_by: signal.Signals, *more: str) -> Iterator[httpx2.Client]:
    """A real server, ended by a signal."""
    command = [
        str(Path(sys.executable).parent / "monedero"),
        "serve",
        "--data",
        str(folder),
        "--port",
        "0",
        "--demo",
        *more,
    ]
    with subprocess.Popen(command, stdout=subprocess.PIPE, text=True) as server:
        assert server.stdout is not None
        told = re.search(r"http://\S+:\d+", server.stdout.readline())
        assert told is not None
        try:
            with httpx2.Client(base_url=told.group(), trust_env=False, timeout=20) as client:
                yield client
        finally:
            server.send_signal(ends_by)


def test_a_real_server_that_is_killed_goes_on_where_it_was(tmp_path: Path) -> None:
    with served(tmp_path / "data", signal.SIGKILL) as client:
        body = {"order": HAND, "tender": "card"}
        placed = client.post("/api/checkouts/web-shop/orders", json=body).json()
    with served(tmp_path / "data", signal.SIGKILL) as client:
        page = client.get(f"/api/orders/{placed['token']}").json()["page"]
        assert page == placed["go_to"]
        assert client.post(page, data={"ending": "paid"}).status_code == 303
    with served(tmp_path / "data", signal.SIGTERM) as client:
        record = client.get(f"/api/records/{placed['token']}").json()
        assert (record["state"], record["payments"][0]["books"]["taken"]) == ("paid", "85.00 EUR")
