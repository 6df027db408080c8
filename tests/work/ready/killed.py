"""An edition whose server is killed with SIGKILL after each statement of its publishing, in turn, then started anew.

Run as `python -m tests.work.ready.killed FOLDER`: each story runs in a process of its own (a fork), so that the kill is
a real one. It prints one line for each kill and how the story ended, for `test_killed.py` to read.
"""

import os
import shutil
import sqlite3
import sys
from collections.abc import Callable
from datetime import timedelta
from pathlib import Path
from typing import Any

from monedero.server.shops import Shops
from monedero.store.counting import CountingDatabase
from tests.api.shopkeeper import Shopkeeper
from tests.conftest import Hours, opened
from tests.work.orders.killed import Steps, keeper_of, tell

PUBLICATION = "/api/checkouts/web-shop/publication"


def at_once(keeper: Shopkeeper) -> None:
    """Publish the draft, if it is not published yet."""
    if keeper.get(PUBLICATION)["changes"]:
        keeper.publish()


def as_planned(keeper: Shopkeeper) -> None:
    """Let the moment of the planned edition come."""
    keeper.running.beat()


STORIES: dict[str, Callable[[Shopkeeper], None]] = {"publish": at_once, "planned": as_planned}


def template_of(folder: Path, story: str) -> None:
    """A shop with a draft that waits to be published, or with an edition that is planned."""
    shops = opened(folder, Hours())
    keeper = keeper_of(shops)
    keeper.settings("card", name="Bank card")
    if story == "planned":
        at = keeper.running.clock.now() + timedelta(hours=2)
        body = {"fingerprint": keeper.get(PUBLICATION)["fingerprint"], "at": at.isoformat()}
        assert keeper.client.put("/api/checkouts/web-shop/planned-edition", json=body).status_code == 200
    for running in (shops.own, shops.demo):
        running.store.close()
        running.provider.world.memory.close()


def later() -> Hours:
    """The time at which the planned edition is due."""
    hours = Hours()
    hours.now += timedelta(hours=3)
    return hours


def killed_at(template: Path, folder: Path, story: str, at: int) -> bool:
    """Run a story in a fork and kill it after a statement; False where it ended before."""
    shutil.rmtree(folder, ignore_errors=True)
    shutil.copytree(template, folder)
    child = os.fork()
    if child == 0:
        keeper = keeper_of(opened(folder, later()))
        _count_writes(Steps(at))
        STORIES[story](keeper)
        os._exit(0)
    return bool(os.WIFSIGNALED(os.waitpid(child, 0)[1]))


def _count_writes(steps: Steps) -> None:
    """Count every statement that begins, ends or changes something."""
    execute = CountingDatabase.execute_sql

    def counted(database: CountingDatabase, sql: str, params: Any = None) -> Any:
        answer = execute(database, sql, params)
        if not sql.startswith("SELECT"):
            steps.step()
        return answer

    setattr(CountingDatabase, "execute_sql", counted)  # noqa: B010
    steps.after(CountingDatabase, "commit")


def state_of(shops: Shops) -> dict[str, Any]:
    """The editions as they are, and whether one is planned."""
    store = shops.demo.store
    kept = store.editions.of("web-shop")
    return {
        "numbers": [edition.number for edition in kept],
        "card": [
            next(tender.name for tender in edition.published.checkout.tenders if tender.id == "card")
            for edition in kept
        ],
        "planned": store.planned.of("web-shop") is not None,
        "damage": _damage(shops.folder / "demo.sqlite"),
    }


def _damage(file: Path) -> list[str]:
    with sqlite3.connect(file) as database:
        return [row[0] for row in database.execute("PRAGMA integrity_check")]


def after(folder: Path, story: str) -> dict[str, Any]:
    """Start anew on what the kill left, tell what is there, and end the story."""
    shops = opened(folder, later())
    left = state_of(shops)
    STORIES[story](keeper_of(shops))
    return {"left": left, "ended": state_of(shops)}


def main() -> None:
    """Kill after every statement."""
    folder, story = Path(sys.argv[1]), sys.argv[2]
    # Made in a process of its own: a thread that it begins would be missing in every fork after it.
    if (child := os.fork()) == 0:
        template_of(folder / "template", story)
        os._exit(0)
    os.waitpid(child, 0)
    at = 1
    while killed_at(folder / "template", folder / "data", story, at):
        child = os.fork()
        if child == 0:
            tell(after(folder / "data", story))
            os._exit(0)
        os.waitpid(child, 0)
        at += 1


if __name__ == "__main__":
    main()
