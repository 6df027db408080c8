"""Tells what the application answers for the world outside: the simulated provider's contract, and its pages."""

from collections.abc import Callable, Iterator
from typing import NamedTuple

from starlette.types import ASGIApp

from monedero.server.shops import Shops
from monedero.standins.provider.contract import contract_app
from monedero.standins.provider.pages import provider_pages
from monedero.standins.provider.program import CONTRACT_AT, MOUNTED_AT


class Mount(NamedTuple):
    """An application and the path under which it is reached."""

    path: str
    app: ASGIApp


def mounts(shops: Callable[[], Shops]) -> Iterator[Mount]:
    """Everything that is played; `shops` gives those of the server at each request, for they may be put in anew."""
    yield Mount(CONTRACT_AT, contract_app(lambda name: shops().played(name)))
    yield Mount(MOUNTED_AT, provider_pages(lambda name: shops().played(name).provider))
