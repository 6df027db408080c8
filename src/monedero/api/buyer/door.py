"""The door of buyers: the shop is in the address, an order is known by its token, and a buyer by a cookie of the shop.

The cookie of the desk says nothing here: the same address is the same shop for everybody who opens it.
"""

import secrets
from dataclasses import dataclass
from typing import Annotated

from fastapi import APIRouter, Cookie, Depends, Header, Request, Response

from monedero.api.doors import BuyersRoute
from monedero.api.problems import PROBLEMS
from monedero.api.requests import at_door, shop_answers
from monedero.server.shops import RunningShop, Shops
from monedero.work.context import Actor, Context

BUYER = "monedero_buyer"
Returning = Annotated[str, Cookie(alias=BUYER, max_length=64)]
Wished = Annotated[str, Header(max_length=1000)]
COMES_AGAIN = 365 * 24 * 3600


def buyers_router() -> APIRouter:
    """A router of the buyers' door."""
    return APIRouter(tags=["orders"], responses=PROBLEMS, route_class=BuyersRoute)


async def shop_in_address(request: Request, shop: str) -> RunningShop:
    """The shop by its id in the address."""
    shops: Shops = request.app.state.shops
    reads_in(request, request.query_params.get("language", ""))
    return shop_answers(request, shops.running(shop))


def reads_in(request: Request, language: str) -> None:
    """Note the language in which the buyer reads: what is refused is worded in it as a whole."""
    request.state.reads = language


async def shop_of_order(request: Request, token: str) -> RunningShop:
    """The shop in which an order was placed."""
    shops: Shops = request.app.state.shops
    return shop_answers(request, shops.with_order(token))


async def buyers_context(
    request: Request, running: Annotated[RunningShop, Depends(shop_in_address)], storefront: str | None = None
) -> Context:
    """The context of what a buyer's page asks; without a storefront, it is the shop's first."""
    return at_door(request, running, storefront, Actor.BUYER)


RunningDep = Annotated[RunningShop, Depends(shop_in_address)]
OfOrderDep = Annotated[RunningShop, Depends(shop_of_order)]
ContextDep = Annotated[Context, Depends(buyers_context)]


@dataclass(frozen=True, slots=True)
class Caller:
    """The browser of a buyer: its request, the token of one who came before, and the key of what it asks for once."""

    request: Request
    returning: Returning = ""
    idempotency_key: Annotated[str, Header(max_length=255)] = ""

    def known(self) -> str:
        """The token of the buyer; one who is not known yet gets one, in a cookie of the answer, be it a refusal."""
        if self.returning:
            return self.returning
        buyer = secrets.token_urlsafe(16)
        held = Response()
        held.set_cookie(BUYER, buyer, httponly=True, samesite="lax", max_age=COMES_AGAIN)
        self.request.state.cookie = held.headers["set-cookie"]
        return buyer

    @property
    def host(self) -> str:
        """The address from which the browser asks; empty where it is not known."""
        return self.request.client.host if self.request.client else ""


CallerDep = Annotated[Caller, Depends()]
