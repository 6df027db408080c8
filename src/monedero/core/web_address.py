"""Addresses on the web: domains of the shop's, gateways, and pages to which a gateway sends a buyer.

Source: RFC 1123 section 2.1 (domains), RFC 3986 (addresses).

>>> domain("Shop.Example")
'shop.example'
>>> domain("https://shop.example")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: domain-text ='https://shop.example'
"""

import re
from typing import Annotated
from urllib.parse import urlsplit

from pydantic import PlainValidator, WithJsonSchema

from monedero.core.errors import FaultCode, refuse
from monedero.core.fields import checked

DOMAIN = re.compile(r"([a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?\.)+[a-z][a-z0-9-]{0,61}[a-z0-9]", re.ASCII)
PAGE = re.compile(r"[!-\[\]-~]+", re.ASCII)  # what can be seen, but the backslash
LONGEST_PAGE = 2000
ADDRESS = re.compile(r"https?://[A-Za-z0-9.\-\[\]:]+(/[A-Za-z0-9._~/-]*)?", re.ASCII)


def domain(text: str) -> str:
    """A domain of the shop's, without scheme and path, in lower case (RFC 1123 section 2.1)."""
    name = text.strip().lower()
    if len(name) > 253 or not DOMAIN.fullmatch(name):
        raise refuse(FaultCode.DOMAIN_TEXT, value=text[:80])
    return name


def web_address(text: str) -> str:
    """The address of a gateway, without a stroke at its end (RFC 3986)."""
    address = text.strip().rstrip("/")
    if len(address) > 200 or not ADDRESS.fullmatch(address) or not _has_host(address):
        raise refuse(FaultCode.GATEWAY_TEXT, value=text[:80])
    return address


def page_address(text: str) -> str:
    """Tells where a gateway sends a buyer: a path of its own, or a whole address over HTTP; nothing that could run as
    script.

    >>> page_address("/pay/7"), page_address("https://till.example/pay/7?lang=pt")
    ('/pay/7', 'https://till.example/pay/7?lang=pt')
    >>> page_address("javascript:alert(1)")
    Traceback (most recent call last):
    ...
    monedero.core.errors.InvalidInput: gateway-text ='javascript:alert(1)'
    """
    path = text.startswith("/") and not text.startswith("//")
    plain = len(text) <= LONGEST_PAGE and PAGE.fullmatch(text) is not None
    if not plain or not (path or (text.lower().startswith(("http://", "https://")) and _has_host(text))):
        raise refuse(FaultCode.GATEWAY_TEXT, value=text[:80])
    return text


def _has_host(address: str) -> bool:
    try:
        parts = urlsplit(address)
        port = parts.port
    except ValueError:
        return False
    return bool(parts.hostname) and port != 0


DomainName = Annotated[str, PlainValidator(checked(domain)), WithJsonSchema({"type": "string", "maxLength": 253})]
WebAddress = Annotated[
    str, PlainValidator(checked(web_address)), WithJsonSchema({"type": "string", "maxLength": 200})
]
PageAddress = Annotated[
    str, PlainValidator(checked(page_address)), WithJsonSchema({"type": "string", "maxLength": LONGEST_PAGE})
]
