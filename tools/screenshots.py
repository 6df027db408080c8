"""Take the pictures in docs/screenshots: a fresh demo shop, a real browser, one picture of each main view."""

import shutil
import tempfile
import threading
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from time import sleep

import uvicorn
from selenium.webdriver.common.by import By
from selenium.webdriver.remote.webdriver import WebDriver
from tests.browser.desk import BOAT, Desk, open_browser

from monedero.api.app import create_app
from monedero.work.premises import Premises

PICTURES = Path(__file__).parent.parent / "docs" / "screenshots"
LAMP = "?market=gb-gbp&line=star-chart&amount=42.00&currency=GBP"
SETTLED = 0.5


@contextmanager
def serving(folder: Path) -> Iterator[str]:
    """A server on fresh data, in a thread of its own."""
    config = uvicorn.Config(create_app(Premises(folder), demo_first=True), port=0, log_level="error")
    server = uvicorn.Server(config)
    thread = threading.Thread(target=server.run)
    thread.start()
    while not server.started:
        sleep(0.05)
    yield f"http://127.0.0.1:{server.servers[0].sockets[0].getsockname()[1]}"
    server.should_exit = True
    thread.join()


def picture(browser: WebDriver, name: str) -> None:
    """Take a picture once the page stands still."""
    sleep(SETTLED)
    browser.save_screenshot(str(PICTURES / f"{name}.png"))


def take(desk: Desk) -> None:
    """Walk the views and take each one's picture."""
    browser = desk.browser
    desk.open("/shop" + BOAT)
    desk.see("Your shop")
    picture(browser, "shop")
    desk.open("/compare" + LAMP)
    desk.see("Card Tessaline")
    browser.find_elements(By.CSS_SELECTOR, "button[aria-label*='came about']")[1].click()
    picture(browser, "compare")
    desk.open("/checkout" + BOAT)
    desk.see("offered first")
    picture(browser, "checkout")
    desk.click("Card", "main button")
    picture(browser, "checkout-settings")
    desk.click("Pay 85.00 EUR", "aside button")
    desk.see("End as paid")
    picture(browser, "simulated-provider")
    desk.click("End as declined")
    desk.see("Your payment was declined")
    picture(browser, "declined-order")
    desk.click("Online banking", "[role=radio]")
    desk.click("Pay 85.00 EUR", "button")
    desk.click("End as paid")
    desk.see("Your order is paid")
    picture(browser, "paid-order")
    desk.click("Back to the desk, to its record")
    desk.see("Online banking was paid.")
    picture(browser, "rehearse")
    desk.open("/publish" + BOAT)
    desk.see("Publish as edition 2")
    picture(browser, "publish")
    phone = {"width": 390, "height": 844, "deviceScaleFactor": 1, "mobile": False}
    browser.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", phone)
    desk.open("/buy" + BOAT)
    desk.see("How would you like to pay?")
    picture(browser, "buyer-phone")
    wide = {**phone, "width": 1280, "height": 800}
    browser.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", wide)
    desk.open("/shop" + BOAT)
    desk.click("demo shop, go to my own")
    desk.see("Which ways to pay should your shop offer?")
    picture(browser, "first-shop")


def main() -> None:
    """Take every picture anew."""
    shutil.rmtree(PICTURES, ignore_errors=True)
    PICTURES.mkdir(parents=True)
    with tempfile.TemporaryDirectory() as folder, serving(Path(folder) / "data") as address:
        browser = open_browser(Path(folder) / "profile", 1280, 800)
        take(Desk(browser, address))
        browser.quit()


if __name__ == "__main__":
    main()
