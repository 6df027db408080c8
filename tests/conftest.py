"""Tells what many tests need: reference rates, the rate card of the worked examples, and a server's shops."""

import atexit
import os
import shutil
import tempfile
from collections.abc import Callable
from contextlib import ExitStack
from datetime import UTC, datetime
from functools import cache
from pathlib import Path

import pytest
from anyio.from_thread import BlockingPortal, start_blocking_portal
from fastapi import FastAPI
from fastapi.testclient import TestClient

from monedero.api.app import create_app
from monedero.core.fx import ReferenceRates
from monedero.core.ratecard.model import RateCard
from monedero.figures import reference_rates
from monedero.formats import rate_card
from monedero.server.shops import RunningShop, Shops
from monedero.store import Store
from monedero.work.context import Actor, Context
from tests.api.shopkeeper import Shopkeeper

DATA = Path(__file__).parent / "data"
NOW = datetime(2026, 11, 24, 10, 0, tzinfo=UTC)


@pytest.fixture(scope="session")
def rates() -> ReferenceRates:
    """The ECB's rates that ship with the application."""
    return ReferenceRates(reference_rates.bundled())


@pytest.fixture(scope="session")
def example_card() -> RateCard:
    """The rate card of the worked examples."""
    return rate_card.read((DATA / "orlenta-example.json").read_bytes())


def at_desk(store: Store, storefront: str = "") -> Context:
    """The context of an owner at the desk of a shop; without a storefront, at its first."""
    return Context.of(store, Actor.OWNER, NOW, storefront)


class Hours:
    """The true time of a test, which it may move on."""

    def __init__(self) -> None:
        self.now = NOW

    def __call__(self) -> datetime:
        return self.now


@pytest.fixture
def hours() -> Hours:
    """The true time, at a fixed moment until the test moves it."""
    return Hours()


@cache
def the_app() -> FastAPI:
    """The application: made once, for making it takes longer than most tests; the shops are put in anew."""
    with tempfile.TemporaryDirectory() as folder:
        return create_app(Shops(Path(folder)), demo_first=True)


@cache
def loop_of(process: int) -> BlockingPortal:
    """The event loop in which a process answers: begun once, for beginning one takes as long as an answer."""
    held = ExitStack()
    atexit.register(held.close)
    return held.enter_context(start_blocking_portal())


def browser_of(app: FastAPI) -> TestClient:
    """Somebody who asks an application over HTTP."""
    client = TestClient(app, base_url="http://127.0.0.1")
    client.portal = loop_of(os.getpid())
    return client


@pytest.fixture(scope="session")
def fresh(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A data folder in which the demo has just been opened."""
    folder = tmp_path_factory.mktemp("fresh") / "data"
    held = Shops(folder, now=Hours())
    for running in (held.own, held.demo):
        running.store.close()
        running.provider.world.memory.close()
    return folder


@pytest.fixture
def shops(tmp_path: Path, hours: Hours, fresh: Path) -> Shops:
    """Both shops of a fresh data folder, which reach the simulated provider over HTTP."""
    shutil.copytree(fresh, tmp_path / "data")
    return opened(tmp_path / "data", hours)


def opened(folder: Path, now: Callable[[], datetime]) -> Shops:
    """The shops of a data folder, put in the application that carries what they and their gateways say."""
    shops = Shops(folder, now=now)
    the_app().state.shops = shops
    shops.connect(browser_of(the_app()))
    return shops


@pytest.fixture
def demo(shops: Shops) -> RunningShop:
    """The demo shop."""
    return shops.demo


@pytest.fixture
def client(shops: Shops) -> TestClient:
    """A browser in the demo shop."""
    return browser_of(the_app())


@pytest.fixture
def keeper(client: TestClient, shops: Shops) -> Shopkeeper:
    """Everybody around the demo shop."""
    return Shopkeeper(client, shops)


LONG = ("/browser/", "test_whatever_is_sent.py", "test_killed.py", "test_notifications.py")


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """Begin each half of the tests with its share of the long ones, so that two workers end together."""
    long = [item for item in items if any(part in str(item.path) for part in LONG)]
    short = [item for item in items if not any(part in str(item.path) for part in LONG)]
    first, second = long[::2], long[1::2]
    there = len(items) // 2 - len(first)
    items[:] = [*first, *short[:there], *second, *short[there:]]
