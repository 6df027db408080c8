"""What stands before every answer: changes come from this site alone, and browsers are told what a page may do.

No page may be framed by another site, scripts come from this site alone, and no address leaks to others. The page on
which a provider that is played here takes a payment may stand in a frame of this site.

Source: Content Security Policy Level 3, Fetch metadata and the header fields of the HTML standard.
"""

import logging
import secrets
from urllib.parse import urlsplit

from starlette.datastructures import Headers, MutableHeaders
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from monedero.api.problems import problem
from monedero.core.account import Mode
from monedero.core.errors import Fault, FaultCode
from monedero.standins.provider.program import MOUNTED_AT
from monedero.store import DatabaseError

MODE_HEADER = "Monedero-Mode"
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
)
HEADERS = {
    "X-Content-Type-Options": "nosniff",
    "Referrer-Policy": "same-origin",
    "Permissions-Policy": "camera=(), geolocation=(), microphone=(), payment=(), usb=()",
    "Cross-Origin-Opener-Policy": "same-origin",
    MODE_HEADER: Mode.TEST.value,
}


def may_be_framed(path: str) -> bool:
    """Whether a page may stand in a frame of this site: where a provider that is played here takes a payment."""
    return path.startswith(f"{MOUNTED_AT}/") and path.split("/")[4:5] == ["pay"]


class Guard:
    """Stands before the whole application."""

    def __init__(self, app: ASGIApp) -> None:
        """Pass on to an application."""
        self._app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Refuse a change that another site asks this browser for; give every answer its headers."""
        if scope["type"] != "http":
            await self._app(scope, receive, send)
            return
        ancestors = "'self'" if may_be_framed(scope["path"]) else "'none'"

        begun: list[int] = []

        async def with_headers(message: Message) -> None:
            if message["type"] == "http.response.start":
                headers = MutableHeaders(scope=message)
                headers.update(HEADERS)
                policy = headers.get("content-security-policy", POLICY)
                headers["Content-Security-Policy"] = f"{policy}; frame-ancestors {ancestors}"
                begun.append(message["status"])
            await send(message)

        asked = Headers(scope=scope)
        origin = asked.get("origin")
        if scope["method"] not in SAFE_METHODS and origin and urlsplit(origin).netloc != asked.get("host"):
            refused = problem(403, [Fault(FaultCode.REQUEST_FOREIGN, "origin", origin)], "Not from here")
            await refused(scope, receive, with_headers)
            return
        try:
            await self._app(scope, receive, with_headers)
        except Exception as error:
            number = secrets.token_hex(4)
            logging.getLogger(__name__).exception(
                "unforeseen, number %s: %s %s", number, scope["method"], scope["path"]
            )
            if begun:
                raise
            full = isinstance(error, DatabaseError) and "full" in str(error)
            fault = Fault(FaultCode.DISK_FULL, "disk") if full else Fault(FaultCode.UNFORESEEN, "", number)
            await problem(507 if full else 500, [fault], "This went wrong")(scope, receive, with_headers)
