"""The application: the API, the simulated provider, and the pages, on the loopback address only."""

from pathlib import Path

from fastapi import FastAPI
from fastapi.responses import FileResponse
from starlette.middleware.gzip import GZipMiddleware
from starlette.middleware.trustedhost import TrustedHostMiddleware

from monedero.api.assets import Assets
from monedero.api.buyer import line_pages, offer, order_papers, voucher_code
from monedero.api.buyer import orders as buyers_orders
from monedero.api.card_numbers import RefuseCardNumbers
from monedero.api.desk import (
    accounts,
    amounts,
    arranging,
    best_month,
    best_set,
    best_turns,
    business,
    buyers,
    catalogue,
    checkout,
    checkout_files,
    checkout_month,
    compare,
    condition_facts,
    coverage,
    curves,
    draft_acts,
    draft_figures,
    month,
    new_provider,
    next_steps,
    order_records,
    orders,
    outside,
    past_orders,
    pausing,
    pictures,
    places,
    price_changes,
    price_tables,
    providers,
    publish,
    rate_cards,
    ready,
    rehearsal,
    shop,
    vouchers,
    words,
)
from monedero.api.guard import Guard
from monedero.api.hooks import notifications, returns
from monedero.api.problems import answer_refusals
from monedero.server.mounts import mounts
from monedero.server.rehearsals import Rehearsals
from monedero.server.shops import DEMO, OWN, Shops

# Routes are looked through in this sequence: what buyers ask for comes first.
FEATURES = (
    *(offer, line_pages, buyers_orders, order_papers, voucher_code, notifications, returns),
    *(
        pictures,
        vouchers,
        orders,
        shop,
        amounts,
        month,
        past_orders,
        price_tables,
        buyers,
        compare,
        curves,
        best_month,
        best_set,
        best_turns,
    ),
    *(catalogue, rate_cards, new_provider, next_steps, providers),
    *(
        price_changes,
        condition_facts,
        places,
        checkout,
        checkout_files,
        arranging,
        draft_acts,
        draft_figures,
        checkout_month,
        coverage,
    ),
    *(pausing, publish, ready, rehearsal, words),
    *(accounts, business, outside, order_records),
)
WORTH_COMPRESSING = 4096
"""Bytes: a smaller answer fits into a few packets as it is."""
SITE = Path(__file__).parent / "site"
HOSTS = ["127.0.0.1", "localhost", "[::1]"]
PAGES = (
    *(
        "/",
        "/shop",
        "/shop/orders",
        "/shop/delivery",
        "/shop/arrangements",
        "/shop/vouchers",
        "/shop/assumptions",
        "/shop/buyers",
    ),
    *("/checkout", "/checkout/words", "/coverage", "/rehearse", "/publish"),
    *("/compare", "/compare/plans", "/compare/best", "/compare/catalogue", "/compare/print", "/compare/new"),
    "/compare/cards/{provider}/{day}",
    *("/accounts", "/accounts/papers", "/accounts/letters", "/accounts/{provider}"),
    *("/accounts/{provider}/application", "/accounts/{provider}/notifications"),
)


BUYER_PAGES = ("/buy/orders/{token}", "/buy/{shop}", "/buy/{shop}/lines/{line}", "/buy/{shop}/cart")


def create_app(shops: Shops, *, demo_first: bool) -> FastAPI:
    """The application on the shops of a server; `demo_first`: a browser that has not chosen sees the demo shop."""
    app = FastAPI(title="Monedero", version="1", docs_url=None, redoc_url=None, openapi_url="/api/openapi.json")
    app.state.shops = shops
    app.state.first_shop = DEMO if demo_first else OWN
    app.state.rehearsals = Rehearsals(lambda room: create_app(room, demo_first=False))
    app.state.routers = [feature.router for feature in FEATURES]
    answer_refusals(app)
    app.add_middleware(TrustedHostMiddleware, allowed_hosts=HOSTS)
    app.add_middleware(RefuseCardNumbers)
    app.add_middleware(Guard)
    app.add_middleware(GZipMiddleware, minimum_size=WORTH_COMPRESSING, compresslevel=3)
    if SITE.exists():
        # Looked through before the routes, because a page asks for many of them.
        app.mount("/assets", Assets(directory=SITE / "assets"))
    for feature in FEATURES:
        app.include_router(feature.router)
    app.include_router(accounts.came_back)

    for path, outside_app in mounts(lambda: app.state.shops):
        app.mount(path, outside_app)
    if SITE.exists():
        for path in PAGES:
            app.add_api_route(path, _desk, include_in_schema=False)
        for path in BUYER_PAGES:
            app.add_api_route(path, _buyer, include_in_schema=False)
    return app


def _desk() -> FileResponse:
    """The one page of the desk; it reads the address itself."""
    return FileResponse(SITE / "index.html", headers={"Cache-Control": "no-cache"})


def _buyer() -> FileResponse:
    """The one page of what buyers see; it reads the address itself."""
    return FileResponse(SITE / "buy.html", headers={"Cache-Control": "no-cache"})
