"""Shares of buyers and the best set for them, into the checkout and back."""

from pathlib import Path

import pytest
from selenium.webdriver.common.keys import Keys

from tests.browser.desk import BOAT, Desk, paste
from tests.browser.test_new_provider import found_shop


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


def test_a_provider_is_asked_for_its_prices_and_a_way_for_its_share(desk: Desk) -> None:
    desk.open("/compare/best" + BOAT)
    desk.see("What would change it")
    desk.click("Plan whose prices are asked for", exact=False)
    desk.click("Orlenta Steady", "[role=option]", exact=False)
    desk.see("a month instead of 29.00 EUR, Orlenta Steady would bring you")
    desk.click("Way whose share is asked for", exact=False)
    desk.click("Pay later", "[role=option]", exact=False)
    desk.see("Whatever share would pay by Pay later first, this set is the best.")
    desk.see("Money in your account")
    assert desk.violations() == []


def test_what_leaving_an_account_takes_stands_beside_the_best_set(desk: Desk) -> None:
    desk.open("/accounts/orlenta" + BOAT)
    desk.click("Leaving it takes nothing that you told", "summary")
    desk.type_into("Days of notice", "soon")
    desk.see("soon")
    desk.type_into("Days of notice", "")
    desk.type_into("Exit fee, with its currency", "much")
    desk.see("much")
    desk.type_into("Exit fee, with its currency", "90 EUR")
    desk.see("Leaving it takes 90.00 EUR to leave")
    desk.open("/compare/best" + BOAT)
    desk.see("90.00 EUR to leave")
    desk.see("after 90.00 EUR and about 1 day")


def test_an_edit_of_the_checkout_says_what_it_does_to_the_month(desk: Desk) -> None:
    desk.open("/checkout" + BOAT)
    desk.see("find no way that they take here")
    desk.click("Bank transfer switched on", "[role=switch]")
    desk.see("Your last change leaves")
    desk.see("Against what buyers see it leaves")


def past_orders(folder: Path) -> Path:
    """A file of 60 orders, of which two thirds were paid by card; nobody paid by anything that is not offered."""
    rows = ["Order no;Date;Total;Currency;Country;Paid with;Status"]
    rows += [
        f"B{n};{1 + n % 28:02}/10/2026;{30 + n},50;EUR;PT;{'Credit card' if n % 3 else 'Direct debit'};paid"
        for n in range(60)
    ]
    file = folder / "orders.csv"
    file.write_text("\n".join(rows), encoding="utf-8")
    return file


@pytest.mark.parametrize("served", ["own"], indirect=True)
def test_from_a_file_with_a_payment_column_to_the_best_set_with_one_provider_and_without_margins(
    desk: Desk, tmp_path: Path
) -> None:
    found_shop(desk)
    desk.click("Type or paste the prices of one", "a")
    desk.type_into("Provider", "Larkhithe", "")
    paste(desk, "Cards 1.5% + 0.25 EUR\nSEPA Direct Debit 0.35 EUR\n")
    desk.click("Keep these 2 prices")
    desk.see("Larkhithe's prices are kept, and compared.")
    desk.open("/shop/orders")
    desk.one("input[type=file]").send_keys(str(past_orders(tmp_path)))
    desk.see("How the file says that orders were paid")
    desk.click("Read 60 rows")
    desk.see("60 orders are new")
    desk.open("/shop/buyers")
    desk.see("as 60 past orders were paid")
    assert desk.named("Share of Card", "input").get_attribute("value") == "66.7"
    desk.click("The best set for these buyers", "a")
    desk.see("proven: no other set carries more for less")
    desk.see("2 ways with 1 account carry 60 of 60 orders a month")
    desk.see("When it arrives is not known")
    assert desk.violations() == []
    desk.click("Put it in the checkout")
    desk.see("Without an account yet, so not switched on: Card (Larkhithe), SEPA direct debit (Larkhithe)")
    desk.click("Checkout", "nav a", exact=False)
    desk.until(lambda: len(desk.tenders()) == 2)
    desk.click("Undo: ", "button", exact=False)
    desk.until(lambda: desk.tenders() == [])
