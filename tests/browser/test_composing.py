"""A checkout is composed in place: to whom, under which heading, with which fee, for every storefront."""

import json
from pathlib import Path

import pytest
from selenium.webdriver.common.keys import Keys

from tests.browser.desk import Desk
from tests.conftest import DATA

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
    desk.click("Redo: ", "button", exact=False)
    desk.see("Only for Wholesale", "main")
    # It is still there after the page was closed and opened again.
    desk.open(CHART)
    desk.click("Undo: ", "button", exact=False)
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
    # The impact stands there before anything changes.
    desk.see("Of the orders of your month, Card gains")
    assert desk.text("[data-tender=card]").count("Only for buyers in Spain or Portugal") == 0
    assert desk.violations() == []
    desk.click("Leave it as it is")
    desk.until(lambda: "Of the orders of your month" not in desk.text("main"))
    desk.click("Condition of Iberia: only for buyers in Spain")
    desk.until(lambda: desk.all("[cmdk-input]"))
    desk.keys("portugal", Keys.ENTER, Keys.ESCAPE)
    desk.click("Change it for Card and Bank transfer")
    desk.see("Only for buyers in Spain or Portugal")
    assert desk.violations() == []
    desk.click("Write into its users: Iberia")
    desk.until(lambda: "Shared conditions" not in desk.text("main"))
    desk.see("Only for buyers in Spain or Portugal", "[data-tender=bank-transfer]")
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
    desk.see("Pay €42.84", "aside")
    desk.click("Add a heading")
    desk.type_into("Name of the heading Heading 1", "Pay now")
    desk.click("Under the heading: without a heading")
    desk.keys("pay now", Keys.ENTER, Keys.ESCAPE)
    desk.see("Pay now", "aside")
    assert desk.violations() == []
    choose(desk, "Online banking")
    desk.see("Pay €42.00", "aside")
    choose(desk, "Card")
    desk.click("Pay €42.84", "aside button")
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
    desk.click("Add a way to pay", "main button")
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

    def last_costs() -> bool:
        [button for button in desk.all("main button") if button.text == "It costs something"][-1].click()
        return True

    desk.until(last_costs)
    desk.until(
        lambda: len([field for field in desk.all("input") if field.accessible_name == "Costs its buyer"]) > 3
    )
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


def test_delivery_changes_what_a_buyer_pays_and_a_town_is_priced(desk: Desk) -> None:
    desk.open("/checkout?line=star-chart&market=pt-eur")
    desk.pick("Way of delivery", "by Courier")
    desk.see("depends on the postcode, the town or the country", "aside")
    desk.type_into("Postcode of the buyer", "1000-001")
    desk.see("Pay €46.00", "aside")
    desk.see("€4.00", "aside")
    # The goods stay when another way is picked.
    desk.pick("Way of delivery", "Collected at the pier")
    desk.see("Pay €42.00", "aside")
    assert "amount=42.00" in desk.browser.current_url
    assert desk.violations() == []
    desk.open("/shop/delivery")
    desk.click("Countries of which a part is in Islands: Portugal, Spain")
    desk.until(lambda: desk.all("[cmdk-input]"))
    desk.keys("france", Keys.ENTER, Keys.ESCAPE)
    desk.see("Towns in France, between commas")
    around = desk.until(
        lambda: [field for field in desk.all("input") if field.accessible_name == "Or all towns around"]
    )
    around[0].send_keys("Atlantis", Keys.ENTER)
    desk.see("“Atlantis” is no town in the table of towns of this country")
    around[0].send_keys(Keys.CONTROL, "a")
    around[0].send_keys("Sagres", Keys.ENTER)
    desk.see("towns within 20 km of Sagres are in it")
    towns = desk.named("Towns in Portugal, between commas", "textarea")
    desk.until(lambda: "Vila do Bispo" in (towns.get_attribute("value") or ""))
    desk.click("Add a group of countries to Islands: a group of countries at once")
    desk.until(lambda: desk.all("[cmdk-input]"))
    desk.keys("benelux", Keys.ENTER)
    desk.see("Belgium, Luxembourg, Netherlands")
    assert desk.violations() == []
    # Behind the fold.
    desk.one("details summary").click()
    desk.type_into("Open days to make it ready", "soon")
    desk.see("soon")
    desk.type_into("Open days to make it ready", "2")
    desk.see("ready after 2 open days")
    assert desk.violations() == []


