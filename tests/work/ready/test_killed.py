"""A server that is killed while it publishes, or while it rehearses, leaves nothing torn and loses nothing."""

import time
from pathlib import Path
from signal import SIGKILL, SIGTERM
from typing import Any

import pytest

from monedero.server.shops import ROOMS
from tests.work.orders.test_killed import served, told_by

REHEARSAL = "/api/checkouts/web-shop/rehearsal"
BEFORE: dict[str, Any] = {"numbers": [1], "card": ["Card"], "damage": ["ok"]}
AFTER: dict[str, Any] = {"numbers": [2, 1], "card": ["Bank card", "Card"], "damage": ["ok"], "planned": False}


@pytest.mark.parametrize("story", ["publish", "planned"])
def test_killed_after_any_statement_an_edition_is_whole_or_not_there(tmp_path: Path, story: str) -> None:
    told = told_by("tests.work.ready.killed", str(tmp_path), story)
    assert len(told) >= 4
    not_there = {**BEFORE, "planned": story == "planned"}
    for step, kill in enumerate(told, 1):
        assert kill["left"] in (not_there, AFTER), step
        assert kill["ended"] == AFTER, step
    assert {kill["left"] == AFTER for kill in told} == {False, True}


def test_killed_while_it_rehearses_the_shop_is_as_it_was_and_what_was_kept_stays(tmp_path: Path) -> None:
    folder = tmp_path / "data"
    with served(folder, SIGKILL) as client:
        before = client.get("/api/records").json()["records"]
        assert client.post(f"{REHEARSAL}/play", json={"cases": []}).status_code == 202
        for _ in range(200):
            progress = client.get(REHEARSAL).json()["progress"]
            if progress["done"] > 30:
                break
            time.sleep(0.05)
        assert not progress["over"]
        assert list(folder.glob(f"{ROOMS}*")) != []
    with served(folder, SIGTERM) as client:
        assert list(folder.glob(f"{ROOMS}*")) == []
        counts = client.get(f"{REHEARSAL}/state").json()["counts"]
        assert counts["passed"] > 0
        assert (counts["failed"], counts["stale"]) == (0, 0)
        assert counts["open"] > 0
        assert client.get("/api/records").json()["records"] == before
        # The rest can be played.
        waiting = client.get(REHEARSAL).json()["waiting"]
        assert client.post(f"{REHEARSAL}/play", json={"cases": waiting[:1]}).status_code == 202
