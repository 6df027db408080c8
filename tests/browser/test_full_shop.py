"""Every view of a full shop comes, with what is in it, and none is wider than the window.

The views are found from the application's own list. `make soak` walks the shop in its full size: 40 markets, 200 lines,
15 providers, 100,000 orders.
"""

from collections.abc import Iterator

import pytest
from fastapi import FastAPI
from selenium.webdriver.remote.webdriver import WebDriver

from monedero.api.app import PAGES
from monedero.demo.full_shop import FullShop, Size
from monedero.server.full_example import fill
from monedero.server.shops import Shops
from tests.browser.desk import Desk, as_new, console, leave
from tests.browser.server import connected
from tests.properties import RUN

FROM = "2026-01-01"
"""The day from which the prices of its providers hold."""
SIZE = Size() if RUN == "soak" else Size(markets=12, lines=50, providers=6, ways=14, orders=2000)
WIDER = "return document.documentElement.scrollWidth - document.documentElement.clientWidth"
# Words that stand while something is worked out, and where something cannot be shown.
UNDER_WAY, FAILED = "…", "cannot be shown"


@pytest.fixture(scope="module")
def full_desk(
    server: tuple[FastAPI, str], browser: WebDriver, tmp_path_factory: pytest.TempPathFactory
) -> Iterator[Desk]:
    app, address = server
    shops = Shops(tmp_path_factory.mktemp("full") / "data")
    fill(shops.own, FullShop(SIZE))
    app.state.shops, app.state.first_shop = shops, "own"
    as_new(browser, 1280, 800)
    with connected(shops, address):
        yield Desk(browser, address)
        leave(browser)
    app.state.first_shop = "demo"


@pytest.mark.parametrize("page", PAGES)
def test_every_view_of_a_full_shop_comes_with_what_is_in_it(full_desk: Desk, page: str) -> None:
    desk = full_desk
    desk.open(page.replace("{provider}", "provider-1").replace("{day}", FROM))
    desk.until(lambda: desk.text("main h1"), 60)
    # Figures come by and by; a view that waits for good would be blank.
    desk.until(lambda: not [text for text in desk.texts("main [role=status]") if text.endswith(UNDER_WAY)], 60)
    text = desk.text("main")
    assert FAILED not in text, page
    assert len(text) > 60, text
    assert desk.browser.execute_script(WIDER) <= 0, page
    assert console(desk.browser) == []
