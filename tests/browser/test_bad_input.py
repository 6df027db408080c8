"""Tests what a new user gets wrong: each time a clear answer, and nothing is lost."""

import json
import urllib.request
from pathlib import Path
from typing import Any

import pytest
from selenium.webdriver.common.keys import Keys

from tests.browser.desk import BOAT, Desk

CARD = Path(__file__).parent.parent / "data" / "orlenta-example.json"


def call(desk: Desk, path: str, method: str = "GET", body: Any = None) -> Any:
    """Tells what a second tab, or a script, asks of the same server."""
    data = None if body is None else json.dumps(body).encode()
    asked = urllib.request.Request(desk.address + path, data, {"Content-Type": "application/json"}, method=method)
    with urllib.request.urlopen(asked) as answer:
        return json.load(answer)


@pytest.mark.parametrize(
    ("typed", "told"),
    [
        ("85.0001", "85.0001 EUR has too many decimals. EUR has 2."),
        (
            "1.200",
            "“1.200 EUR” can be read in two ways. Write 1200 if thousands are meant, or 1.20 if decimals are.",
        ),
        ("eighty", "“eighty” is not an amount."),
        ("-5", "-5 EUR is less than nothing."),
    ],
)
def test_an_amount_that_cannot_be_read(desk: Desk, typed: str, told: str) -> None:
    desk.open("/compare" + BOAT)
    desk.type_into("Amount of the order", typed)
    desk.see(told)
    desk.see("The order in hand cannot be read. Fix it in the sentence above.")
    assert desk.violations() == []
    desk.type_into("Amount of the order", "1,085.00")
    desk.see("Pay €1,085.00", "aside")


def test_amounts_are_understood_as_people_type_them(desk: Desk) -> None:
    desk.open("/compare" + BOAT)
    for typed, shown in (("12,50", "12.50"), ("1.200,5 EUR", "1,200.50"), ("€85", "85.00")):
        desk.type_into("Amount of the order", typed)
        desk.see(f"Pay €{shown}", "aside")
    desk.open("/shop" + BOAT)
    for label, typed, kept in (
        ("Usual amount of Night boat tour", "92,50", "92.50 EUR"),
        ("Usual amount of Night boat tour", "1 200 eur", "1200.00 EUR"),
        ("Takings a month", "9000", "9000.00 EUR"),
        ("Margin of Night boat tour", "42,5", "42.5"),
    ):
        desk.type_into(label, typed)
        desk.until(lambda label=label, kept=kept: desk.named(label, "input").get_attribute("value") == kept)
    desk.type_into("Usual amount of Night boat tour", "1.200")
    desk.see("“1.200 EUR” can be read in two ways.")
    desk.open("/compare/cards/orlenta/2026-01-01" + BOAT)
    desk.type_into("fixed of card-region-start", "0,31")
    desk.until(lambda: desk.named("fixed of card-region-start", "input").get_attribute("value") == "0.31 EUR")


def test_an_order_of_zero_needs_no_payment(desk: Desk) -> None:
    desk.open("/compare" + BOAT.replace("85.00", "0"))
    desk.see("An order of zero needs no payment")
    desk.see("There is nothing to pay.", "aside")
    # A buyer's address says nothing that counts about the price.
    desk.open("/buy/demo" + BOAT.replace("85.00", "0"))
    desk.see("€85.00")


def test_a_wrong_rate_card_is_told_place_by_place(desk: Desk, tmp_path: Path) -> None:
    body = json.loads(CARD.read_text("utf-8"))
    body["rates"][0]["percent"] = "-1.2"
    body["rates"][1]["fixed"] = "0.25 EUX"
    body["surprise"] = True
    wrong = tmp_path / "card.json"
    wrong.write_text(json.dumps(body), "utf-8")
    desk.open("/compare/catalogue" + BOAT)
    desk.see("Who carries what")
    desk.one("input[type=file]").send_keys(str(wrong))
    desk.see("The rate card was not read, and nothing was changed.")
    desk.see("rates.0.percent: “-1.2” is not a percentage of zero or more.")
    desk.see("rates.1.fixed: “0.25 EUX” is not a currency with a minor unit")
    desk.see("surprise: This key is not part of the format")
    assert desk.violations() == []
    desk.click("Close")
    desk.one("input[type=file]").send_keys(str(CARD))
    desk.see("Orlenta's rate card is read: 4 routes.")


def test_what_a_second_tab_saved_is_not_written_over(desk: Desk) -> None:
    desk.open("/shop" + BOAT)
    field = desk.named("Trading name", "input")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("Mine")
    held = call(desk, "/api/shop")
    call(desk, "/api/shop", "PUT", {"version": held["version"], "shop": {**held["shop"], "name": "Theirs"}})
    field.send_keys(Keys.ENTER)
    desk.see("This was changed somewhere else since you opened it")
    assert call(desk, "/api/shop")["shop"]["name"] == "Theirs"
    assert field.get_attribute("value") == "Mine"
    field.send_keys(Keys.ENTER)
    desk.until(lambda: call(desk, "/api/shop")["shop"]["name"] == "Mine")


