"""The same path without a mouse: every step by Tab, arrows, Enter and the keys of the desk."""

from selenium.webdriver.common.keys import Keys

from tests.browser.desk import BOAT, Desk


def test_from_a_priced_route_to_a_buyer_who_pays_by_keyboard(desk: Desk) -> None:
    desk.open("/shop")
    desk.see("Your shop")

    # The shop: a line's amount is typed and kept; a switch is turned.
    desk.tab_to("Usual amount of Night boat tour")
    desk.chord(Keys.CONTROL, "a")
    desk.keys("95.00 EUR", Keys.ENTER)
    desk.until(
        lambda: desk.named("Usual amount of Night boat tour", "input").get_attribute("value") == "95.00 EUR"
    )

    # The order sentence, from anywhere by one key.
    desk.tab_to("Night boat tour repeats every month")
    desk.keys("/")
    assert desk.browser.switch_to.active_element.accessible_name == "Market of the buyer"
    desk.keys(Keys.ENTER)
    desk.until(lambda: desk.all("[role=option]"))
    desk.keys("Spa")
    desk.until(lambda: desk.browser.switch_to.active_element.text.startswith("Spain"))
    desk.keys(Keys.ENTER)
    desk.until(lambda: "market=es-eur" in desk.browser.current_url)
    desk.tab_to("Amount of the order")
    desk.chord(Keys.CONTROL, "a")
    desk.keys("85", Keys.ENTER)
    desk.until(lambda: "amount=85" in desk.browser.current_url)
    desk.keys(Keys.TAB, "?")
    desk.see("By keyboard")
    assert desk.violations() == []
    desk.keys(Keys.ESCAPE)

    # Anything by name: another line, then back.
    desk.until(lambda: not desk.all("[role=dialog]"))
    desk.chord(Keys.CONTROL, "k")
    desk.until(lambda: desk.all("[cmdk-input]"))
    assert desk.violations() == []
    desk.keys("sky maps", Keys.ENTER)
    desk.until(lambda: "line=sky-maps" in desk.browser.current_url)
    desk.chord(Keys.CONTROL, "k")
    desk.until(lambda: desk.all("[cmdk-input]"))
    desk.keys("boat", Keys.ENTER)
    desk.until(lambda: "amount=95.00" in desk.browser.current_url)
    desk.tab_to("Amount of the order")
    desk.chord(Keys.CONTROL, "a")
    desk.keys("85", Keys.ENTER, Keys.TAB)
    desk.until(lambda: "amount=85" in desk.browser.current_url)

    # To the next stage; a fee is opened, a route is added.
    desk.until(lambda: not desk.all("[role=dialog]"))
    desk.keys("]")
    desk.see("What each way costs")
    desk.tab_to("How the cost of SEPA direct debit, Brixavo came about")
    desk.keys(Keys.ENTER)
    desk.see("Rate debit on Brixavo's card")
    desk.tab_to("How the cost of Card, Tessaline came about")
    desk.keys(Keys.ENTER)
    desk.tab_to("Add to checkout: Card, Tessaline")
    desk.keys(Keys.ENTER)
    desk.see("Card (Tessaline) is in your checkout, switched off.")

    # Checkout: on, named, limited, moved.
    desk.keys("]")
    desk.see("in test mode: no money moves")
    desk.keys("]")
    desk.see("Ways to pay")
    desk.tab_to("Card (Tessaline) switched on")
    desk.keys(Keys.SPACE)
    desk.until(lambda: "Card (Tessaline)" in desk.ways())
    for _ in range(8):
        desk.chord(Keys.ALT, Keys.ARROW_UP)
    desk.until(lambda: desk.tenders()[0] == "card-2")
    desk.until(lambda: desk.ways()[0] == "Card (Tessaline)")
    desk.tab_to("Card (Tessaline): offered up to")
    desk.keys(*[Keys.PAGE_DOWN] * 20)
    desk.see("this order is 85.00 EUR")
    desk.keys(Keys.END)
    desk.until(lambda: desk.ways()[0] == "Card (Tessaline)")
    desk.tab_to("Card (Tessaline)", back=True, exact=True)
    desk.keys(Keys.ENTER)
    field = desk.tab_to("Name that buyers see")
    desk.chord(Keys.CONTROL, "a")
    desk.keys("Debit card", Keys.ENTER)
    desk.until(lambda: desk.ways()[0] == "Debit card")
    assert field.get_attribute("value") == "Debit card"

    # Moved by the handle as well: space lifts it, arrows carry it, space drops it.
    desk.tab_to("Move Online banking")
    desk.keys(Keys.SPACE)
    desk.until(lambda: desk.all("[aria-pressed=true]"))
    desk.keys(Keys.ARROW_UP)
    desk.until(lambda: "moved over" in (desk.one("[aria-live=assertive]").get_attribute("textContent") or ""))
    desk.stands_still("[data-tender=online-banking]")
    desk.keys(Keys.SPACE)
    desk.until(lambda: desk.tenders()[1] == "online-banking")
    # The buyer's view follows; a choice made before it does would be made anew.
    desk.until(lambda: desk.ways()[:2] == ["Debit card", "Online banking"])

    # The buyer chooses and pays.
    while desk.browser.switch_to.active_element.get_attribute("type") != "radio":
        desk.keys(Keys.TAB)

    def online_banking_chosen() -> bool:
        if desk.one("aside input[type=radio]:checked").accessible_name == "Online banking":
            return True
        desk.keys(Keys.ARROW_DOWN)
        return False

    desk.until(online_banking_chosen)
    desk.tab_to("Pay €85")
    desk.keys(Keys.ENTER)
    desk.see("Brixavo: pay 85.00 EUR")
    desk.tab_to("Paid")
    desk.keys(Keys.ENTER)
    desk.see("You paid €85.00 by Online banking")
    desk.tab_to("Back to the desk")
    desk.keys(Keys.ENTER)
    desk.see("was paid by Online banking.")

    # Published.
    desk.keys("]")
    desk.see("Debit card is added, switched on.")
    desk.tab_to("Publish as edition 2")
    desk.keys(Keys.ENTER)
    desk.see("edition 2 is published")
    desk.open("/buy/demo" + BOAT)
    desk.until(lambda: desk.ways()[0] == "Debit card")
