"""From an empty shop to which way is cheapest, by a price list that is pasted as it stands."""

import base64
import io
from pathlib import Path

import pytest
from pypdf import PdfReader
from selenium.webdriver.common.keys import Keys

from tests.browser.desk import Desk, paste

TEXT = """Harbour plan
EEA consumer cards 1.5% + €0.25
All other cards 3.25% + €0.25
Moonbeams 2%
SEPA Direct Debit €0.35
Disputes €15, refunded if you win

Plan Mast: 19 €/mes
Tarjetas europeas 1,1 % + 0,25 €
Otras tarjetas 2,9 %
Adeudos SEPA 0,30 €
"""


def found_shop(desk: Desk) -> None:
    desk.open("/")
    desk.see("Which ways to pay should your shop offer?")
    desk.type_into("Trading name", "Lume Ceramics", "")
    desk.type_into("First line: what you sell", "Bowl", "")
    desk.type_into("Usual amount, in EUR", "38", Keys.ENTER)
    desk.see("What to decide next")


@pytest.mark.parametrize("served", ["own"], indirect=True)
def test_from_an_empty_shop_to_an_exact_comparison(desk: Desk) -> None:
    found_shop(desk)
    desk.see("No provider's prices are compared yet.")
    assert desk.violations() == []
    desk.click("Type or paste the prices of one", "a")
    desk.type_into("Provider", "Larkhithe", "")
    paste(desk, TEXT)
    desk.see("1 of 10 lines is left out.")
    desk.see("Not understood, left out. “moonbeams” is not a word that is known here.")
    assert desk.violations() == []
    # A line that was not understood is rewritten in its place.
    desk.click("Write it otherwise")
    desk.chord(Keys.CONTROL, "a")
    desk.keys("Wallets 2%", Keys.ENTER)
    desk.see("Every line is understood.")
    # A part of what was understood is picked otherwise, and the fee follows.
    desk.click("Place of line 3: from anywhere", "button")
    desk.keys("abroad", Keys.ENTER)
    desk.see("from abroad: 3.25 % + 0.25 EUR")
    # A table is written out, and what is left out is pointed at.
    desk.click("Change the text")
    desk.named("The price list", "textarea", exact=False).send_keys(
        Keys.CONTROL, Keys.END, Keys.NULL, "\nMoonbeam barter 1.2%\nOpen all day 24/7\n"
    )
    desk.see("2 of 12 lines are left out.")
    desk.click("Way to pay of line 12", exact=False)
    desk.click("Instalments", "[role=option]", exact=False)
    desk.see("1 of 12 lines is left out.")
    desk.click("No price")
    desk.see("You said that it is no price.")
    desk.see("Every line is understood.")
    assert desk.violations() == []
    desk.click("Keep these 8 prices")
    desk.see("Larkhithe's prices are kept, and compared.")
    desk.see("SEPA direct debit Larkhithe")
    # The card is there with its text, as any other card is.
    desk.open("/compare/cards/larkhithe/always")
    desk.see("Read from the provider's price list on")
    assert desk.violations() == []


@pytest.mark.parametrize("served", ["own"], indirect=True)
def test_prices_are_typed_by_where_the_card_is_from(desk: Desk) -> None:
    found_shop(desk)
    desk.open("/compare")
    desk.click("New provider", "a")
    desk.click("by where the card is from")
    desk.type_into("Provider", "Moorgate", "")
    percents = [field for field in desk.all("input") if field.accessible_name == "Percent"]
    for field, share in zip(percents, ("1,2", "much", "2.9"), strict=True):
        field.send_keys(share)
    desk.see("“much” is not a percentage")
    percents[1].send_keys(Keys.CONTROL, "a")
    percents[1].send_keys("1.5")
    desk.until(lambda: desk.text("[data-fee-of-row='0']") == "0.46 EUR")
    # Typed text outlives a reload.
    desk.browser.refresh()
    desk.until(lambda: desk.text("[data-fee-of-row='0']") == "0.46 EUR")
    desk.click("Keep these 3 prices")
    desk.see("Moorgate's prices are kept, and compared.")


@pytest.mark.parametrize("served", ["own"], indirect=True)
def test_an_account_that_is_held_elsewhere(desk: Desk) -> None:
    found_shop(desk)
    desk.open("/compare/new")
    desk.type_into("Provider", "Larkhithe", "")
    paste(desk, TEXT)
    desk.click("Keep these 6 prices")
    desk.see("prices are kept")
    desk.open("/accounts/larkhithe")
    desk.click("I hold an account there, and keep it where it is")
    desk.type_into("Held since, such as 2024-05-01", "last year", "")
    desk.click("It is held elsewhere")
    desk.see("last year")
    desk.type_into("Held since, such as 2024-05-01", "2024-05-01", "")
    desk.click("It is held elsewhere")
    desk.see("Held elsewhere since 1 May 2024")
    assert desk.violations() == []


OWN_COLUMNS = "Encomenda;Data;Valor;Moeda;País;Artigo\n" + "".join(
    f"F-{number};{1 + number % 28:02}.{8 + number % 3:02}.2026;{38 + number % 7},50;EUR;Portugal;Bowl\n"
    for number in range(90)
)


@pytest.mark.parametrize("served", ["own"], indirect=True)
def test_which_plan_and_from_which_amount(desk: Desk, tmp_path: Path) -> None:
    """The whole first half, by what an owner has: a price list, and past orders with columns of their own."""
    found_shop(desk)
    desk.click("Type or paste the prices of one", "a")
    desk.type_into("Provider", "Larkhithe", "")
    paste(desk, TEXT)
    desk.click("Keep these 6 prices")
    desk.see("prices are kept")
    desk.open("/")
    desk.click("Read past orders, or type a month", "a")
    file = tmp_path / "encomendas.csv"
    file.write_text(OWN_COLUMNS, "utf-8")
    desk.one("input[type=file]").send_keys(str(file))
    desk.click("Read 90 rows")
    desk.see("90 orders are new")
    desk.click("Compare", "nav a", exact=False)
    desk.click("Plans and providers", "a")
    desk.see("From your past orders, over 3 months.")
    desk.see("Mast is cheapest for you")
    assert desk.violations() == []
    # The comparison goes on one page of paper.
    desk.click("On one page", "a")
    desk.see("Ways to pay for Lume Ceramics, compared")
    desk.see("Mast is cheapest for you")
    assert desk.violations() == []
    printed = desk.browser.execute_cdp_cmd("Page.printToPDF", {"preferCSSPageSize": True})["data"]
    pages = PdfReader(io.BytesIO(base64.b64decode(printed))).pages
    assert len(pages) == 1
    assert "with 1 account" in pages[0].extract_text()
    # Every table can be taken along.
    desk.click("tables of this view, to copy or as a file", "summary", exact=False)
    assert [button.accessible_name for button in desk.all("main details button")][:2] == [
        "Copy Routes",
        "Routes as CSV",
    ]
