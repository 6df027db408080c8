"""A real server on its own data and a real browser, headless, for each test."""

import os
import re
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path

import pytest

from tests.browser.desk import Desk, console, open_browser


@pytest.fixture
def data(tmp_path: Path) -> Path:
    """The data folder of the server."""
    return tmp_path / "data"


@pytest.fixture(params=["--demo"])
def served(request: pytest.FixtureRequest, data: Path) -> Iterator[str]:
    """The address of a server; in the demo shop unless a test asks for another one."""
    command = [str(Path(sys.executable).parent / "monedero"), "serve", "--data", str(data), "--port", "0"]
    server = subprocess.Popen(
        [*command, *([request.param] if request.param else [])],
        stdout=subprocess.PIPE,
        text=True,
        env={**os.environ, "PYTHONUNBUFFERED": "1"},
    )
    assert server.stdout
    told = re.search(r"http://\S+:\d+", server.stdout.readline())
    assert told
    yield told.group()
    server.terminate()
    server.communicate(timeout=20)


@pytest.fixture
def desk(served: str, tmp_path: Path) -> Iterator[Desk]:
    """A browser at the owner's desk. Whatever the pages wrote to the console as an error fails the test."""
    browser = open_browser(tmp_path / "profile", 1280, 800)
    held = Desk(browser, served)
    yield held
    written = console(browser)
    browser.quit()
    # A refusal that the server answers is part of a test; anything else is not.
    assert [line for line in written if not re.search(r"status of (400|404|409|422)", line)] == []
