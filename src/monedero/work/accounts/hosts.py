"""Tells which hosts gateways of the shop's own may lie on: public ones, and those that were allowed by name.

A gateway is asked with the shop's credentials, from inside the network that this machine stands in: an address in a
private, loopback or link-local range (where routers and cloud machines answer) is refused. So is an IPv6 address that
leads to such an IPv4 address.

Source: RFC 6890 (special-purpose addresses), as Python's `ipaddress` knows them; RFC 6052 (64:ff9b::/96, NAT64),
RFC 3056 (2002::/16, 6to4), RFC 4380 (2001::/32, Teredo), RFC 4291 (::ffff:0:0/96 and ::/96).
"""

import socket
from collections.abc import Iterable
from ipaddress import IPv4Address, IPv6Address, IPv6Network, ip_address
from urllib.parse import urlsplit

from monedero.core.errors import FaultCode, refuse

NAT64, COMPATIBLE = IPv6Network("64:ff9b::/96"), IPv6Network("::/96")
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
        if not found or not all(_is_public(ip_address(str(each).partition("%")[0])) for each in found):
            raise refuse(FaultCode.GATEWAY_HOST, "address", host)


def _is_public(address: IPv4Address | IPv6Address) -> bool:
    """True if an address can be reached by everybody, and so can the IPv4 address to which it leads."""
    if isinstance(address, IPv4Address):
        return address.is_global and not address.is_multicast
    through = [address.ipv4_mapped, address.sixtofour, *(address.teredo or ())]
    if address in NAT64 or address in COMPATIBLE:
        through.append(IPv4Address(int(address) & 0xFFFFFFFF))
    led_to = [each for each in through if each is not None]
    # An address that leads to another one is judged by that one alone: the ranges themselves may count as special.
    return all(map(_is_public, led_to)) if led_to else address.is_global and not address.is_multicast