def test_broken_values_of_the_shop_stay_in_their_fields_with_the_reason(desk: Desk) -> None:
    desk.open("/shop" + BOAT)
    for label, typed, told in (
        ("Usual amount of Night boat tour", "lots", "“lots” is not money."),
        ("Usual amount of Night boat tour", "5.0001 EUR", "too many decimals"),
        ("Takings a month", "5 XYZ", "is not a currency"),
        ("Share of orders from es-eur", "250", "250 is over a hundred."),
        ("Name of Printable sky maps", "night boat TOUR", "stands twice"),
    ):
        desk.type_into(label, typed)
        desk.see(told)
        field = desk.named(label, "input, textarea")
        assert field.get_attribute("value") == typed
        field.send_keys(Keys.ESCAPE)
        desk.until(lambda told=told: told not in desk.text("main"))
    assert desk.violations() == []


def test_a_shop_without_lines_says_what_it_needs_and_a_line_can_be_put_back(desk: Desk) -> None:
    held = call(desk, "/api/shop")
    call(desk, "/api/shop", "PUT", {"version": held["version"], "shop": {**held["shop"], "lines": []}})
    desk.open("/compare")
    desk.see("There is no order to look at: your shop needs a market and a line.")
    desk.one("main h1")  # the view comes after the sentence above it
    assert desk.violations() == []
    desk.click("Describe them")
    desk.click("Add a line")
    desk.until(lambda: desk.browser.switch_to.active_element.accessible_name == "Name of New line")
    desk.keys("Comet map", Keys.ENTER)
    desk.see("Comet map", "section")


def test_links_to_what_is_not_there(desk: Desk) -> None:
    desk.open("/compare?market=atlantis&line=gold&amount=85.00&currency=EUR")
    desk.see("Portugal")
    desk.open("/buy/orders/nobody")
    desk.see("There is no such order")
    assert desk.violations() == []
    desk.open("/simulated-provider/demo/orlenta/pay/forged")
    desk.see("This is not known here")
    assert desk.violations() == []


@pytest.mark.parametrize("served", ["own"], indirect=True)
def test_an_empty_shop_asks_first_and_then_takes_an_order(desk: Desk) -> None:
    desk.open("/")
    desk.see("Which ways to pay should your shop offer?")
    assert desk.violations() == []
    desk.type_into("Trading name", "Lume", Keys.TAB)
    desk.type_into("First line: what you sell", "Candle", Keys.TAB)
    desk.type_into("Usual amount, in EUR", "twenty")
    desk.see("is not money")
    desk.browser.refresh()
    desk.until(lambda: desk.named("Trading name", "input").get_attribute("value") == "Lume")
    assert desk.named("First line: what you sell", "input").get_attribute("value") == "Candle"
    desk.type_into("Usual amount, in EUR", "20,00")
    desk.see("What to decide next")
    desk.click("Compare", "nav a", exact=False)
    desk.see("There are no prices to compare yet")
    assert desk.violations() == []
    desk.click("Look at seven invented examples")
    desk.see("Online banking Brixavo (example)")
    desk.click("How the cost of Bank transfer came about", exact=False)
    desk.click("Add to checkout: Bank transfer")
    desk.click("Checkout", "nav a", exact=False)
    desk.click("Bank transfer switched on", "[role=switch]")
    # Nobody is asked to send money to an account that is not known.
    desk.see("its buyer would not know where to send the money")
    desk.click("type them", "a", exact=False)
    desk.type_into("IBAN of an account in EUR", "PT50 0002 0123 1234 5678 9015 4")
    desk.named("Holder of the EUR account", "input")
    desk.until(lambda: desk.ways() == ["Bank transfer"])
    desk.click("Publish", "nav a", exact=False)
    desk.click("Publish as edition 1")
    desk.see("edition 1 is published")
    desk.click("Accounts", "nav a", exact=False)
    desk.see("Nothing is begun with Orlenta (example) in test mode.")
    desk.click("Compare", "nav a", exact=False)
    desk.click("Put the examples away")
    desk.see("The examples are put away")
    desk.see("There are no prices to compare yet")
    desk.click("Order and pay €20.00", "aside button")
    desk.see("We are waiting for your payment")


@pytest.mark.parametrize("served", ["own"], indirect=True)
def test_the_demo_is_beside_an_empty_shop(desk: Desk) -> None:
    desk.open("/")
    desk.click("Open the demo shop")
    desk.see("Cabo Noite")
    desk.click("demo shop, go to my own")
    desk.see("Which ways to pay should your shop offer?")
