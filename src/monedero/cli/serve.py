"""`monedero serve`: the application on this machine."""

import logging
import os
import socket
import threading
from contextlib import ExitStack
from pathlib import Path
from typing import TYPE_CHECKING, Annotated, Any

import typer

from monedero.cli.reading import errors_of
from monedero.core.card_number import masked

LOOPBACK = "127.0.0.1"
BEAT_SECONDS = 1.0
ASK_EVERY = 30

if TYPE_CHECKING:
    from monedero.work.premises import Premises


def serve(
    data: Annotated[Path, typer.Option(help="The folder of the data; made where it is missing.")],
    port: Annotated[
        int, typer.Option(min=0, max=65535, help="The port on the loopback address; 0: any free one.")
    ] = 8420,
    demo: Annotated[bool, typer.Option(help="Begin in the demo shop.")] = False,
    allow_gateway: Annotated[
        list[str] | None,
        typer.Option(help="A host in a private network on which a gateway of your own may lie; may be repeated."),
    ] = None,
) -> None:
    """Serve Monedero on the loopback address, on the data in a folder."""
    # Only this command needs the web: the others start without its weight.
    import httpx2
    import uvicorn

    from monedero.api.app import create_app
    from monedero.api.inside import entrance
    from monedero.work.lock import FolderLock
    from monedero.work.premises import Premises

    with ExitStack() as held:
        with errors_of(str(data)):
            lock = held.enter_context(FolderLock(data))
            premises = Premises(data, allowed=allow_gateway or ())
        with errors_of(f"port {port}"):
            listening = _listening(port)
        address = f"http://{LOOPBACK}:{listening.getsockname()[1]}/"
        lock.tell(f"process {os.getpid()} at {address}")
        typer.echo(f"Monedero is open at {address} (data in {data}, test mode). Ctrl+C ends it.")
        _without_card_numbers()
        application = create_app(premises, demo_first=demo)
        server = uvicorn.Server(uvicorn.Config(application, log_level="warning"))
        # Shops and the simulated provider reach each other over the loopback address, by an entrance of their own.
        inside = held.enter_context(entrance(application, _listening(0)))
        premises.connect(httpx2.Client(base_url=inside, timeout=10, trust_env=False), address)
        stopped = threading.Event()
        threading.Thread(target=_beat, args=(premises, stopped), daemon=True).start()
        held.callback(stopped.set)
        server.run(sockets=[listening])


def _listening(port: int) -> socket.socket:
    """A socket that says which protocol it speaks: asyncio sends at once only what it knows to be TCP.

    (One of `socket.create_server` says 0; every answer on a kept connection then waits 41 ms for the one before.)
    """
    listening = socket.socket(socket.AF_INET, socket.SOCK_STREAM, socket.IPPROTO_TCP)
    try:
        listening.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        listening.bind((LOOPBACK, port))
        listening.listen()
    except OSError:
        listening.close()
        raise
    return listening


def _without_card_numbers() -> None:
    """Let no line of a log show a card number, whoever writes it."""
    made = logging.getLogRecordFactory()

    def make(*given: Any, **more: Any) -> logging.LogRecord:
        record = made(*given, **more)
        record.msg, record.args = masked(record.getMessage()), ()
        return record

    logging.setLogRecordFactory(make)


def _beat(premises: "Premises", stopped: threading.Event) -> None:
    """Let everything happen whose moment has come, until the server stops."""
    beats = 0
    while not stopped.wait(BEAT_SECONDS):
        beats += 1
        try:
            premises.beat()
            if beats % ASK_EVERY == 0:
                premises.ask_around()
        except Exception:
            logging.getLogger(__name__).exception("what was due could not be done; it is tried again")
