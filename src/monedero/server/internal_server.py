"""A second entrance for what the server asks of itself, with threads of its own.

Shops and the world outside that is played here reach each other over HTTP. Were that to go through the entrance of
buyers, forty buyers who pay at the same moment would hold every thread, each waiting for one more.
"""

import socket
import threading
import time
from collections.abc import Iterator
from contextlib import contextmanager

import uvicorn
from anyio.to_thread import current_default_thread_limiter
from starlette.types import ASGIApp, Receive, Scope, Send

# Whoever asks from the entrance of buyers holds one of its 40 threads, and what is asked may ask on, twice at the most.
THREADS = 160


class OwnThreads:
    """Gives the event loop in which it stands so many threads."""

    def __init__(self, app: ASGIApp) -> None:
        self._app = app
        self._given = False

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Give the threads with the first request, then pass everything on."""
        if not self._given:
            current_default_thread_limiter().total_tokens = THREADS
            self._given = True
        await self._app(scope, receive, send)


@contextmanager
def entrance(app: ASGIApp, listening: socket.socket) -> Iterator[str]:
    """The second entrance, open in a thread of its own on a socket; gives its address."""
    server = uvicorn.Server(uvicorn.Config(OwnThreads(app), log_level="warning", proxy_headers=False))
    thread = threading.Thread(target=server.run, kwargs={"sockets": [listening]}, daemon=True)
    thread.start()
    while not server.started:
        time.sleep(0.01)
    try:
        yield f"http://{listening.getsockname()[0]}:{listening.getsockname()[1]}"
    finally:
        server.should_exit = True
        thread.join()
