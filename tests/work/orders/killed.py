"""A payment whose server is killed with SIGKILL after each of its steps in turn, then started anew.

Run as `python -m tests.work.orders.killed FOLDER`: each story runs in a process of its own (a fork), so that the kill
is a real one. It prints one line for each kill and how the order ended, for `test_killed.py` to read.
"""

import json
import os
import shutil
import signal
import sys
from collections.abc import Callable
from datetime import timedelta
from pathlib import Path
from typing import Any

from monedero.server.shops import Shops
from monedero.standins.provider.paying import Payments
from monedero.store.orders import Orders
from tests.api.shopkeeper import CHART, Shopkeeper
from tests.conftest import Hours, browser_of, opened, the_app
from tests.properties import RUN


class Steps:
    """Counts what is written and what is asked; kills this process at the one that it is told."""

    def __init__(self, at: int) -> None:
        self.at, self.done = at, 0

    def step(self) -> None:
        self.done += 1
        if self.done == self.at:
            os.kill(os.getpid(), signal.SIGKILL)

    def after(self, owner: Any, name: str) -> None:
        """Count after every call of a method; before it is after the one before."""
        inner: Callable[..., Any] = getattr(owner, name)

        def counted(*given: Any, **more: Any) -> Any:
            answer = inner(*given, **more)
            self.step()
            return answer

        setattr(owner, name, counted)


def keeper_of(shops: Shops) -> Shopkeeper:
    return Shopkeeper(browser_of(the_app()), shops)


def go_on(keeper: Shopkeeper) -> Any:
    """Do what is left of the story: an order is placed, authorised, sent and taken in two parts, refunded in part."""
    records = keeper.get("/api/records")["records"]
    token = records[0]["token"] if records else keeper.place("card", CHART)["token"]
    record = keeper.record(token)
    if record["state"] == "at-provider":
        keeper.post(f"/api/orders/{token}/go-on", None, 200)
        record = keeper.end({"token": token}, "paid")
    sent = sum(entry["what"] == "dispatched" for entry in record["happened"])
    for amount in ("42.00 EUR", "43.00 EUR")[sent:]:
        keeper.act(token, "send", amount=amount)
    keeper.running.beat()
    if not any(entry["what"] == "refund-asked" for entry in keeper.record(token)["happened"]):
        keeper.act(token, "refund", amount="5.00 EUR")
    keeper.running.beat()
    return keeper.record(token)


def killed_at(template: Path, folder: Path, at: int) -> bool:
    """Run the story in a fork and kill it at a step; False where it ended before."""
    shutil.rmtree(folder, ignore_errors=True)
    shutil.copytree(template, folder)
    child = os.fork()
    if child == 0:
        keeper = keeper_of(opened(folder, Hours()))
        steps = Steps(at)
        for name in ("add", "change"):
            steps.after(Orders, name)
        steps.after(Payments, "_move")
        steps.after(keeper.shops._client, "request")
        go_on(keeper)
        os._exit(0)
    return bool(os.WIFSIGNALED(os.waitpid(child, 0)[1]))


def after(folder: Path) -> dict[str, Any]:
    """Start anew on what the kill left, let what was asked be asked again, and end the story."""
    hours = Hours()
    hours.now += timedelta(minutes=10)
    shops = opened(folder, hours)
    keeper = keeper_of(shops)
    shops.demo.beat()
    shops.demo.beat()
    confirmed = {
        payment.reference: len(payment.told) for payment in shops.demo.provider.payments.all() if payment.told
    }
    records = shops.demo.store.orders.all()
    known = {payment.reference: payment.sequence for _, record in records for payment in record.payments}
    ended = go_on(keeper)
    books = ended["payments"][0]["books"]
    taken = [payment.books.taken for payment in shops.demo.provider.payments.all()]
    return {
        "lost": [reference for reference, told in confirmed.items() if known.get(reference) != told],
        "payments": len(ended["payments"]),
        "at_provider": len(taken),
        "taken_there": sum(taken),
        "state": ended["state"],
        "books": [books["taken"], books["refunded"], books["kept"]],
        "orders": len(records),
        "waiting": [entry["text"] for entry in ended["due"] if entry["who"] == "provider"],
    }


STRIDE = 1 if RUN == "soak" else 3


def tell(told: dict[str, Any]) -> None:
    sys.stdout.write(json.dumps(told) + "\n")
    sys.stdout.flush()


def main() -> None:
    """Kill at every third step; in `make soak` at every step."""
    folder = Path(sys.argv[1])
    template = folder / "template"
    shops = opened(template, Hours())
    keeper_of(shops).settings("card", take="on-dispatch")
    for running in (shops.own, shops.demo):
        running.store.close()
        running.provider.world.memory.close()
    at = 1
    while killed_at(template, folder / "data", at):
        child = os.fork()
        if child == 0:
            tell({"step": at, **after(folder / "data")})
            os._exit(0)
        os.waitpid(child, 0)
        at += STRIDE
    tell({"steps": at - STRIDE})


if __name__ == "__main__":
    main()
