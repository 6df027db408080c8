"""Ends work that takes long when whoever asked for it leaves."""

import asyncio
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from threading import Event

from fastapi import Request

PAUSE = 0.2


@asynccontextmanager
async def stopped_when_left(request: Request) -> AsyncIterator[Event]:
    """An event that is set when the connection of a request is closed from the other side."""
    left = Event()

    async def watch() -> None:
        while not await request.is_disconnected():
            await asyncio.sleep(PAUSE)
        left.set()

    watching = asyncio.create_task(watch())
    try:
        yield left
    finally:
        watching.cancel()
