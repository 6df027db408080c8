"""The door of the desk: which shop its browser is in, and the context of what an owner asks."""

from typing import Annotated

from fastapi import Depends, Request

from monedero.api.requests import at_door, shop_answers
from monedero.server.shops import RunningShop, Shops
from monedero.work.context import Actor, Context

COOKIE = "monedero_shop"


async def running(request: Request) -> RunningShop:
    """The shop that this browser is in: the one it chose, else the one the server was started for."""
    shops: Shops = request.app.state.shops
    chosen = shops.find(request.cookies.get(COOKIE, "")) or shops.running(request.app.state.first_shop)
    return shop_answers(request, chosen)


async def desk_context(
    request: Request, running: Annotated[RunningShop, Depends(running)], storefront: str | None = None
) -> Context:
    """The context of what is asked at the desk; without a storefront, it is the shop's first."""
    return at_door(request, running, storefront, Actor.OWNER)


RunningDep = Annotated[RunningShop, Depends(running)]
ContextDep = Annotated[Context, Depends(desk_context)]
