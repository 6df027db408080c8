"""No card number comes in, in whatever field: what is sent is looked through before it is read.

Path, query, cookies, the key of a request, JSON with its names, forms and the text fields and file names of forms with
files. Files are looked through where they are read; a paper's bytes are not text. JSON and forms are bounded.
"""

import json
import re
from collections.abc import AsyncGenerator, Iterable, Iterator
from typing import Any
from urllib.parse import parse_qsl, unquote

from starlette.datastructures import Headers, UploadFile
from starlette.formparsers import MultiPartException, MultiPartParser
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from monedero.api.modes import mode_of
from monedero.api.problems import buyer_of, problem
from monedero.core.card_number import holds_one
from monedero.core.errors import Fault, FaultCode

JSON = "application/json"
FORM = "application/x-www-form-urlencoded"
MULTIPART = "multipart/form-data"
# A file comes as its bytes or in a form with files, and is bounded where it is read.
LARGEST = {JSON: 2 * 1024 * 1024, FORM: 2 * 1024 * 1024, MULTIPART: 16 * 1024 * 1024}
LOOKED_AT = ("cookie", "idempotency-key")
# A key that a browser made at random (RFC 9562, version 4): one in 120 has digits that would pass for a card number.
RANDOM_KEY = re.compile(r"[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}")


class RefuseCardNumbers:
    """Answers 422 to a request that holds a card number in any text of it, 413 to one whose body is too large."""

    def __init__(self, app: ASGIApp) -> None:
        self._app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Look through a request, then pass it on as it came."""
        if scope["type"] != "http":
            await self._app(scope, receive, send)
            return
        headers = Headers(scope=scope)
        found = [Fault(FaultCode.CARD_NUMBER, place) for place, text in _around(scope, headers) if holds_one(text)]
        kind = headers.get("content-type", "").partition(";")[0].strip().lower()
        if not found and kind in LARGEST:
            body, receive = await _whole(receive, LARGEST[kind])
            if len(body) > LARGEST[kind]:
                found = [Fault(FaultCode.BODY_TOO_LARGE, "body", "", {"largest": str(LARGEST[kind])})]
            elif kind == MULTIPART:
                found = await _in_multipart(headers, body)
            else:
                found = _in_json(body) if kind == JSON else _in_pairs(parse_qsl(body.decode("latin-1")))
        if found:
            status = {FaultCode.BODY_UNREADABLE: 400, FaultCode.BODY_TOO_LARGE: 413}.get(found[0].code, 422)
            await problem(status, found, mode_of(scope), buyer_of(scope))(scope, receive, send)
            return
        await self._app(scope, receive, send)


def _around(scope: Scope, headers: Headers) -> Iterator[tuple[str, str]]:
    """Tells what of a request stands around its body."""
    yield "path", scope["path"]
    for name, value in parse_qsl(scope.get("query_string", b"").decode("latin-1"), keep_blank_values=True):
        yield "query", name
        yield "query", value
    for name in LOOKED_AT:
        yield from ((name, unquote(value)) for value in headers.getlist(name) if not RANDOM_KEY.fullmatch(value))


async def _whole(receive: Receive, largest: int) -> tuple[bytes, Receive]:
    """The whole body, and a way to receive it again; of one that is too large only the beginning."""
    messages: list[Message] = []
    parts: list[bytes] = []
    size = 0
    while True:
        message = await receive()
        messages.append(message)
        parts.append(message.get("body", b""))
        size += len(parts[-1])
        if not message.get("more_body") or size > largest:
            break

    async def again() -> Message:
        return messages.pop(0) if messages else await receive()

    return b"".join(parts), again


def _in_json(body: bytes) -> list[Fault]:
    try:
        told = json.loads(body, parse_int=str)
        json.dumps(told, ensure_ascii=False).encode()
        return [Fault(FaultCode.CARD_NUMBER, place) for place in _places(told)]
    except UnicodeEncodeError:
        # Half of a pair of surrogates is no character, and cannot be kept as text.
        return [Fault(FaultCode.BODY_UNREADABLE, "body")]
    except ValueError:
        return []
    except RecursionError:
        # A body that is nested too deeply cannot be looked through, and is not let in.
        return [Fault(FaultCode.BODY_UNREADABLE, "body")]


def _in_pairs(pairs: Iterable[tuple[str, str]]) -> list[Fault]:
    return [Fault(FaultCode.CARD_NUMBER, name) for name, value in pairs if holds_one(name) or holds_one(value)]


async def _in_multipart(headers: Headers, body: bytes) -> list[Fault]:
    """The text fields of a form, and the names of its files."""

    async def stream() -> AsyncGenerator[bytes, None]:
        yield body

    try:
        form = await MultiPartParser(headers, stream()).parse()
    except (MultiPartException, KeyError, ValueError):
        return []  # what is no form is refused where it is read
    pairs = [
        (name, value.filename or "" if isinstance(value, UploadFile) else value)
        for name, value in form.multi_items()
    ]
    await form.close()
    return _in_pairs(pairs)


def _places(told: Any, place: str = "") -> Iterator[str]:
    """Finds where a card number stands in what was sent, as a path of keys."""
    if isinstance(told, str):
        if holds_one(told):
            yield place
    elif isinstance(told, dict):
        for key, value in told.items():
            if holds_one(key):
                yield place
            yield from _places(value, f"{place}.{key}".lstrip("."))
    elif isinstance(told, list):
        for index, value in enumerate(told):
            yield from _places(value, f"{place}.{index}".lstrip("."))
    elif isinstance(told, float) and holds_one(repr(told)):
        yield place
