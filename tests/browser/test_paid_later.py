"""A deposit with the rest on the day, weighed goods, and a cart: from the desk to the phone and back, by keyboard."""

from selenium.webdriver.common.keys import Keys

from tests.browser.desk import BOAT, Desk, as_new

PHONE = (390, 844)


def published(desk: Desk) -> None:
    """Publish what differs, by keyboard."""
    desk.open(f"/publish{BOAT}")
    desk.see("Publish as edition 2")
    assert desk.violations() == []
    desk.tab_to("Publish as edition 2").send_keys(Keys.ENTER)
    desk.see("Nothing differs. Buyers see what you see.")


def pays(desk: Desk, pay: str) -> str:
    """Pay by card on the page of its provider, and give back where the page of the order lies."""
    desk.tab_to(pay).send_keys(Keys.ENTER)
    desk.see("Declined: not enough money")
    desk.tab_to("Paid").send_keys(Keys.ENTER)
    desk.see("1001")
    assert desk.violations() == []
    return desk.browser.current_url


def test_a_deposit_is_paid_at_booking_and_the_rest_on_the_day(desk: Desk) -> None:
    desk.open(f"/shop{BOAT}")
    desk.tab_to("When Night boat tour is paid").send_keys(Keys.ENTER)
    desk.keys("a share", Keys.ENTER)
    # A deposit is due at booking, and cash at the pier comes on the day.
    desk.see("Cash at the pier is no longer offered for Night boat tour")
    desk.click("Change it", "button")
    field = desk.named("Deposit in % of Night boat tour", "input")
    desk.until(lambda: field.get_property("value") == "25")
    desk.tab_to("Deposit in % of Night boat tour").send_keys(Keys.CONTROL, "a")
    desk.keys("130", Keys.ENTER)
    desk.see("130")
    desk.until(lambda: field.get_attribute("aria-invalid") == "true")
    assert desk.violations() == []
    desk.type_into("Deposit in % of Night boat tour", "30")
    desk.see("59.50 EUR of it is paid on the day, all else now.")
    desk.see("Pay €25.50", "aside")
    published(desk)
    as_new(desk.browser, *PHONE)
    desk.open("/buy/demo/lines/night-boat-tour?market=es-eur&language=de")
    desk.see("bei der Buchung, 59,50")
    assert desk.violations() == []
    desk.tab_to("Bestellen").send_keys(Keys.ENTER)
    desk.see("Am Tag selbst zu zahlen")
    assert desk.violations() == []
    link = pays(desk, "25,50")
    desk.see("Danke. Ihre Anzahlung ist bezahlt")
    desk.see("Der Rest, 59,50\u00a0€, wird am Tag selbst bezahlt.")
    as_new(desk.browser, 1280, 800)
    desk.open(f"/rehearse{BOAT}&order={link.rpartition('/')[2]}")
    desk.see("deposit paid")
    desk.see("The buyer pays the rest of 59.50 EUR on the day")
    assert desk.violations() == []
    desk.tab_to("The rest of 59.50 EUR was paid on the day").send_keys(Keys.ENTER)
    desk.see("Nothing is due on this order.")
    # Given back whole, each part goes where it came from.
    desk.until(lambda: desk.named("Amount to give back, EUR", "input").get_attribute("value") == "85.00")
    desk.tab_to("Refund it").send_keys(Keys.ENTER)
    desk.see("59.50 EUR was refunded by")
    desk.see("25.50 EUR was refunded by Card.")
    desk.browser.get(link)
    desk.see("Ihre Zahlung kommt zurück")
    assert desk.violations() == []


