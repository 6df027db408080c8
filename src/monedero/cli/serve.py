"""`monedero serve`: the application on this machine."""

import gc
import logging
import os
from contextlib import ExitStack
from enum import StrEnum
from pathlib import Path
from typing import Annotated, Any

import httpx2
import typer
import uvicorn

from monedero.api.app import create_app
from monedero.cli.reading import errors_of
from monedero.core.card_number import masked
from monedero.server.full_example import fill
from monedero.server.internal_server import entrance
from monedero.server.listening import LOOPBACK, listening
from monedero.server.lock import FolderLock
from monedero.server.scheduler import beating
from monedero.server.shops import Shops


class Example(StrEnum):
    """The shops that an empty data folder can begin with."""

    FULL = "full"


def serve(  # noqa: PLR0913, PLR0917 - an option each
    data: Annotated[Path, typer.Option(help="The folder of the data; made where it is missing.")],
    port: Annotated[
        int, typer.Option(min=0, max=65535, help="The port on the loopback address; 0: any free one.")
    ] = 8420,
    demo: Annotated[bool, typer.Option(help="Begin in the demo shop.")] = False,
    example: Annotated[
        Example | None,
        typer.Option(help="Begin with a drawn shop: `full` has 40 markets, 200 lines and 100,000 past orders."),
    ] = None,
    allow_gateway: Annotated[
        list[str] | None,
        typer.Option(help="A host in a private network on which a gateway of your own may lie; may be repeated."),
    ] = None,
    behind_proxy: Annotated[
        list[str] | None,
        typer.Option(
            help="The address of a proxy in front, whose X-Forwarded-For is believed; nobody's is without it. "
            "May be repeated."
        ),
    ] = None,
) -> None:
    """Serve Monedero on the loopback address, on the data in a folder."""
    with ExitStack() as open_things:
        with errors_of(str(data)):
            lock = open_things.enter_context(FolderLock(data))
            shops = Shops(data, allowed=allow_gateway or ())
            if example is not None:
                fill(shops.own)
        with errors_of(f"port {port}"):
            door = listening(port)
        address = f"http://{LOOPBACK}:{door.getsockname()[1]}/"
        lock.tell(f"process {os.getpid()} at {address}")
        typer.echo(f"Monedero is open at {address} (data in {data}, test mode). Ctrl+C ends it.")
        _without_card_numbers()
        application = create_app(shops, demo_first=demo)
        open_things.callback(application.state.rehearsals.close)
        in_front = behind_proxy or []
        server = uvicorn.Server(
            uvicorn.Config(
                application, log_level="warning", proxy_headers=bool(in_front), forwarded_allow_ips=in_front
            )
        )
        # Shops and the simulated provider reach each other over the loopback address, by an entrance of their own.
        inside = open_things.enter_context(entrance(application, listening(0)))
        shops.connect(httpx2.Client(base_url=inside, timeout=10, trust_env=False), address)
        open_things.enter_context(beating(shops))
        # Objects that stand now stay as long as the server: looking through them for unused ones takes 150 ms,
        # in which everybody waits.
        gc.collect()
        gc.freeze()
        server.run(sockets=[door])


def _without_card_numbers() -> None:
    """Let no line of a log show a card number, whoever writes it."""
    made = logging.getLogRecordFactory()

    def make(*given: Any, **more: Any) -> logging.LogRecord:
        record = made(*given, **more)
        record.msg, record.args = masked(record.getMessage()), ()
        return record

    logging.setLogRecordFactory(make)
