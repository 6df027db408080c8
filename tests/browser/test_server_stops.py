"""A server that stops takes nothing away: the page stays, what was typed stays, and is sent when it answers again."""

import shutil
import socket
import subprocess
import sys
from collections.abc import Callable, Iterator
from pathlib import Path

import httpx2
import pytest
from selenium.webdriver.remote.webdriver import WebDriver

from tests.browser.desk import BOAT, Desk, as_new

Start = Callable[[], "subprocess.Popen[str]"]


@pytest.fixture
def start(opened_today: Path, tmp_path: Path, browser: WebDriver) -> Iterator[tuple[Start, str]]:
    """A way to start a real server on one port and one folder, again and again, and its address."""
    shutil.copytree(opened_today, tmp_path / "data")
    with socket.create_server(("127.0.0.1", 0)) as free:
        port = str(free.getsockname()[1])
    started: list[subprocess.Popen[str]] = []

    def begin() -> subprocess.Popen[str]:
        command = [str(Path(sys.executable).parent / "monedero"), "serve", "--demo"]
        server = subprocess.Popen(
            [*command, "--data", str(tmp_path / "data"), "--port", port], stdout=subprocess.PIPE, text=True
        )
        started.append(server)
        assert server.stdout is not None
        server.stdout.readline()
        return server

    yield begin, f"http://127.0.0.1:{port}"
    # A page of a server that is gone could not be left for another answer of it.
    browser.get("about:blank")
    for server in started:
        if server.poll() is None:
            server.kill()
            server.communicate()


def test_a_server_that_stops_takes_nothing_away(start: tuple[Start, str], browser: WebDriver) -> None:
    begin, address = start
    server = begin()
    as_new(browser, 1280, 800)
    desk = Desk(browser, address)
    desk.open("/shop" + BOAT)
    desk.see("Trading name")
    server.kill()
    server.communicate()
    desk.type_into("Trading name", "Cabo Noite and Sons")
    desk.see("Monedero does not answer. What you changed is still here, and is sent when it answers again.")
    # The desk is still there, with what was typed.
    assert desk.named("Trading name", "input").get_attribute("value") == "Cabo Noite and Sons"
    assert desk.violations() == []
    begin()
    cookies = {"monedero_shop": "demo"}
    desk.until(
        lambda: httpx2.get(f"{address}/api/shop", cookies=cookies).json()["shop"]["name"] == "Cabo Noite and Sons"
    )
    desk.until(lambda: "does not answer" not in desk.text())
