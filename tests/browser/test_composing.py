"""A checkout is composed in place: to whom, under which heading, with which fee, for every storefront."""

from selenium.webdriver.common.keys import Keys

from tests.browser.desk import Desk

CHART = "/checkout?line=star-chart&amount=42.00"


def add_condition(desk: Desk, tender: str, about: str, value: str) -> None:
    desk.click(f"Add a condition to {tender}")
    desk.click(about)
    desk.until(lambda: desk.all("[cmdk-input]"))
    desk.keys(value, Keys.ENTER)
    desk.until(lambda: not desk.all("[cmdk-input]"))


def choose(desk: Desk, way: str) -> None:
    """Choose a way to pay in the buyer's view."""

    def chosen() -> bool:
        next(label for label in desk.all("aside label") if label.text.startswith(way)).click()
        return True

    desk.until(chosen)


def test_a_wholesale_buyer_sees_what_a_retail_one_does_not(desk: Desk) -> None:
    desk.open(CHART)
    desk.see("Card", "aside")
    add_condition(desk, "Card", "customer group", "wholesale")
    desk.see("Only for Wholesale")
    # The sentence asks what the condition asks.
    desk.see("by any customer")
    desk.pick("Customer group", "as Retail")
    desk.see("only for Wholesale; this buyer is Retail")
    desk.until(lambda: not any(way.startswith("Card") for way in desk.ways()))
    desk.pick("Customer group", "as Wholesale")
    desk.until(lambda: any(way.startswith("Card") for way in desk.ways()))
    assert desk.violations() == []
    # A condition is picked otherwise in place.
    desk.click("Condition of Card: only for Wholesale")
    desk.click("not for", "[role=radio]")
    desk.see("Not for Wholesale")
    assert desk.violations() == []
    desk.keys(Keys.ESCAPE)
    # Taken back by keyboard, and made again.
    desk.chord(Keys.CONTROL, "z")
    desk.see("Only for Wholesale", "main")
    desk.chord(Keys.CONTROL, "z")
    desk.until(lambda: "Only for Wholesale" not in desk.text("main"))
    desk.click("Redo: The conditions of Card change.")
    desk.see("Only for Wholesale", "main")
    # It is still there after the page was closed and opened again.
    desk.open(CHART)
    desk.click("Undo: The conditions of Card change.")
    desk.until(lambda: "Only for Wholesale" not in desk.text("main"))


def test_shared_conditions_change_every_way_to_pay_that_uses_them(desk: Desk) -> None:
    desk.open(CHART)
    add_condition(desk, "Card", "buyer's country", "spain")
    desk.see("Only for buyers in Spain")
    desk.click("Card", "main [data-tender=card] button")
    desk.type_into("Share its conditions under a name, such as Iberia", "Iberia")
    desk.see("Used by Card.")
    desk.click("Add a condition to Bank transfer")
    desk.click("the shared set Iberia")
    desk.see("Used by Card, Bank transfer.")
    desk.click("Condition of Iberia: only for buyers in Spain")
    desk.until(lambda: desk.all("[cmdk-input]"))
    desk.keys("portugal", Keys.ENTER, Keys.ESCAPE)
    desk.see("Only for buyers in Spain or Portugal")
    assert desk.violations() == []
    desk.click("Write into its users: Iberia")
    desk.until(lambda: "Shared conditions" not in desk.text("main"))
    assert desk.text("[data-tender=bank-transfer]").count("Only for buyers in Spain or Portugal") == 1


def test_a_fee_and_a_heading_are_there_for_the_buyer_at_once(desk: Desk) -> None:
    desk.open(f"{CHART}&tender=card")
    desk.type_into("Percent of the order", "1,5 %")
    desk.see("For this order 0.63 EUR on top, 42.63 EUR in all")
    desk.type_into("Percent of the order", "much")
    desk.see("“much” is not a percentage")
    desk.type_into("Percent of the order", "2")
    desk.see("For this order 0.84 EUR on top")
    desk.type_into("What buyers read beside it", "For cards")
    desk.see("For cards", "aside")
    desk.see("Pay 42.84 EUR", "aside")
    desk.click("Add a heading")
    desk.type_into("Name of the heading Heading 1", "Pay now")
    desk.click("Under the heading: without a heading")
    desk.keys("pay now", Keys.ENTER, Keys.ESCAPE)
    desk.see("Pay now", "aside")
    assert desk.violations() == []
    choose(desk, "Online banking")
    desk.see("Pay 42.00 EUR", "aside")
    choose(desk, "Card")
    desk.click("Pay 42.84 EUR", "aside button")
    desk.see("42.84 EUR")


def test_every_storefront_has_a_checkout(desk: Desk) -> None:
    desk.open(CHART)
    desk.click("Storefront: Web shop")
    desk.keys("pier", Keys.ENTER)
    desk.see("Nothing is in your checkout yet.")
    desk.click("Copy everything from Web shop")
    desk.see("Phone or watch", "main")
    assert "storefront=pier-counter" in desk.browser.current_url
    assert desk.violations() == []
    desk.click("Add a way to pay", "main a")
    desk.see("Cash on the day")
    assert "storefront=pier-counter" in desk.browser.current_url


def test_what_an_owner_describes_for_conditions_to_be_about(desk: Desk) -> None:
    desk.open("/shop/delivery")
    desk.see("How each line goes")
    assert desk.violations() == []
    desk.click("Add a customer group")
    desk.type_into("Name of the customer group Members", "Club members")
    desk.click("Add a way of delivery")
    desk.see("How each line goes")
    fees = [field for field in desk.all("input") if field.accessible_name == "Costs its buyer"]
    fees[-1].send_keys("free", Keys.ENTER)
    desk.see("“free” is not money")
    fees[-1].send_keys(Keys.CONTROL, "a")
    fees[-1].send_keys("2,50", Keys.ENTER)
    desk.until(lambda: fees[-1].get_attribute("value") == "2.50 EUR")
    desk.type_into("Postcodes in Spain begin with, between commas", "07, 35*")
    desk.see("“35*” is not the beginning of a postcode")
    desk.type_into("Postcodes in Spain begin with, between commas", "07, 35")
    desk.open(CHART)
    add_condition(desk, "Card", "area", "islands")
    desk.see("Only for Islands")
    desk.open("/shop/delivery")
    desk.click("Remove the area Islands")
    desk.see("stands in the conditions of Card")