def test_weighed_goods_are_authorised_sent_and_taken_for_what_they_came_to(desk: Desk) -> None:
    desk.open(f"/shop{BOAT}")
    desk.tab_to("Weighed goods").send_keys(Keys.ENTER)
    desk.until(lambda: desk.all("[cmdk-input]"))
    desk.keys("star", Keys.ENTER)
    desk.see("Cash at the pier is no longer offered for “Star chart and red-light lamp”")
    assert desk.violations() == []
    desk.tab_to("Change it").send_keys(Keys.ENTER)
    desk.see("That much is authorised.")
    desk.type_into("At most, Star chart and red-light lamp", "40")
    desk.see("42.00 EUR")
    field = desk.named("At most, Star chart and red-light lamp", "input")
    desk.until(lambda: field.get_attribute("aria-invalid") == "true")
    assert desk.violations() == []
    desk.type_into("At most, Star chart and red-light lamp", "48")
    desk.until(lambda: field.get_property("value") == "48.00 EUR")
    desk.open("/checkout?market=es-eur&line=star-chart&delivery=pier")
    desk.see("for at most")
    desk.see("takes the money at once; what this order comes to is known only when it goes out")
    assert desk.ways() == ["Card"]
    published(desk)
    as_new(desk.browser, *PHONE)
    desk.open("/buy/demo?line=star-chart&market=es-eur&delivery=pier")
    desk.see("at most €48.00")
    link = pays(desk, "Pay at most €48.00")
    desk.see("Thank you. Your payment is secured")
    as_new(desk.browser, 1280, 800)
    desk.open(f"/rehearse{BOAT}&order={link.rpartition('/')[2]}")
    desk.see("You send the goods and say what they came to, 48.00 EUR at the most")
    label = "What the goods came to, without the delivery, EUR"
    desk.type_into(label, "50", "")
    desk.tab_to("They went out").send_keys(Keys.ENTER)
    desk.see("48.00 EUR")
    desk.see("50.00 EUR", "[role=alert]")
    assert desk.named(label, "input").get_attribute("value") == "50"
    assert desk.violations() == []
    desk.type_into(label, "43,20", "")
    desk.tab_to("They went out").send_keys(Keys.ENTER)
    desk.see("The goods came to 43.20 EUR and went out")
    desk.see("4.80 EUR was released to the buyer.")
    desk.see("Nothing is due on this order.")
    desk.browser.get(link)
    desk.see("It came to €43.20, with €48.00 at the most")
    assert desk.violations() == []


def test_a_cart_is_filled_changed_and_ordered_on_a_phone(desk: Desk) -> None:
    as_new(desk.browser, *PHONE)
    desk.open("/buy/demo/lines/star-chart?market=es-eur")
    desk.see("What else there is")
    assert desk.violations() == []
    desk.tab_to("Add to the cart").send_keys(Keys.ENTER)
    desk.see("Take it out")
    assert desk.browser.current_url.endswith(
        "/buy/demo/cart?market=es-eur&currency=EUR&storefront=web-shop&language=en"
    )
    desk.tab_to("One more: Star chart").send_keys(Keys.ENTER)
    desk.see("€84.00")
    desk.see("3 parts of €28.00")
    # A line that is ordered by itself says so, and is taken out again.
    desk.tab_to("Dark-sky club").send_keys(Keys.ENTER)
    desk.see("To pay each month")
    assert "Add to the cart" not in desk.texts("button")
    desk.tab_to("Night boat tour").send_keys(Keys.ENTER)
    desk.see("3 parts: €28.34 first, then €28.33 each")
    desk.tab_to("Add to the cart").send_keys(Keys.ENTER)
    desk.see("€169.00")
    assert desk.violations() == []
    desk.tab_to("Go on to the checkout").send_keys(Keys.ENTER)
    desk.see("How shall it reach you?")
    desk.click("Collected at the pier", "input[type=radio]", exact=False)
    desk.see("Pay €169.00")
    assert desk.violations() == []
    pays(desk, "Pay €169.00")
    desk.see("Star chart and red-light lamp and 1 more")
    # An ordered line is in the cart no more.
    desk.open("/buy/demo/cart?market=es-eur")
    desk.see("Your cart is empty.")
    assert desk.violations() == []
    # Beside the work the owner sees the same pages of the draft.
    as_new(desk.browser, 1280, 800)
    desk.open(f"/checkout{BOAT}")
    desk.see("offered first")
    desk.tab_to("Page").send_keys("of")
    desk.see("Add to the cart", "aside")
    desk.see("3 parts: €28.34 first, then €28.33 each", "aside")
    assert desk.violations() == []
    desk.tab_to("Add to the cart").send_keys(Keys.ENTER)
    desk.see("Go on to the checkout", "aside")
    assert desk.violations() == []
