"""No card number comes in, in whatever field: what is sent is looked through before it is read.

Files are looked through where they are read; a paper's bytes are not text.
"""

import json
from collections.abc import Iterator
from typing import Any
from urllib.parse import parse_qsl, unquote_plus

from starlette.types import ASGIApp, Message, Receive, Scope, Send

from monedero.api.problems import problem
from monedero.core.card_number import holds_one
from monedero.core.errors import Fault, FaultCode

JSON = b"application/json"
FORM = b"application/x-www-form-urlencoded"
LARGEST_LOOKED_THROUGH = 8 * 1024 * 1024


class RefuseCardNumbers:
    """Answers 422 to a request that holds a card number in a text of its JSON, its form or its query."""

    def __init__(self, app: ASGIApp) -> None:
        """Stand before an application."""
        self._app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Look through a request, then pass it on as it came."""
        if scope["type"] != "http":
            await self._app(scope, receive, send)
            return
        found = [Fault(FaultCode.CARD_NUMBER, "query")] if _in_query(scope) else []
        headers = dict(scope["headers"])
        kind = headers.get(b"content-type", b"").partition(b";")[0].strip().lower()
        if not found and kind in (JSON, FORM):
            body, receive = await _whole(receive)
            found = _in_json(body) if kind == JSON else _in_form(body)
        if found:
            status = 400 if found[0].code is FaultCode.BODY_UNREADABLE else 422
            await problem(status, found)(scope, receive, send)
            return
        await self._app(scope, receive, send)


async def _whole(receive: Receive) -> tuple[bytes, Receive]:
    """The whole body, and a way to receive it again."""
    messages: list[Message] = []
    body = b""
    while True:
        message = await receive()
        messages.append(message)
        body += message.get("body", b"")
        if not message.get("more_body") or len(body) > LARGEST_LOOKED_THROUGH:
            break

    async def again() -> Message:
        return messages.pop(0) if messages else await receive()

    return body, again


def _in_query(scope: Scope) -> bool:
    return holds_one(unquote_plus(scope.get("query_string", b"").decode("latin-1")).replace("&", " & "))


def _in_json(body: bytes) -> list[Fault]:
    try:
        return [Fault(FaultCode.CARD_NUMBER, place) for place in _places(json.loads(body))]
    except ValueError:
        return []
    except RecursionError:
        # What is nested too deeply cannot be looked through, and is not let in.
        return [Fault(FaultCode.BODY_UNREADABLE, "body")]


def _in_form(body: bytes) -> list[Fault]:
    pairs = parse_qsl(body.decode("latin-1"))
    return [Fault(FaultCode.CARD_NUMBER, name) for name, value in pairs if holds_one(value)]


def _places(told: Any, place: str = "") -> Iterator[str]:
    """Where a card number stands in what was sent, as a path of keys."""
    if isinstance(told, str):
        if holds_one(told):
            yield place
    elif isinstance(told, dict):
        for key, value in told.items():
            yield from _places(value, f"{place}.{key}".lstrip("."))
    elif isinstance(told, list):
        for index, value in enumerate(told):
            yield from _places(value, f"{place}.{index}".lstrip("."))
    elif isinstance(told, int) and not isinstance(told, bool) and holds_one(str(told)):
        yield place
