"""Take the pictures in docs/screenshots: a fresh demo shop, a real browser, one picture of each main view."""

import io
import shutil
import tempfile
from pathlib import Path
from time import sleep

from PIL import Image
from selenium.webdriver.remote.webdriver import WebDriver
from tests.browser.desk import BOAT, Desk, as_new, open_browser, paste
from tests.browser.server import serving

PICTURES = Path(__file__).parent.parent / "docs" / "screenshots"
SETTLED = 0.5
# Between two phones, in pixels.
APART = 24
CHART = "?market=es-eur&line=star-chart&amount=85.00&currency=EUR"


def picture(browser: WebDriver, name: str) -> None:
    """Take a picture once the page stands still."""
    sleep(SETTLED)
    browser.save_screenshot(str(PICTURES / f"{name}.png"))


PAST = """Order no;Date;Total;Currency;Country;Product;Paid with;Status
CN-2041;03.10.2026;85,00;EUR;Spain;Night boat tour;Debit card;Completed
CN-2042;03.10.2026;170,00;EUR;Portugal;Night boat tour;Credit card;Completed
CN-2043;04.10.2026;42,00;GBP;Reino Unido;Star chart and red-light lamp;Bank transfer;Refunded
CN-2044;04.10.2026;eighty;EUR;Spain;Night boat tour;Cash;Completed
CN-2045;31.02.2026;85,00;EUR;Spain;Night boat tour;Cash;Completed
CN-2046;06.10.2026;9,00;EUR;Germany;Printable sky maps;Wallet;Completed
CN-2047;06.10.2026;0,00;EUR;Portugal;Printable sky maps;Cash;Cancelled
CN-2048;07.10.2026;12,00;EUR;Portugal;Dark-sky club;Debit card;Completed
"""


PRICES = """Standard plan
EEA consumer cards 1.5% + €0.25
EEA business cards 1.9% + €0.25
All other cards 3.25% + €0.25
Currency conversion 2%
Large volumes: from 1.2%, talk to us
SEPA Direct Debit €0.35
Disputes €15, refunded if you win
Payouts weekly, on Mondays
"""


def top(desk: Desk, css: str) -> None:
    """Bring an element to the top of the window."""
    desk.browser.execute_script("arguments[0].scrollIntoView()", desk.one(css))


def compare(desk: Desk) -> None:
    """The views of Compare, and the month that they rest on."""
    browser = desk.browser
    desk.open("/compare" + BOAT)
    desk.until(lambda: desk.all("svg [role=slider]"))
    picture(browser, "compare")
    desk.open("/compare/best" + BOAT)
    desk.see("Put it in the checkout")
    picture(browser, "best-set")
    desk.open("/shop/buyers" + BOAT)
    desk.see("find no way that they take")
    picture(browser, "buyers")
    desk.open("/compare/catalogue" + BOAT)
    desk.type_into("Your question", "Who carries bank debits for recurring memberships in euro?")
    desk.see("2 found")
    picture(browser, "catalogue")
    desk.open("/shop/orders" + BOAT)
    desk.see("Past orders from a file")
    with tempfile.TemporaryDirectory() as folder:
        file = Path(folder) / "orders.csv"
        file.write_text(PAST, "utf-8")
        desk.one("input[type=file]").send_keys(str(file))
        desk.see("The first rows as they are understood")
    top(desk, "#import")
    picture(browser, "past-orders")


def coverage(desk: Desk) -> None:
    """Tells who can pay and how."""
    desk.open("/coverage?market=gb-gbp&line=sky-maps&amount=9.00&currency=GBP")
    desk.see("Offer Card without an upper limit")
    picture(desk.browser, "coverage")


def accounts(desk: Desk) -> None:
    """A sheet."""
    desk.open("/accounts/brixavo" + BOAT)
    desk.see("What it would bring you")
    picture(desk.browser, "accounts")


