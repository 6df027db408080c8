"""The application: the API, the simulated provider, and the pages, on the loopback address only."""

from pathlib import Path

from fastapi import FastAPI
from fastapi.responses import FileResponse
from fastapi.staticfiles import StaticFiles
from starlette.middleware.trustedhost import TrustedHostMiddleware

from monedero.api import (
    accounts,
    business,
    catalogue,
    checkout,
    compare,
    curves,
    month,
    order_records,
    orders,
    outside,
    publish,
    rate_cards,
    shop,
)
from monedero.api.card_numbers import RefuseCardNumbers
from monedero.api.guard import Guard
from monedero.api.problems import answer_refusals
from monedero.standins.provider.contract import Played, contract_app
from monedero.standins.provider.pages import provider_pages
from monedero.standins.provider.program import CONTRACT_AT, MOUNTED_AT
from monedero.work.premises import Premises

FEATURES = (
    *(shop, month, compare, curves, catalogue, rate_cards, checkout, publish),
    *(accounts, business, outside, orders, order_records),
)
SITE = Path(__file__).parent / "site"
HOSTS = ["127.0.0.1", "localhost", "[::1]"]
PAGES = (
    *("/", "/shop", "/shop/orders", "/shop/assumptions", "/compare", "/compare/plans", "/compare/catalogue"),
    *("/compare/cards/{provider}/{day}", "/checkout", "/rehearse", "/publish", "/buy", "/buy/orders/{token}"),
    *("/accounts", "/accounts/papers", "/accounts/letters", "/accounts/{provider}"),
    *("/accounts/{provider}/application", "/accounts/{provider}/notifications"),
)


def create_app(premises: Premises, *, demo_first: bool) -> FastAPI:
    """The application on some premises; `demo_first`: a browser that has not chosen sees the demo shop."""
    app = FastAPI(title="Monedero", version="1", docs_url=None, redoc_url=None, openapi_url="/api/openapi.json")
    app.state.premises = premises
    app.state.first_room = "demo" if demo_first else "own"
    answer_refusals(app)
    app.add_middleware(TrustedHostMiddleware, allowed_hosts=HOSTS)
    app.add_middleware(RefuseCardNumbers)
    app.add_middleware(Guard)
    app.include_router(accounts.came_back)
    for feature in FEATURES:
        app.include_router(feature.router)

    def played(room: str) -> Played:
        held: Premises = app.state.premises
        return Played(held.room(room).provider, held.fetch)

    app.mount(CONTRACT_AT, contract_app(played))
    app.mount(MOUNTED_AT, provider_pages(lambda room: played(room).provider))
    if SITE.exists():
        app.mount("/assets", StaticFiles(directory=SITE / "assets"))
        for path in PAGES:
            app.add_api_route(path, _page, include_in_schema=False)
    return app


def _page() -> FileResponse:
    """The one page of the interface; it reads the address itself."""
    return FileResponse(SITE / "index.html", headers={"Cache-Control": "no-cache"})
