"""The offered tenders of one order over HTTP, against a bare route of the same framework on the same server.

Both answer the same bytes on one kept connection, each in a process of its own.
"""

import shutil
import socket
import subprocess
import sys
import tempfile
import time
from pathlib import Path
from signal import SIGTERM
from statistics import median
from urllib.parse import urlencode, urlsplit

from tests.api.shopkeeper import BOAT
from tests.work.orders.test_killed import served

REQUESTS, ROUNDS, SHARE = 1500, 5, 0.4
BARE = """
import json, sys, uvicorn
from fastapi import FastAPI
answer = json.loads(sys.argv[1])
app = FastAPI()
app.get("/api/shops/demo/offer")(lambda: answer)
uvicorn.run(app, port=int(sys.argv[2]), log_level="warning")
"""


def per_second(port: int, path: str) -> tuple[float, bytes]:
    """How many requests a second are answered one after the other, and the last body."""
    asked = f"GET {path} HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n".encode()
    with socket.create_connection(("127.0.0.1", port)) as connection:
        connection.setsockopt(socket.IPPROTO_TCP, socket.TCP_NODELAY, 1)
        body = b""
        for _ in range(REQUESTS // 5):
            body = _answer(connection, asked)
        began = time.perf_counter()
        for _ in range(REQUESTS):
            body = _answer(connection, asked)
        return REQUESTS / (time.perf_counter() - began), body


def _answer(connection: socket.socket, asked: bytes) -> bytes:
    connection.sendall(asked)
    held = b""
    while b"\r\n\r\n" not in held:
        held += connection.recv(65536)
    head, _, body = held.partition(b"\r\n\r\n")
    length = next(int(line[15:]) for line in head.split(b"\r\n") if line.lower().startswith(b"content-length:"))
    while len(body) < length:
        body += connection.recv(65536)
    return body


def run() -> str:
    """Ask both in turn, and say what share of the bare route's speed ours has."""
    folder = Path(tempfile.mkdtemp())
    path = f"/api/shops/demo/offer?{urlencode(BOAT)}"
    try:
        with served(folder, SIGTERM) as shop:
            own = urlsplit(str(shop.base_url)).port or 0
            _, body = per_second(own, path)
            with socket.create_server(("127.0.0.1", 0)) as free:
                port = free.getsockname()[1]
            with subprocess.Popen([sys.executable, "-c", BARE, body.decode(), str(port)]) as bare:
                time.sleep(3)
                pairs = [
                    (per_second(own, path)[0], per_second(port, "/api/shops/demo/offer")[0]) for _ in range(ROUNDS)
                ]
                bare.terminate()
    finally:
        shutil.rmtree(folder, ignore_errors=True)
    ours, theirs = (median(side) for side in zip(*pairs, strict=True))
    return (
        f"offered tenders over HTTP: {ours:.0f} a second, a bare route {theirs:.0f}: {ours / theirs:.0%} "
        f"(budget {SHARE:.0%})"
    )


if __name__ == "__main__":
    print(run())
