"""Sockets of this machine's loopback address."""

import socket

LOOPBACK = "127.0.0.1"


def listening(port: int) -> socket.socket:
    """A socket that listens on a port, 0 for any free one, and that says which protocol it speaks.

    asyncio sends at once only what it knows to be TCP. (A socket of `socket.create_server` says 0; every answer on a
    kept connection then waits 41 ms for the one before.)
    """
    made = socket.socket(socket.AF_INET, socket.SOCK_STREAM, socket.IPPROTO_TCP)
    try:
        made.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        made.bind((LOOPBACK, port))
        made.listen()
    except OSError:
        made.close()
        raise
    return made
