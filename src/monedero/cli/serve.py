"""`monedero serve`: the application on this machine."""

import socket
from pathlib import Path
from typing import Annotated

import typer

from monedero.cli.reading import errors_of

LOOPBACK = "127.0.0.1"


def serve(
    data: Annotated[Path, typer.Option(help="The folder of the data; made where it is missing.")],
    port: Annotated[
        int, typer.Option(min=0, max=65535, help="The port on the loopback address; 0: any free one.")
    ] = 8420,
    demo: Annotated[bool, typer.Option(help="Begin in the demo shop.")] = False,
) -> None:
    """Serve Monedero on the loopback address, on the data in a folder."""
    # Only this command needs the web: the others start without its weight.
    import uvicorn

    from monedero.api.app import create_app
    from monedero.work.premises import Premises

    with errors_of(str(data)):
        premises = Premises(data)
    with errors_of(f"port {port}"):
        listening = socket.create_server((LOOPBACK, port))
    address = f"http://{LOOPBACK}:{listening.getsockname()[1]}/"
    typer.echo(f"Monedero is open at {address} (data in {data}, test mode). Ctrl+C ends it.")
    server = uvicorn.Server(uvicorn.Config(create_app(premises, demo_first=demo), log_level="warning"))
    server.run(sockets=[listening])
