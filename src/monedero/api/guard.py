"""The guard stands before every answer: changes come from this site alone, and browsers are told what a page may do.

An answer is worded in the language that the browser asks for.

No page may be framed by another site, scripts come from this site alone, and no address leaks to others. The page on
which a provider that is played here takes a payment may stand in a frame of this site.

No answer may be kept, unless it says otherwise itself, as the files of pages and the pictures do.

Every answer about a shop says at which revisions the shop is, so that the browser knows what of it has become old.

Source: Content Security Policy Level 3, Fetch metadata and the header fields of the HTML standard; the revisions are a
dictionary of RFC 9651.
"""

import logging
import secrets
from urllib.parse import urlsplit

from starlette.datastructures import Headers
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from monedero.api.modes import mode_of
from monedero.api.problems import buyer_of, problem
from monedero.core.errors import Fault, FaultCode
from monedero.server.outside import may_be_framed
from monedero.store.full_disk import disk_is_full
from monedero.wording.catalogue import in_language, language

MODE_HEADER = "Monedero-Mode"
REVISIONS_HEADER = "Monedero-Revisions"
SAFE_METHODS = ("GET", "HEAD")
POLICY = "; ".join(
    (
        "default-src 'self'",
        "script-src 'self'",
        # Libraries of the interface set styles on elements; no style comes from elsewhere.
        "style-src 'self' 'unsafe-inline'",
        "img-src 'self' data: blob:",
        "font-src 'self' data:",
        # A gateway of the shop's own may give a form to be embedded.
        "frame-src 'self' http: https:",
        "object-src 'none'",
        "base-uri 'none'",
        "form-action 'self'",
    )
).encode()
SELF_ALONE, NOBODY = b"; frame-ancestors 'self'", b"; frame-ancestors 'none'"
HEADERS = (
    (b"x-content-type-options", b"nosniff"),
    (b"referrer-policy", b"same-origin"),
    (b"permissions-policy", b"camera=(), geolocation=(), microphone=(), payment=(), usb=()"),
    (b"cross-origin-opener-policy", b"same-origin"),
)


class Guard:
    """Stands before the whole application."""

    def __init__(self, app: ASGIApp) -> None:
        self._app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Refuse a change that another site asks this browser for; give every answer its headers."""
        if scope["type"] != "http":
            await self._app(scope, receive, send)
            return
        ancestors = SELF_ALONE if may_be_framed(scope["path"]) else NOBODY
        begun: list[int] = []

        async def with_headers(message: Message) -> None:
            if message["type"] == "http.response.start":
                own = [(MODE_HEADER, mode_of(scope).value), ("content-language", language())]
                if revisions := scope.get("state", {}).get("revisions"):
                    # After the answer was made: what the request itself changed is counted in it.
                    counted = ", ".join(f"{cause}={number}" for cause, number in revisions().items())
                    own.append((REVISIONS_HEADER, counted))
                if cookie := scope.get("state", {}).get("cookie"):
                    own.append(("set-cookie", cookie))
                given = message["headers"]
                if not any(name == b"cache-control" for name, _ in given):
                    own.append(("cache-control", "no-store"))
                policy = next((value for name, value in given if name == b"content-security-policy"), None)
                message["headers"] = [
                    *(entry for entry in given if entry[0] != b"content-security-policy"),
                    *HEADERS,
                    *((name.lower().encode(), value.encode()) for name, value in own),
                    (b"content-security-policy", (policy or POLICY) + ancestors),
                ]
                begun.append(message["status"])
            await send(message)

        asked = Headers(scope=scope)
        origin = asked.get("origin")
        if scope["method"] not in SAFE_METHODS and origin and urlsplit(origin).netloc != asked.get("host"):
            foreign = Fault(FaultCode.REQUEST_FOREIGN, "origin", origin)
            refused = problem(403, [foreign], mode_of(scope), buyer_of(scope))
            await refused(scope, receive, with_headers)
            return
        try:
            with in_language(asked.get("accept-language", "")):
                await self._app(scope, receive, with_headers)
        except Exception as error:
            number = secrets.token_hex(4)
            logging.getLogger(__name__).exception(
                "unforeseen, number %s: %s %s", number, scope["method"], scope["path"]
            )
            if begun:
                raise
            full = disk_is_full(error)
            fault = Fault(FaultCode.DISK_FULL, "disk") if full else Fault(FaultCode.UNFORESEEN, "", number)
            told = problem(507 if full else 500, [fault], mode_of(scope), buyer_of(scope))
            await told(scope, receive, with_headers)
