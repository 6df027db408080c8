"""Which hosts gateways of the shop's own may lie on: public ones, and those that were allowed by name.

A gateway is asked with the shop's credentials, from inside the network that this machine stands in: an address in a
private, loopback or link-local range (where routers and cloud machines answer) is refused.

Source: RFC 6890 (special-purpose addresses), as Python's `ipaddress` knows them.
"""

import socket
from collections.abc import Iterable
from ipaddress import ip_address
from urllib.parse import urlsplit

from monedero.core.errors import FaultCode, refuse

LOOPBACK = frozenset({"127.0.0.1", "localhost", "::1"})


class Hosts:
    """The hosts that may be asked."""

    def __init__(self, allowed: Iterable[str] = ()) -> None:
        """`allowed` are hosts by name or address, whatever range they lie in."""
        self._allowed = frozenset(host.lower() for host in allowed)

    def check(self, address: str) -> None:
        """Refuse an address whose host is not allowed and not public, or cannot be found."""
        host = urlsplit(address).hostname or ""
        if host in self._allowed:
            return
        try:
            found = {entry[4][0] for entry in socket.getaddrinfo(host, None)}
        except OSError:
            found = set()
        if not found or any(not ip_address(str(each).partition("%")[0]).is_global for each in found):
            raise refuse(FaultCode.GATEWAY_HOST, "address", host)