def test_a_buyer_chooses_how_it_comes_by_keyboard(desk: Desk) -> None:
    desk.open("/buy/demo?line=star-chart&market=es-eur")
    desk.see("How shall it reach you?")
    assert desk.violations() == []
    desk.tab_to("Postcode")
    desk.keys("28001", Keys.TAB)
    desk.see("Pay €46.00")
    desk.click("Pay €46.00", "button")
    desk.see("Courier needs an address.")
    desk.tab_to("Courier", back=True)
    desk.keys(Keys.ARROW_DOWN)
    desk.see("Pay €42.00")
    assert "delivery=pier" in desk.browser.current_url
    desk.see("17:00 to 19:30")
    assert desk.violations() == []
    desk.tab_to("Pay €42.00")
    desk.keys(Keys.ENTER)
    desk.see("Collected at the pier")


def test_a_press_while_the_page_is_drawn_anew_is_not_lost(desk: Desk) -> None:
    desk.open("/buy/demo?line=star-chart&market=es-eur&postcode=28001")
    desk.see("Pay €46.00")
    desk.see("Collected at the pier")
    # The answer to what was chosen is not here yet when the button is pressed.
    desk.browser.execute_script(
        "const way = [...document.querySelectorAll('label')].find((one) => one.textContent.includes('Collected'));"
        "way.click(); arguments[0].click();",
        desk.named("Pay €46.00", "button"),
    )
    desk.until(lambda: "/simulated-provider/" in desk.browser.current_url)
    desk.see("pay 42.00 EUR")


def test_a_handle_is_caught_on_a_break_even_and_two_ways_meet_there(desk: Desk) -> None:
    desk.open("/checkout?market=pt-eur&line=night-boat-tour&amount=85.00")
    desk.see("EUR a month", "[data-tender=bank-transfer]")

    def said() -> str:
        return desk.named("Bank transfer: offered from", "[role=slider]").get_attribute("aria-valuetext") or ""

    # Down by the arrow keys, until another way costs the same there.
    desk.named("Bank transfer: offered from", "[role=slider]").send_keys(Keys.ARROW_LEFT)
    for _ in range(60):
        if "costs the same as" in said():
            break
        desk.named("Bank transfer: offered from", "[role=slider]").send_keys(Keys.ARROW_LEFT)
    caught = said()
    assert "costs the same as" in caught
    amount = caught.split(" EUR")[0]
    desk.until(lambda: f"from {amount}" in desk.text("main") or amount in desk.text("[data-tender=bank-transfer]"))
    # It is kept to the cent: the limit stands in the field as the ruler says it.
    desk.click("Bank transfer", "main [data-tender=bank-transfer] button")
    desk.until(lambda: desk.named("From, in EUR", "input").get_attribute("value") == f"{float(amount):.2f}")
    # One act lets two meet, at the amount at which both cost the same.
    desk.see("cost the same at", "[data-tender=bank-transfer]")
    desk.pick("Whether Bank transfer ends or begins there", "begins")
    desk.type_into("at an amount, EUR", "lots")
    desk.see("“lots” is not an amount")

    def met() -> str:
        button = next(
            entry for entry in desk.all("[data-tender=bank-transfer] form button") if " EUR" in entry.text
        )
        meets = button.text.split()[0]
        button.click()
        return meets

    meets = desk.until(met)
    desk.click("Set both")
    desk.until(lambda: desk.named("From, in EUR", "input").get_attribute("value") == meets)
    desk.see(meets.rstrip("0").rstrip("."), "[data-tender=card]")
    assert desk.violations() == []


def test_the_act_beside_a_reason_ends_it(desk: Desk) -> None:
    desk.open(CHART)
    desk.see("held back: from 60.00 EUR", "[data-tender=bank-transfer]")
    desk.tab_to("Bank transfer: lift the limit")
    desk.keys(Keys.ENTER)
    desk.see("offered", "[data-tender=bank-transfer]")
    desk.chord(Keys.CONTROL, "z")
    desk.see("held back: from 60.00 EUR", "[data-tender=bank-transfer]")
    # Another reason leads to its account.
    desk.click("SEPA direct debit: go to the account", "a")
    desk.see("Brixavo")
    assert "/accounts/brixavo" in desk.browser.current_url


