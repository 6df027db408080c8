"""Shares of buyers and the best set for them, into the checkout and back."""

from selenium.webdriver.common.keys import Keys

from tests.browser.desk import BOAT, Desk


def test_from_what_buyers_pay_with_to_the_best_set_in_the_checkout_and_back(desk: Desk) -> None:
    desk.open("/shop/buyers" + BOAT)
    desk.see("a first guess: common practice, no source")
    desk.see("find no way that they take")
    assert desk.violations() == []
    desk.type_into("Share of Card", "130")
    desk.see("130 is over a hundred")
    desk.type_into("Share of Card", "60")
    desk.see("typed by you")
    assert desk.named("Share of Phone or watch", "input").get_attribute("value") == "15.6"
    slider = desk.named("Share of Card in the bar", "[role=slider]")
    slider.send_keys(Keys.ARROW_RIGHT)
    desk.until(lambda: desk.named("Share of Card", "input").get_attribute("value") == "61")
    desk.pick("Another country", "Spain")
    desk.see("Take away what is typed of ")
    desk.click("The best set for these buyers", "a")
    desk.see("proven: no other set leaves more")
    desk.see("Put it in the checkout")
    assert desk.violations() == []
    desk.click("Put it in the checkout")
    desk.see("Without an account yet, so not switched on: Account wallet (Pocketfern)")
    desk.see("Tessaline", "aside, main")
    desk.click("Undo")
    desk.see("Your checkout as it stands leaves")
