"""One server and one headless browser for each worker; every test has data, cookies and a window of its own."""

import re
import shutil
from collections.abc import Iterator
from pathlib import Path

import pytest
from fastapi import FastAPI
from selenium.webdriver.remote.webdriver import WebDriver

from monedero.server.shops import Shops
from tests.browser.desk import Desk, as_new, console, leave, open_browser
from tests.browser.server import connected, listening
from tests.conftest import the_app


@pytest.fixture(scope="session")
def opened_today(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A data folder in which the demo has just been opened, by the true time."""
    folder = tmp_path_factory.mktemp("today") / "data"
    held = Shops(folder)
    for running in (held.own, held.demo):
        running.store.close()
        running.provider.world.memory.close()
    return folder


@pytest.fixture(scope="session")
def server() -> Iterator[tuple[FastAPI, str]]:
    """A server in a thread of its own, and its address."""
    with listening(the_app()) as address:
        yield the_app(), address


@pytest.fixture(params=["demo"])
def served(
    request: pytest.FixtureRequest, server: tuple[FastAPI, str], opened_today: Path, tmp_path: Path
) -> Iterator[str]:
    """The address of the server on fresh data; in the demo shop unless a test asks for the owner's own."""
    app, address = server
    shutil.copytree(opened_today, tmp_path / "data")
    shops = Shops(tmp_path / "data")
    app.state.shops, app.state.first_shop = shops, request.param
    with connected(shops, address):
        yield address
    app.state.first_shop = "demo"


@pytest.fixture(scope="session")
def browser(tmp_path_factory: pytest.TempPathFactory) -> Iterator[WebDriver]:
    """Debian's Chromium."""
    browser = open_browser(tmp_path_factory.mktemp("profile"))
    yield browser
    browser.quit()


@pytest.fixture
def desk(served: str, browser: WebDriver) -> Iterator[Desk]:
    """A browser at the owner's desk. Whatever the pages wrote to the console as an error fails the test."""
    as_new(browser, 1280, 800)
    yield Desk(browser, served)
    written = console(browser)
    # An open page would go on asking the server, on the data of the next test.
    leave(browser)
    # A refusal that the server answers is part of a test; anything else is not.
    assert [line for line in written if not re.search(r"status of (400|404|409|422)", line)] == []