def test_a_fee_over_its_cost_is_told_with_its_article(desk: Desk) -> None:
    desk.open(f"{CHART}&tender=card&market=pt-eur")
    desk.type_into("Fixed amount", "9.00")
    desk.see("It takes more than it costs", "[data-tender=card]")
    desk.see("It takes more from this buyer than its provider takes from you.")
    desk.see("Directive (EU) 2015/2366 Art. 62(4)")
    desk.click("Ask that")
    desk.until(lambda: "9.00" not in (desk.named("Fixed amount", "input").get_attribute("value") or ""))
    assert desk.violations() == []


def test_a_way_to_pay_is_for_the_own_round_and_not_for_the_courier(desk: Desk) -> None:
    desk.open("/shop/delivery")
    desk.click("Add a way of delivery")
    desk.named("Remove the way of delivery Own round", "button")
    desk.click("Ways of delivery of Star chart and red-light lamp: Courier, Collected at the pier")
    desk.until(lambda: desk.all("[cmdk-input]"))
    desk.keys("own round", Keys.ENTER, Keys.ESCAPE)
    desk.open(f"{CHART}&market=es-eur&postcode=28001")
    add_condition(desk, "Card", "way of delivery", "own round")
    desk.see("Only by Own round", "[data-tender=card]")
    desk.pick("Way of delivery", "by Own round")
    desk.until(lambda: any(way.startswith("Card") for way in desk.ways()))
    desk.pick("Way of delivery", "by Courier")
    desk.until(lambda: not any(way.startswith("Card") for way in desk.ways()))
    assert desk.violations() == []


@pytest.mark.parametrize("served", ["own"], indirect=True)
def test_a_checkout_from_a_file_opens_in_an_empty_shop(desk: Desk, tmp_path: Path) -> None:
    wrong, right = tmp_path / "wrong.json", tmp_path / "checkout.json"
    wrong.write_text("{}", "utf-8")
    right.write_bytes((DATA / "checkout-example.json").read_bytes())
    desk.open("/")
    desk.see("Or bring a checkout")
    assert desk.violations() == []
    desk.one("input[type=file]").send_keys(str(wrong))
    desk.see("monedero/checkout/1")
    desk.one("input[type=file]").send_keys(str(right))
    desk.see("The line “Star chart” has no usual amount")
    file = json.loads(right.read_text("utf-8"))
    for line in file["lines"]:
        line["usual_amount"] = "42.00 EUR"
    right.write_text(json.dumps(file), "utf-8")
    desk.one("input[type=file]").send_keys(str(right))
    desk.see("Ways to pay")
    desk.see("Card", "[data-tender]")
    desk.click("Set-up sheet to print", "a")
    desk.see("Set-up sheet")
    assert desk.violations() == []


def test_every_way_is_added_from_one_list_that_says_why_not(desk: Desk) -> None:
    desk.open(CHART)
    desk.click("Add a way to pay", "main button")
    desk.see("Open to your shop")
    # A way that is not open says why, and cannot be added.
    assert "only for shops in" in desk.one("[aria-label='Not open to your shop']").text
    assert not desk.all("[aria-label='Not open to your shop'] button")
    listed = desk.text("main")
    for way in ("Invoice", "Cheque", "Gift voucher", "Card at a terminal"):
        assert way in listed, way
    assert desk.violations() == []
    # An arrangement with the details that its buyers need, typed where it is added.
    desk.type_into("Search for a way to pay", "cheque", "")
    desk.until(lambda: "Online banking" not in desk.text("section[aria-labelledby='add-ways']"))
    desk.tab_to("Add Cheque").send_keys(Keys.ENTER)
    desk.see("in your checkout", "section[aria-labelledby='add-ways']")
    desk.until(lambda: "cheque" in desk.tenders())
    desk.click("What its buyers are told", "summary")
    desk.type_into("Address that they are sent to", "Rua da Fortaleza 1, 8650-317 Sagres", Keys.TAB)
    assert desk.violations() == []
    # A provider's method, by a plan.
    desk.type_into("Search for a way to pay", "sepa direct orlenta", "")
    desk.click("Add, Steady: SEPA direct debit by Orlenta")
    desk.until(lambda: "sepa-direct-debit-2" in desk.tenders())
    desk.click("Close the list", "main button")
    desk.until(lambda: "Every way to pay" not in desk.text("main"))
