"""The door of providers and gateways: an address that they were given says which shop it is about."""

from typing import Annotated

from fastapi import Depends, Request

from monedero.server.shops import Shops


async def shops(request: Request) -> Shops:
    """The shops of this server."""
    shops: Shops = request.app.state.shops
    return shops


ShopsDep = Annotated[Shops, Depends(shops)]
