"""Coverage is looked at, a gap is found and ended from its finding, and a change asks before it takes away."""

from selenium.webdriver.common.keys import Keys
from selenium.webdriver.remote.webelement import WebElement

from tests.browser.desk import Desk, as_new

COVERAGE = "/coverage?market=pt-eur&line=star-chart&amount=42.00&currency=EUR"


def cell(desk: Desk, line: str, place: str, ways: str) -> WebElement:
    """The first cell of a line in a market that says so many ways."""

    def found() -> WebElement:
        return next(
            one
            for one in desk.all("[data-cell]")
            if (name := one.accessible_name).startswith(f"{line}, {place}") and ways in name
        )

    return desk.until(found)  # type: ignore[no-any-return]


def test_a_gap_appears_is_found_ended_from_its_finding_and_undone(desk: Desk) -> None:
    desk.open("/checkout?market=gb-gbp&line=sky-maps&amount=9.00&currency=GBP")
    desk.see("Card", "aside")
    # A limit that is lowered makes a dead end, and the checkout says so in a line.
    handle = desk.named("Card: offered up to", "[role=slider]")
    handle.send_keys(Keys.PAGE_DOWN, Keys.PAGE_DOWN, Keys.PAGE_DOWN, Keys.PAGE_DOWN)
    desk.see("Your last change: Nobody", "main")
    assert "Nobody in the United Kingdom can pay any more" in desk.text("main")
    assert desk.violations() == []
    desk.click("Look at who can pay")
    desk.see("Who can pay, and how")
    desk.see("Nobody in", "[data-kind=dead-end]")
    assert desk.violations() == []
    # The fix is looked at first; the grid is as it would be.
    desk.click("Offer Card without an upper limit")
    desk.see("This is how it would be; nothing is changed yet.")
    desk.until(lambda: not desk.all("[data-kind=dead-end]"))
    desk.see("Card is then offered for")
    assert desk.violations() == []
    desk.click("Leave it")
    desk.until(lambda: desk.all("[data-kind=dead-end]"))
    desk.click("Offer Card without an upper limit")
    desk.click("Make this change")
    desk.see("Done: Offer Card without an upper limit.")
    desk.until(lambda: not desk.all("[data-kind=dead-end]"))
    desk.until(lambda: not desk.all("section[aria-label='A change that is looked at']"))
    # Undone by keyboard, it is there again.
    desk.chord(Keys.CONTROL, "z")
    desk.until(lambda: desk.all("[data-kind=dead-end]"))


def test_an_outage_of_one_provider_is_looked_at_by_keyboard(desk: Desk) -> None:
    desk.open(COVERAGE)
    cell(desk, "Printable sky maps", "United Kingdom", "only Card")
    desk.pick("Accounts", "without Orlenta")
    gap = cell(desk, "Printable sky maps", "United Kingdom", "nobody can pay")
    desk.see("Nobody in", "[data-kind=dead-end]")
    # From cell to cell by arrows, and the order comes into hand and into the buyer's view.
    first = desk.one("[data-cell][tabindex='0']")
    desk.browser.execute_script("arguments[0].focus()", first)
    desk.keys(Keys.ARROW_RIGHT, Keys.ARROW_DOWN, Keys.ARROW_LEFT)
    assert desk.browser.switch_to.active_element.get_attribute("data-cell") is not None
    desk.browser.execute_script("arguments[0].focus()", gap)
    desk.keys(Keys.ENTER)
    desk.see("What this buyer sees, draft")
    desk.until(lambda: "Printable sky maps" in desk.text("section[aria-label='The order in hand']"))
    desk.until(lambda: "market=gb-gbp" in desk.browser.current_url)
    assert desk.violations() == []
    # The whole is in the address, and a table says the same.
    desk.open(desk.browser.current_url.removeprefix(desk.address))
    cell(desk, "Printable sky maps", "United Kingdom", "nobody can pay")
    desk.click("The same as a table")
    desk.see("at any amount: nobody can pay", "table")
    assert desk.violations() == []
    desk.pick("Accounts", "accounts as they are")
    desk.see("only Card", "table")


def test_a_change_of_currency_asks_first_and_back_restores(desk: Desk) -> None:
    desk.open("/shop")
    desk.pick("Currency of pt-eur", "GBP Pound Sterling")
    desk.see("This takes ways to pay away from some orders", "[role=alertdialog]")
    told = desk.text("[role=alertdialog]")
    assert "Online banking is no longer offered" in told
    assert "Bank transfer is no longer offered" in told
    assert desk.violations() == []
    desk.click("Leave it as it is")
    desk.until(lambda: not desk.all("[role=alertdialog]"))
    desk.until(lambda: desk.named("Currency of pt-eur").text.startswith("EUR"))
    desk.pick("Currency of pt-eur", "GBP Pound Sterling")
    desk.click("Change it", "[role=alertdialog] button")
    desk.until(lambda: desk.named("Currency of pt-eur").text.startswith("GBP"))
    desk.open("/coverage")
    desk.see("Portugal and United Kingdom, GBP")
    desk.open("/shop")
    # A change that gives something back asks nothing.
    desk.pick("Currency of pt-eur", "EUR Euro")
    desk.until(lambda: desk.named("Currency of pt-eur").text.startswith("EUR"))
    desk.open("/coverage")
    desk.see("Portugal and Spain, EUR")


def test_leaving_an_account_tells_the_orders_that_lose_a_way(desk: Desk) -> None:
    desk.open("/accounts/orlenta")
    desk.click("Disconnect")
    desk.see("Card is no longer offered", "[role=alertdialog]")
    assert desk.violations() == []
    desk.click("Keep it")


def test_the_grid_stands_on_a_phone(desk: Desk) -> None:
    as_new(desk.browser, 390, 844)
    desk.open(COVERAGE)
    cell(desk, "Dark-sky club", "Portugal and Spain", "only Card")
    wide = desk.browser.execute_script("return document.documentElement.scrollWidth")
    assert wide <= 390
    assert desk.violations() == []