def long_story(desk: Desk) -> None:
    """An order that was declined, authorised another time, sent and taken in two parts, and refunded in part."""
    desk.open("/checkout" + CHART + "&tender=card")
    desk.pick("When Card is taken", "when goods go out, as much as goes")
    desk.click("Pay €85.00", "aside button")
    desk.click("Declined: refused by the bank")
    desk.click("Pay €85.00", "button")
    desk.click("Paid")
    desk.click("Back to the desk, to its record")
    worth = "Worth of the goods that go out, EUR"
    desk.until(lambda: desk.named(worth, "input").get_attribute("value") == "85.00")
    desk.type_into(worth, "42.00", "")
    desk.click("They went out")
    desk.see("42.00 EUR was taken.")
    desk.click("They went out")
    desk.see("43.00 EUR was taken.")
    desk.type_into("Amount to give back, EUR", "20.00", "")
    desk.click("Refund it")
    desk.see("20.00 EUR was refunded by Card.")
    top(desk, "#record")
    picture(desk.browser, "order-record")


COMPOSED = """
const done = arguments[arguments.length - 1], at = "/api/checkouts/web-shop";
const parts = {
  card: {conditions: [{fact: "country", only: ["PT", "ES"]}],
         fee: {percent: "1.5", fixed: "0.10 EUR", networks: {borealis: {percent: "2"}}}},
  "bank-transfer": {heading: "later", fee: {percent: "-1"},
                    conditions: [{fact: "delivery", not: ["courier"]}, {fact: "customer_group", only: ["wholesale"]}]},
  instalments: {heading: "later", shared: ["iberia"]},
};
fetch(at).then((answer) => answer.json()).then((held) => fetch(at, {
  method: "PUT", headers: {"Content-Type": "application/json"}, body: JSON.stringify({
    version: held.version,
    tenders: held.tenders.map((tender) => ({...tender, ...parts[tender.id]})),
    headings: [{id: "later", name: {en: "Pay later"}}],
    shared_conditions: [{id: "iberia", name: "Iberia", conditions: [
      {fact: "country", only: ["PT", "ES"]}, {fact: "kind", not: ["membership"]}]}],
  })})).then((answer) => done(answer.status));
"""


def compose(desk: Desk) -> None:
    """A checkout with conditions, a heading, a shared set and fees, as an owner has it after a while."""
    assert desk.browser.execute_async_script(COMPOSED) == 200


def seen_on(desk: Desk, width: int, height: int) -> None:
    """Look through a window of a size."""
    size = {"width": width, "height": height, "deviceScaleFactor": 1, "mobile": False}
    desk.browser.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", size)


def rehearsed(desk: Desk) -> None:
    """The grid after everything was played, and one cell of it."""
    desk.open("/rehearse" + BOAT)
    desk.click("Play all")
    desk.see("Playing:", "main")
    desk.until(lambda: "Playing:" not in desk.text("main") and desk.all("[data-standing=passed]"), 120)
    picture(desk.browser, "rehearse")
    desk.click("Card, refunded in part: passed")
    desk.see("Everything came as it should.")
    top(desk, "[aria-label='The cell that is opened']")
    picture(desk.browser, "rehearsed-case")


def editions(desk: Desk) -> None:
    """The list before real buyers, an edition with a note, and an earlier one again."""
    desk.open("/publish" + BOAT)
    desk.see("Publish as edition 2")
    desk.until(lambda: desk.all("[data-weight=warns]"))
    top(desk, "#ready")
    picture(desk.browser, "publish")
    desk.type_into("A note on it, for you", "fees and conditions for the season", end="")
    desk.click("Publish as edition 2")
    desk.see("Nothing differs. Buyers see what you see.")
    desk.click("Go back to edition 1")
    desk.click("Go back to edition 1", "[role=alertdialog] button")
    desk.see("Edition 1 again")
    top(desk, "#editions")
    picture(desk.browser, "editions")
    desk.open("/publish" + BOAT)
    desk.click("Publish as edition 4")
    desk.see("Nothing differs. Buyers see what you see.")


ISSUED = """
const done = arguments[arguments.length - 1];
fetch("/api/vouchers", {method: "POST", headers: {"Content-Type": "application/json"},
  body: JSON.stringify({amount: "20.00 EUR"})}).then((answer) => answer.json()).then((told) => done(told.code));
"""


