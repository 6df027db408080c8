"""The application on a real port, in a thread of this process."""

import threading
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from time import sleep

import httpx2
import uvicorn
from fastapi import FastAPI

from monedero.api.app import create_app
from monedero.server.shops import Shops


@contextmanager
def listening(app: FastAPI) -> Iterator[str]:
    """A server, by its address."""
    server = uvicorn.Server(uvicorn.Config(app, port=0, log_level="warning"))
    thread = threading.Thread(target=server.run, daemon=True)
    thread.start()
    while not server.started:
        sleep(0.01)
    yield f"http://127.0.0.1:{server.servers[0].sockets[0].getsockname()[1]}"
    server.should_exit = True
    thread.join()


@contextmanager
def connected(shops: Shops, address: str) -> Iterator[str]:
    """Shops and the simulated provider that reach each other at an address."""
    with httpx2.Client(base_url=address, trust_env=False) as client:
        shops.connect(client)
        yield address


@contextmanager
def serving(folder: Path) -> Iterator[str]:
    """A server on a data folder, with the demo shop first."""
    shops = Shops(folder)
    with listening(create_app(shops, demo_first=True)) as address, connected(shops, address):
        yield address