def side_by_side(shots: list[bytes], name: str) -> None:
    """One picture of several phones, a little apart."""
    phones = [Image.open(io.BytesIO(shot)).convert("RGB") for shot in shots]
    width, height = phones[0].size
    whole = Image.new("RGB", ((width + APART) * len(phones) - APART, height), "white")
    for place, phone in enumerate(phones):
        whole.paste(phone, (place * (width + APART), 0))
    whole.save(PICTURES / f"{name}.png", optimize=True)


def buyer_pays_with_a_voucher(desk: Desk) -> None:
    """On a phone: a line, the cart, and the checkout, where a voucher pays a part and a fee comes on top."""
    code = desk.browser.execute_async_script(ISSUED)
    seen_on(desk, 390, 844)
    desk.open("/buy/demo/lines/night-boat-tour?market=es-eur")
    desk.see("3 parts")
    sleep(SETTLED)
    shots = [desk.browser.get_screenshot_as_png()]
    desk.click("Add to the cart", "button")
    desk.see("Take it out")
    desk.click("Star chart and red-light lamp", "a")
    desk.click("Add to the cart", "button")
    desk.see("€127.00")
    sleep(SETTLED)
    shots.append(desk.browser.get_screenshot_as_png())
    desk.click("Go on to the checkout", "a")
    desk.click("Collected at the pier", "input[type=radio]", exact=False)
    desk.click("Voucher or shop credit", "summary")
    desk.type_into("Code", code)
    desk.see("is left on it")
    top(desk, "main section:nth-of-type(2)")
    sleep(SETTLED)
    shots.append(desk.browser.get_screenshot_as_png())
    side_by_side(shots, "buyer-phone")
    seen_on(desk, 1280, 800)


def new_shop(desk: Desk) -> None:
    """The first five minutes of a shop of one's own: what to decide next, and a price list that is pasted."""
    desk.type_into("Trading name", "Lume Ceramics", "")
    desk.type_into("First line: what you sell", "Ceramic bowl", "")
    desk.type_into("Usual amount, in EUR", "38")
    desk.see("Your shop")
    desk.open("/")
    desk.see("What to decide next")
    picture(desk.browser, "what-next")
    desk.click("Type or paste the prices of one", "a")
    desk.type_into("Provider", "Larkhithe", "")
    desk.pick("Kind of card", "consumer debit")
    paste(desk, PRICES)
    desk.see("1 of 9 lines is left out.")
    picture(desk.browser, "price-text")


def take(desk: Desk) -> None:
    """Walk the views and take each one's picture."""
    browser = desk.browser
    desk.open("/shop" + BOAT)
    desk.see("Your shop")
    picture(browser, "shop")
    compare(desk)
    accounts(desk)
    desk.open("/shop/delivery" + BOAT)
    desk.see("How each line goes")
    picture(browser, "delivery")
    coverage(desk)
    long_story(desk)
    compose(desk)
    desk.open("/checkout" + CHART + "&delivery=pier&customer_group=wholesale")
    desk.see("offered first")
    desk.see("EUR a month")
    picture(browser, "checkout")
    desk.open("/checkout/words" + BOAT + "&tender=bank-transfer&beside=de")
    desk.see("After the order, in English")
    picture(browser, "words")
    rehearsed(desk)
    editions(desk)
    buyer_pays_with_a_voucher(desk)
    desk.open("/shop" + BOAT)
    desk.click("demo shop, go to my own")
    desk.see("Which ways to pay should your shop offer?")
    new_shop(desk)


def main() -> None:
    """Take every picture anew."""
    shutil.rmtree(PICTURES, ignore_errors=True)
    PICTURES.mkdir(parents=True)
    with tempfile.TemporaryDirectory() as folder, serving(Path(folder) / "data") as address:
        browser = open_browser(Path(folder) / "profile")
        as_new(browser, 1280, 800)
        take(Desk(browser, address))
        browser.quit()


if __name__ == "__main__":
    main()
